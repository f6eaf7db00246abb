import { addDays, daysBetween, weekdayOf, type DayDate } from '../calendar';
import { namedId } from '../document/ids';

/** The id of a day's page, the same on every device of an account. */
export const dayId = (accountId: string, day: DayDate): string => namedId(accountId, `day/${day}`);

/** Days that an id of an account can be that of, though nothing of the day is stored. */
const FIRST_YEAR = 1950;
const LAST_YEAR = 2100;

/** All days of the years that links are made to, by the ids of their pages in one account. */
export function daysById(accountId: string): Map<string, DayDate> {
  const days = new Map<string, DayDate>();
  for (let day = `${FIRST_YEAR}-01-01`; day < `${LAST_YEAR}-01-01`; day = addDays(day, 1)) {
    days.set(dayId(accountId, day), day);
  }
  return days;
}

// The product speaks English: a table is there at once, where the browser's own would be the dearest part of a first screen.
const WEEKDAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];
const MONTHS = [
  ...['January', 'February', 'March', 'April', 'May', 'June'],
  ...['July', 'August', 'September', 'October', 'November', 'December'],
];
const SHORT_MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sept', 'Oct', 'Nov', 'Dec'];

const yearOf = (day: DayDate): string => String(Number(day.slice(0, 4)));
const inMonth = (day: DayDate, months: readonly string[]): string =>
  `${Number(day.slice(8, 10))} ${months[Number(day.slice(5, 7)) - 1]}`;

/** "Tue". */
export const weekdayShort = (day: DayDate): string => WEEKDAYS[weekdayOf(day)]!.slice(0, 3);

/** "Tuesday". */
export const weekdayName = (weekday: number): string => WEEKDAYS[weekday]!;

/** "March"; 1 for January. */
export const monthName = (month: number): string => MONTHS[month - 1]!;

/** "Tue 1 Dec", with the year when it is not this one. */
export const dayShort = (day: DayDate, today: DayDate): string =>
  withYear(`${weekdayShort(day)} ${inMonth(day, SHORT_MONTHS)}`, day, today);

/** "1 Dec 2026". */
export const dateShort = (day: DayDate): string => `${inMonth(day, SHORT_MONTHS)} ${yearOf(day)}`;

/** "Tuesday 24 November". */
export const dayTitle = (day: DayDate): string => `${WEEKDAYS[weekdayOf(day)]} ${inMonth(day, MONTHS)}`;

/** "Tuesday 24 November 2026". */
export const dayTitleWithYear = (day: DayDate): string => `${dayTitle(day)} ${yearOf(day)}`;

/** How a link names a day: "14 January", with the year when it is not this one. */
export const dayInText = (day: DayDate, today: DayDate): string => withYear(inMonth(day, MONTHS), day, today);

/** With the year when it is not this one. */
const withYear = (words: string, day: DayDate, today: DayDate): string =>
  day.slice(0, 4) === today.slice(0, 4) ? words : `${words} ${yearOf(day)}`;

/** A date as short as it stays clear seen from today: "today", "Thu", "2 Oct", "2 Oct 2024". */
export function nearDate(day: DayDate, today: DayDate): string {
  const distance = daysBetween(day, today);
  if (distance === 0) return 'today';
  if (distance === 1) return 'yesterday';
  if (distance > 1 && distance < 7) return weekdayShort(day);
  return withYear(inMonth(day, SHORT_MONTHS), day, today);
}
