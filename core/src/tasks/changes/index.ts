import { changedTask as changed, type RepeatDays } from '../changedTask';
import type { TaskChange, TaskValues } from '../taskChange';
import { completeRule, firstFrom, nextAfter, nextFromDone } from './occurrences';

export { completeRule, firstFrom, nextAfter, nextFromDone };

/** The days that repeats fall on. */
export const repeatDays: RepeatDays = { completeRule, firstFrom, nextAfter, nextFromDone };

/** What a change makes of a to-do line (../changedTask), where what computes repeats is at hand. */
export const changedTask = (
  attrs: Readonly<Record<string, unknown>>,
  change: TaskChange,
  occurrence: string | null = null,
): TaskValues => changed(attrs, change, occurrence, repeatDays);
