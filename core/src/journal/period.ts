import { addDays, isDay, partsOf, weekdayOf, type DayDate } from '../calendar';
import { namedId } from '../document/ids';
import { monthName } from './day';

/** A week (2026-W48) or a month (2026-11) that has a page of its own to write about it. */
export type Period = string;

const THURSDAY = 4;
const WEEK = /^(\d{4})-W(\d{2})$/u;

/**
 * The week that a day is in, whichever day weeks begin with: it is named by its Thursday, as ISO 8601 (3.1.1.23) names
 * weeks, and every week has just one.
 *
 * @param weekBegins the first day of the week; 0 is Sunday
 */
export function weekPeriod(day: DayDate, weekBegins: number): Period {
  const first = addDays(day, -((weekdayOf(day) - weekBegins + 7) % 7));
  const thursday = addDays(first, (THURSDAY - weekBegins + 7) % 7);
  const [year] = partsOf(thursday);
  const passed = (Date.parse(`${thursday}T00:00:00Z`) - Date.UTC(year, 0, 1)) / 86_400_000;
  return `${String(year).padStart(4, '0')}-W${String(Math.floor(passed / 7) + 1).padStart(2, '0')}`;
}

/** The month that a day is in. */
export const monthPeriod = (day: DayDate): Period => day.slice(0, 7);

/** Whether this names a week or a month that is in the calendar. */
export function isPeriod(value: string): boolean {
  const week = WEEK.exec(value);
  if (!week) return /^\d{4}-\d\d$/u.test(value) && isDay(`${value}-01`);
  const [year, number] = [Number(week[1]), Number(week[2])];
  // The 28th of December is always in the last week of its year.
  return number >= 1 && value <= weekPeriod(`${String(year).padStart(4, '0')}-12-28`, 1);
}

/** “Week 48 of 2026”, “November 2026”. */
export function periodTitle(period: Period): string {
  const [year, rest] = [Number(period.slice(0, 4)), period.slice(5)];
  return rest.startsWith('W') ? `Week ${Number(rest.slice(1))} of ${year}` : `${monthName(Number(rest))} ${year}`;
}

/** The id of the page of a week or a month, the same on every device of an account. */
export const periodId = (accountId: string, period: Period): string => namedId(accountId, `period/${period}`);
