import { PRIORITIES, TASK_STATES } from '../document/types';
import { idOf, textKindOf } from '../document/kinds';
import { occurrenceOf, taskOf } from '../tasks/task';
import { TASK_VALUES, takenBack, TaskError, type TaskChange, type TaskValues } from '../tasks/taskChange';
import { NOTHING, type PlannedAct } from './act';
import { conflict, refused } from './actError';
import { contentOf } from './ask';
import { day, either, fields, id, line, oneOf, optional, orNull, yesNo, type Field } from './shape';

/** Sets something of a task, wherever it is shown. */
export interface SetTask {
  do: 'setTask';
  /** The page on which its line stands. */
  id: string;
  blockId: string;
  change: TaskChange;
  /** The time of a repeating task that is meant, by the day it is due; null for the present one. */
  occurrence: string | null;
}

/** The most characters of what a to-do line says of itself. */
const MAX_VALUE = 3000;

const attributes: Field = fields(
  Object.fromEntries(TASK_VALUES.map((name) => [name, optional(orNull(line(MAX_VALUE)))])),
);

const changes: Field = either(
  fields({ set: oneOf(['state']), state: oneOf(TASK_STATES), today: day }),
  fields({ set: oneOf(['skipped']), today: day }),
  fields({ set: oneOf(['due']), due: orNull(line(20)) }),
  fields({ set: oneOf(['for']), day: orNull(either(oneOf(['none']), day)) }),
  fields({ set: oneOf(['priority']), priority: orNull(oneOf(PRIORITIES)) }),
  fields({ set: oneOf(['repeat']), repeat: orNull(line(200)), isFromDone: optional(yesNo), today: day }),
  fields({ set: oneOf(['values']), values: attributes }),
);

export const setTask: PlannedAct<SetTask> = {
  shape: { blockId: id, change: changes, occurrence: orNull(day) },
  touches: (act) => [act.id],
  changes: ['tasks'],
  plan: (act, outline) => {
    const line = contentOf(outline, act.id).find((node) => idOf(node) === act.blockId);
    if (!line || !textKindOf(line)?.state) throw conflict('The task is not on its page any more.');
    const attrs = line.attrs ?? {};
    const values = settled(() => outline.changedTask(attrs, act.change, act.occurrence));
    if (Object.keys(values).length === 0) return NOTHING;
    const occurrence = occurrenceOf(taskOf({ ...attrs, ...values }));
    return {
      changes: [{ change: 'attributes', id: act.id, blockId: act.blockId, values }],
      undo: [{ ...act, change: takenBack(attrs, values), occurrence }],
    };
  },
};

/** @throws ActError with the sentence that says why it can't be set so */
function settled(set: () => TaskValues): TaskValues {
  try {
    return set();
  } catch (error) {
    throw error instanceof TaskError ? refused(error.message) : error;
  }
}
