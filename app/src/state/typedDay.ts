import { useEffect, useState } from 'react';
import { localDay, type DayDate } from '@glossarion/core/journal';
import type { When, WhenPlace } from '@glossarion/core/tasks/phrases';
import { prepareReckoning, reckoningHere, type Reckoning } from './reckoned';

/** Whether the person's own language writes the month before the day. */
export const isMonthFirst = (): boolean => {
  const parts = new Intl.DateTimeFormat(navigator.language).formatToParts(new Date()).map(({ type }) => type);
  return parts.indexOf('month') < parts.indexOf('day') && parts.indexOf('year') > parts.indexOf('day');
};

/** The day a week begins with where the person is: 0 for Sunday. */
export function weekBegins(): number {
  const locale = new Intl.Locale(navigator.language) as Intl.Locale & {
    weekInfo?: { firstDay: number };
    getWeekInfo?: () => { firstDay: number };
  };
  // Browsers that do not know it are told Monday, as ISO 8601 has it.
  const { firstDay } = locale.getWeekInfo?.() ?? locale.weekInfo ?? { firstDay: 1 };
  return firstDay % 7;
}

/** From where and by whose habits a day in words is read. */
export const reading = () => ({
  today: localDay(new Date()),
  order: isMonthFirst() ? ('month first' as const) : ('day first' as const),
  weekBegins: weekBegins(),
});

/** The day that what was typed is, whole; null when it is none, and while the code that reads dates is on its way. */
export function dayTyped(typed: string): DayDate | null {
  return reckoningHere()?.dayTyped(typed, reading()) ?? null;
}

/** The same for what is being typed in a field: it is known as soon as the code is here. */
export function useDayTyped(typed: string): DayDate | null {
  const isHere = useDates();
  return typed === '' || !isHere ? null : dayTyped(typed);
}

/** When what was typed in a field for dates means; null as above. */
export const whenTyped = (typed: string): When | null => reckoningHere()?.whenTyped(typed, reading()) ?? null;

/** The same for what is being typed. */
export function useWhenTyped(typed: string): When | null {
  const isHere = useDates();
  return typed === '' || !isHere ? null : whenTyped(typed);
}

function useDates(): boolean {
  const [isHere, setHere] = useState(() => reckoningHere() !== null);
  useEffect(() => {
    let isGone = false;
    void prepareReckoning().then(() => isGone || setHere(reckoningHere() !== null));
    return () => {
      isGone = true;
    };
  }, []);
  return isHere;
}

/** The date that ends where a text ends, as one is just being written; null as above. */
export function dateAtEnd(text: string): ReturnType<Reckoning['dateAtEnd']> {
  return reckoningHere()?.dateAtEnd(text, reading()) ?? null;
}

/** When a task is to be done, as the words at its end say; null as above. */
export function whenAtEnd(text: string): WhenPlace | null {
  return reckoningHere()?.whenAtEnd(text, reading()) ?? null;
}

/** Whether a date says by itself which day of the calendar it is: “tomorrow” does not. */
export const isCalendarDate = (written: string): boolean => reckoningHere()?.isCalendarDate(written) ?? false;
