import { isBlank } from '../text';
import { idOf, textKindOf } from '../kinds';
import type { Priority, TaskState } from '../types';
import type { LineFact } from './fact';

/** A to-do line that says something: what a list of tasks is made of, without reading the line. */
export interface TaskFact {
  blockId: string;
  state: TaskState;
  priority: Priority | null;
  /** As the line has it: a day, with a time of day where there is one. */
  due: string | null;
  /** The day it is for; `none` for no day at all. */
  forDay: string | null;
  repeat: string | null;
  doneOn: string | null;
  /** The nearest task above it that is open, within which it stands. */
  within: string | null;
}

const textOf = (value: unknown): string | null => (typeof value === 'string' && value !== '' ? value : null);

/** Lines that are tasks. */
export const tasks: LineFact<TaskFact> = {
  of: (node, blockId, _before, above) => {
    const state = textKindOf(node)?.state?.(node.attrs ?? {});
    if (!state || isBlank(node)) return [];
    const { priority, due, for: forDay, repeat, doneOn } = node.attrs ?? {};
    const within = above.findLast((each) => isOpen(textKindOf(each)?.state?.(each.attrs ?? {})) && !isBlank(each));
    return [
      {
        blockId,
        state,
        priority: textOf(priority) as Priority | null,
        due: textOf(due),
        forDay: textOf(forDay),
        repeat: textOf(repeat),
        doneOn: textOf(doneOn),
        within: within ? idOf(within) : null,
      },
    ];
  },
};

const isOpen = (state: TaskState | undefined): boolean => state === 'open' || state === 'begun';
