import { addDays, type DayDate } from '../calendar';
import type { Priority } from '../document/types';

/** A task as a list of all of them needs it. */
export interface ListedTask {
  blockId: string;
  pageId: string;
  /** The day it is due. */
  due: DayDate | null;
  for: DayDate | 'none' | null;
  writtenOn: DayDate | null;
  priority: Priority | null;
  /** Where its line stands on its page. */
  position: number;
  /** The day it was done last; null while it is open. */
  doneOn: DayDate | null;
}

/** The groups of the list by day, in their order. */
export const DAY_GROUPS = ['overdue', 'today', 'coming', 'later', 'none', 'done'] as const;
export type DayGroup = (typeof DAY_GROUPS)[number];

/** How the list may be gathered. */
export const GATHERINGS = ['day', 'page', 'notebook', 'tag'] as const;
export type Gathering = (typeof GATHERINGS)[number];

/** So many days after today are those to come. */
const COMING = 7;

/** The day on which a task stands: that it is for, else that it is due, or was written on; null for none. */
export function dayOfTask({ for: forDay, due, writtenOn }: ListedTask): DayDate | null {
  if (forDay !== null) return forDay === 'none' ? null : forDay;
  return due ?? writtenOn;
}

/** The group of the list by day that a task stands in. */
export function dayGroup(task: ListedTask, today: DayDate): DayGroup {
  if (task.doneOn !== null) return 'done';
  const day = dayOfTask(task);
  if (day === null) return 'none';
  if (task.due !== null && task.due < today && day <= today) return 'overdue';
  if (day <= today) return 'today';
  return day <= addDays(today, COMING) ? 'coming' : 'later';
}

const RANK: Readonly<Record<Priority, number>> = { high: 0, middle: 1, low: 3 };
const rank = ({ priority }: ListedTask): number => (priority === null ? 2 : RANK[priority]);
const compared = (one: string | null, other: string | null): number =>
  one === other ? 0 : one === null ? 1 : other === null ? -1 : one < other ? -1 : 1;

/** Tasks of one group in their order: by day, what matters most first, then as they stand; those done, latest first. */
export const inOrder = (one: ListedTask, other: ListedTask): number =>
  compared(other.doneOn, one.doneOn) ||
  compared(dayOfTask(one), dayOfTask(other)) ||
  rank(one) - rank(other) ||
  compared(one.pageId, other.pageId) ||
  one.position - other.position;
