/** A calendar day as written in addresses and files: 2026-03-09. */
export type DayDate = string;

const DAY = /^(\d{4})-(\d{2})-(\d{2})$/u;

/** True for a day that is in the calendar. */
export function isDay(value: unknown): boolean {
  const parts = typeof value === 'string' ? DAY.exec(value) : null;
  if (!parts) return false;
  const [year, month, day] = [Number(parts[1]), Number(parts[2]), Number(parts[3])];
  const date = new Date(Date.UTC(year, month - 1, day));
  return date.getUTCFullYear() === year && date.getUTCMonth() === month - 1 && date.getUTCDate() === day;
}

/** The day it is where the person is. */
export function localDay(now: Date): DayDate {
  const two = (value: number) => String(value).padStart(2, '0');
  return `${String(now.getFullYear()).padStart(4, '0')}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}

/** The day a number of days later (earlier when negative). */
export function addDays(day: DayDate, days: number): DayDate {
  const date = new Date(`${day}T00:00:00Z`);
  date.setUTCDate(date.getUTCDate() + days);
  return date.toISOString().slice(0, 10);
}

/** Whole days from one day to another. */
export const daysBetween = (from: DayDate, to: DayDate): number =>
  Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / 86_400_000);

/** Milliseconds until the day turns over where the person is. */
export function untilMidnight(now: Date): number {
  return new Date(now.getFullYear(), now.getMonth(), now.getDate() + 1).getTime() - now.getTime();
}

/** The day of the week: 0 for Sunday. */
export const weekdayOf = (day: DayDate): number => new Date(`${day}T00:00:00Z`).getUTCDay();

/** The day a number of months later; the last of its month where that is shorter. */
export function addMonths(day: DayDate, months: number): DayDate {
  const [year, month, date] = partsOf(day);
  const first = new Date(Date.UTC(year, month - 1 + months, 1));
  const last = daysInMonth(first.getUTCFullYear(), first.getUTCMonth() + 1);
  first.setUTCDate(Math.min(date, last));
  return first.toISOString().slice(0, 10);
}

/** How many days a month has; 1 is January. */
export const daysInMonth = (year: number, month: number): number => new Date(Date.UTC(year, month, 0)).getUTCDate();

/** Year, month (1 for January) and day of the month. */
export const partsOf = (day: DayDate): [year: number, month: number, date: number] =>
  day.split('-').map(Number) as [number, number, number];

/** The first day of the week that a day is in; 0 is Sunday. */
export const weekOf = (day: DayDate, weekBegins: number): DayDate =>
  addDays(day, -((weekdayOf(day) - weekBegins + 7) % 7));

/** Whether a time zone is known by this name (IANA). */
export function isZone(zone: string): boolean {
  try {
    formatIn(zone);
    return true;
  } catch {
    return false;
  }
}

/** Making one takes much longer than using it. */
const formats = new Map<string, Intl.DateTimeFormat>();

function formatIn(timeZone: string): Intl.DateTimeFormat {
  let format = formats.get(timeZone);
  if (!format) {
    const parts = { year: 'numeric', month: '2-digit', day: '2-digit' } as const;
    format = new Intl.DateTimeFormat('en-u-ca-gregory-nu-latn', { timeZone, ...parts });
    formats.set(timeZone, format);
  }
  return format;
}

/** The day that a moment is in, somewhere on earth (an IANA time zone); in UTC where the zone is not known. */
export function dayAt(moment: Date, zone: string | null): DayDate {
  const parts = formatIn(zone ?? 'UTC').formatToParts(moment);
  const { year, month, day } = Object.fromEntries(parts.map(({ type, value }) => [type, value]));
  return `${year!.padStart(4, '0')}-${month}-${day}`;
}

/** The moments between which a day lies in a time zone, as ISO texts in UTC: from the first to before the second. */
export function momentsOf(day: DayDate, zone: string | null): [from: string, to: string] {
  return [midnightOf(day, zone), midnightOf(addDays(day, 1), zone)];
}

const HOUR = 3_600_000;

/** The first moment of a day: clocks change by whole quarters of an hour, and zones are at most 14 hours from UTC. */
function midnightOf(day: DayDate, zone: string | null): string {
  const there = Date.parse(`${day}T00:00:00Z`);
  let [before, after] = [there - 15 * HOUR, there + 15 * HOUR];
  while (after - before > HOUR / 60) {
    const middle = Math.floor((before + after) / 2);
    if (dayAt(new Date(middle), zone) < day) before = middle;
    else after = middle;
  }
  return new Date(Math.round(after / (HOUR / 60)) * (HOUR / 60)).toISOString();
}
