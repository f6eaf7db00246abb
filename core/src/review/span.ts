import { addDays, addMonths, daysInMonth, partsOf, weekOf, type DayDate } from '../calendar';
import { monthPeriod, weekPeriod, type Period } from '../journal';

/** What a review looks back on. */
export const REVIEWED = ['week', 'month', 'year'] as const;
export type Reviewed = (typeof REVIEWED)[number];

/** Days that follow each other, both ends within. */
export interface DaySpan {
  first: DayDate;
  last: DayDate;
}

export const reviewedOf = (period: Period): Reviewed =>
  period.includes('W') ? 'week' : period.length > 4 ? 'month' : 'year';

/** The week, month or year that a day is in. */
export function periodOf(reviewed: Reviewed, day: DayDate, weekBegins: number): Period {
  if (reviewed === 'week') return weekPeriod(day, weekBegins);
  return reviewed === 'month' ? monthPeriod(day) : day.slice(0, 4);
}

/**
 * The days of a week, month or year.
 *
 * @param period one that is in the calendar
 * @param weekBegins the first day of the week; 0 is Sunday
 */
export function daysOf(period: Period, weekBegins: number): DaySpan {
  const year = period.slice(0, 4);
  switch (reviewedOf(period)) {
    case 'year':
      return { first: `${year}-01-01`, last: `${year}-12-31` };
    case 'month':
      return { first: `${period}-01`, last: `${period}-${daysInMonth(...monthOf(period))}` };
    case 'week': {
      // The 4th of January is always in the first week of its year; that week is named by its Thursday.
      const thursday = addDays(addDays(weekOf(`${year}-01-04`, 1), 3), (Number(period.slice(6)) - 1) * 7);
      const first = weekOf(thursday, weekBegins);
      return { first, last: addDays(first, 6) };
    }
  }
}

const monthOf = (period: Period): [year: number, month: number] => {
  const [year, month] = partsOf(`${period}-01`);
  return [year, month];
};

/** The period of the same length so many after; before when negative. */
export function periodAfter(period: Period, count: number, weekBegins: number): Period {
  const { first } = daysOf(period, weekBegins);
  const reviewed = reviewedOf(period);
  const day =
    reviewed === 'week' ? addDays(first, count * 7) : addMonths(first, count * (reviewed === 'month' ? 1 : 12));
  return periodOf(reviewed, day, weekBegins);
}

/** What a chart of a period has a bar for: a day of a week or a month, a month of a year. */
export interface Bar extends DaySpan {
  /** The day, or the month. */
  name: DayDate | Period;
}

export function barsOf(period: Period, weekBegins: number): Bar[] {
  const { first, last } = daysOf(period, weekBegins);
  const bars: Bar[] = [];
  if (reviewedOf(period) === 'year') {
    for (let month = first; month <= last; month = addMonths(month, 1)) {
      bars.push({ name: monthPeriod(month), ...daysOf(monthPeriod(month), weekBegins) });
    }
  } else {
    for (let day = first; day <= last; day = addDays(day, 1)) bars.push({ name: day, first: day, last: day });
  }
  return bars;
}
