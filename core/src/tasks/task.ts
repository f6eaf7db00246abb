import type { DayDate } from '../calendar';
import type { Priority, TaskState } from '../document/types';

/** A day with the time of day where there is one. */
export interface Moment {
  day: DayDate;
  /** `09:30` */
  time: string | null;
}

/** A day it was done, and the day it was due then, where that is another. */
export interface Done {
  day: DayDate;
  due: DayDate;
}

/** What a to-do line says of itself (document/kinds/todo), read. */
export interface Task {
  state: TaskState;
  priority: Priority | null;
  due: Moment | null;
  /** The day it is for, before which it is brought forward nowhere; `none` for no day at all. */
  for: DayDate | 'none' | null;
  /** RFC 5545's rule. */
  repeat: string | null;
  /** Whether the repeat is counted from the day it was done, not by the calendar. */
  isFromDone: boolean;
  /** Latest last. */
  doneOn: readonly Done[];
}

type Attributes = Readonly<Record<string, unknown>>;

const textOf = (value: unknown): string | null => (typeof value === 'string' && value !== '' ? value : null);

export function momentOf(text: string | null): Moment | null {
  if (text === null) return null;
  const [day, time = null] = text.split('T') as [string, string?];
  return { day, time };
}

export const momentText = ({ day, time }: Moment): string => (time === null ? day : `${day}T${time}`);

const doneOf = (text: string): Done => {
  const [day, due = day] = text.split('/') as [string, string?];
  return { day, due };
};

export const doneText = ({ day, due }: Done): string => (day === due ? day : `${day}/${due}`);

/** The task that a to-do line is. */
export function taskOf(attrs: Attributes): Task {
  return {
    state: (attrs.state as TaskState | null | undefined) ?? 'open',
    priority: (attrs.priority as Priority | null | undefined) ?? null,
    due: momentOf(textOf(attrs.due)),
    for: textOf(attrs.for),
    repeat: textOf(attrs.repeat),
    isFromDone: attrs.counted === 'done',
    doneOn: textOf(attrs.doneOn)?.split(',').map(doneOf) ?? [],
  };
}

/** Whether it is still to be done. */
export const isOpen = ({ state }: Pick<Task, 'state'>): boolean => state === 'open' || state === 'begun';

/** Which time of a repeating task is meant: the day it is due. Null for a task that does not repeat. */
export const occurrenceOf = ({ repeat, due }: Pick<Task, 'repeat' | 'due'>): DayDate | null =>
  repeat === null ? null : (due?.day ?? null);
