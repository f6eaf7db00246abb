import { addDays, daysBetween, type DayDate } from '../calendar';
import type { Period } from '../journal';
import { barsOf, daysOf, periodAfter, type Bar, type DaySpan } from './span';

/** What is counted of a day. */
export interface Counts {
  /** Words that were written, less those that were taken away. */
  words: number;
  tasksDone: number;
  tasksPutOff: number;
  /** Tasks that were begun to be one. */
  tasksCome: number;
  pagesBegun: number;
  /** Pages that were changed, whenever they were begun. */
  pagesChanged: number;
}

/** The counts of one day on which anything is counted. */
export interface DayCounts extends Counts {
  day: DayDate;
  /** Whether something stands on the page of the day itself. */
  isWritten: boolean;
}

export interface PeriodCounts extends Counts {
  daysWritten: number;
}

export interface ReviewedBar extends Bar {
  counts: PeriodCounts;
}

/** A look back on a week, a month or a year. */
export interface Review {
  period: Period;
  /** Its days up to today. */
  counts: PeriodCounts;
  /** What it is held against: as many days of the period before as there were of this one. */
  before: { period: Period; days: DaySpan; counts: PeriodCounts };
  bars: ReviewedBar[];
}

const NAMES = ['words', 'tasksDone', 'tasksPutOff', 'tasksCome', 'pagesBegun', 'pagesChanged'] as const;

const NOTHING_COUNTED: PeriodCounts = {
  daysWritten: 0,
  ...(Object.fromEntries(NAMES.map((name) => [name, 0])) as unknown as Counts),
};

function sumOf(days: readonly DayCounts[], { first, last }: DaySpan): PeriodCounts {
  const sum = { ...NOTHING_COUNTED };
  for (const each of days) {
    if (each.day < first || each.day > last) continue;
    for (const name of NAMES) sum[name] += each[name];
    sum.daysWritten += Number(each.isWritten);
  }
  return sum;
}

/** The days that the numbers of a review are read from: its own, and those of the period before. */
export const daysToCount = (period: Period, weekBegins: number): DaySpan => ({
  first: daysOf(periodAfter(period, -1, weekBegins), weekBegins).first,
  last: daysOf(period, weekBegins).last,
});

/** What it is held against: a period that is not over is held against as many days of the one before. */
function heldAgainst(period: Period, today: DayDate, weekBegins: number): { period: Period; days: DaySpan } {
  const own = daysOf(period, weekBegins);
  const before = periodAfter(period, -1, weekBegins);
  const days = daysOf(before, weekBegins);
  if (today < own.first || today >= own.last) return { period: before, days };
  const last = addDays(days.first, daysBetween(own.first, today));
  return { period: before, days: { first: days.first, last: last < days.last ? last : days.last } };
}

/**
 * Looks back on a period.
 *
 * @param days each day of `daysToCount` on which something is counted, once
 * @param today the day it is where the person is
 */
export function reviewOf(period: Period, days: readonly DayCounts[], today: DayDate, weekBegins: number): Review {
  const before = heldAgainst(period, today, weekBegins);
  return {
    period,
    counts: sumOf(days, daysOf(period, weekBegins)),
    before: { ...before, counts: sumOf(days, before.days) },
    bars: barsOf(period, weekBegins).map((bar) => ({ ...bar, counts: sumOf(days, bar) })),
  };
}
