import { useEffect, useState } from 'react';
import { localDay, type DayDate } from '@glossarion/core/journal';

type Dates = typeof import('@glossarion/core/dates');

/** Reading dates takes code that no first screen needs. */
let dates: Dates | null = null;

/** Gets the code that reads dates; does nothing when it is here or can't be fetched. */
export async function prepareDates(): Promise<void> {
  dates ??= await import('@glossarion/core/dates').catch(() => null);
}

/** Whether the person's own language writes the month before the day. */
const isMonthFirst = (): boolean => {
  const parts = new Intl.DateTimeFormat(navigator.language).formatToParts(new Date()).map(({ type }) => type);
  return parts.indexOf('month') < parts.indexOf('day') && parts.indexOf('year') > parts.indexOf('day');
};
const order = () => (isMonthFirst() ? 'month first' : 'day first');

/** The day that what was typed is, whole; null when it is none, and while the code that reads dates is on its way. */
export function dayTyped(typed: string): DayDate | null {
  if (!dates) void prepareDates();
  return dates?.dayTyped(typed, localDay(new Date()), order()) ?? null;
}

/** The same for what is being typed in a field: it is known as soon as the code is here. */
export function useDayTyped(typed: string): DayDate | null {
  const [, setHere] = useState(dates !== null);
  useEffect(() => void prepareDates().then(() => setHere(true)), []);
  return typed === '' ? null : dayTyped(typed);
}

/** The date that ends where a text ends, as one is just being written; null as above. */
export function dateAtEnd(text: string): ReturnType<Dates['dateAtEnd']> {
  if (!dates) void prepareDates();
  return dates?.dateAtEnd(text, localDay(new Date()), order()) ?? null;
}

/** Whether a date says by itself which day of the calendar it is: “tomorrow” does not. */
export const isCalendarDate = (written: string): boolean => dates?.isCalendarDate(written) ?? false;
