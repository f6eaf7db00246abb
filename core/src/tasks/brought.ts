import type { DayDate } from '../calendar';
import { isOpen, type Task } from './task';

/** What decides on which day a task stands. */
export interface Standing extends Pick<Task, 'state' | 'for'> {
  /** The day it is due. */
  due: DayDate | null;
  /** The day on whose page it was written; null on any other page. */
  writtenOn: DayDate | null;
}

/**
 * Whether an open task is brought forward to today: those of earlier days, and those for or due today or before. One that
 * is for a day is brought forward nowhere before it.
 */
export function isBroughtForward({ state, for: forDay, due, writtenOn }: Standing, today: DayDate): boolean {
  if (!isOpen({ state }) || writtenOn === today) return false;
  if (forDay !== null) return forDay !== 'none' && forDay <= today;
  return (writtenOn !== null && writtenOn < today) || (due !== null && due <= today);
}

/** Whether an open task stands on a day that is to come: it is for that day, or due on it. */
export const isComing = ({ state, for: forDay, due, writtenOn }: Standing, day: DayDate): boolean =>
  isOpen({ state }) && writtenOn !== day && (forDay === day || due === day);

/** The day from which on a task stands before somebody: that it is for, else today; null while it stands nowhere. */
export function standsFrom(task: Standing, today: DayDate): DayDate | null {
  if (task.for !== null) return task.for === 'none' ? null : task.for;
  const isWritten = task.writtenOn !== null && task.writtenOn <= today;
  return isWritten || (task.due !== null && task.due <= today) ? today : null;
}
