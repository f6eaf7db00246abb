import type { DayDate } from '../calendar';
import type { Priority, TaskState } from '../document/types';

/** What may be changed of a task, by the names of a to-do line's attributes. */
export const TASK_VALUES = ['state', 'priority', 'due', 'for', 'repeat', 'counted', 'doneOn'] as const;
export type TaskValues = Partial<Record<(typeof TASK_VALUES)[number], string | null>>;

/** Something that is done with a task; `today` is the day it is where the person is. */
export type TaskChange =
  | { set: 'state'; state: TaskState; today: DayDate }
  /** Leaves out this time of a repeating task. */
  | { set: 'skipped'; today: DayDate }
  | { set: 'due'; due: string | null }
  /** The day it is for; `none` for no day. Putting off is this, to a later day. */
  | { set: 'for'; day: DayDate | 'none' | null }
  | { set: 'priority'; priority: Priority | null }
  | { set: 'repeat'; repeat: string | null; isFromDone?: boolean; today: DayDate }
  /** The very values, as taking back needs them. */
  | { set: 'values'; values: TaskValues };

export type TaskSetting = TaskChange['set'];

/** Thrown with a sentence when a task can't be set so. */
export class TaskError extends Error {
  override name = 'TaskError';
}

/** The change that takes one back: what the attributes were that it made others. */
export const takenBack = (attrs: Readonly<Record<string, unknown>>, values: TaskValues): TaskChange => ({
  set: 'values',
  values: Object.fromEntries(
    Object.keys(values).map((name) => [name, (attrs[name] as string | null | undefined) ?? null]),
  ),
});
