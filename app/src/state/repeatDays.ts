import { changedTask, TaskError, type RepeatDays, type TaskChange, type TaskValues } from '@glossarion/core/tasks';
import { reckoningHere } from './reckoned';

const notHere = (): never => {
  throw new TaskError('What repeats is reckoned in a moment: try again.');
};

const NOT_HERE: RepeatDays = { completeRule: notHere, firstFrom: notHere, nextAfter: notHere, nextFromDone: notHere };

/**
 * What a change makes of a to-do line, as this window computes it.
 *
 * @throws TaskError when it can't be set so, or while the code that computes repeats is on its way
 */
export const changedHere = (
  attrs: Readonly<Record<string, unknown>>,
  change: TaskChange,
  occurrence: string | null = null,
): TaskValues => changedTask(attrs, change, occurrence, reckoningHere()?.repeatDays ?? NOT_HERE);
