import { GB, casual } from 'chrono-node/en';
import { addDays, addMonths, daysInMonth, isDay, partsOf, weekdayOf, weekOf, type DayDate } from '../calendar';
import { FIGURES, MONTH_NAME } from './written';

/** Which comes first where a date is written in figures alone: some write the day first, some the month. */
export type DateOrder = 'day first' | 'month first';

/** From where and by whose habits a day in words is read. */
export interface Reading {
  /** The day it is, from which “tomorrow” is counted. */
  today: DayDate;
  order: DateOrder;
  /** The day a week begins with: 0 for Sunday. */
  weekBegins: number;
}

export const READERS = { 'day first': GB, 'month first': casual };

const NAMES = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'];
/** A day of the week as it is written; short, it begins with a capital: “the cat sat”. */
export const WEEKDAY =
  '(?:sunday|monday|tuesday|wednesday|thursday|friday|saturday|(?:Sun|Mon|Tues?|Wed|Thu(?:rs?)?|Fri|Sat)(?![\\p{L}]))';
/** The number of a day of the week in words: 0 for Sunday. */
export const weekdayNamed = (name: string): number => NAMES.indexOf(name.slice(0, 3).toLowerCase());

const NUMBERS = [
  ...['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'],
];
export const NUMBER = `(?:\\d{1,4}|an?|a couple of|${NUMBERS.join('|')})`;
/** A number in figures or words. */
export function numberNamed(name: string): number {
  if (/^\d/u.test(name)) return Number(name);
  if (name === 'a couple of') return 2;
  return Math.max(1, NUMBERS.indexOf(name) + 1);
}

/** The first of these days of the week after a day. */
const afterDay = (day: DayDate, weekday: number): DayDate => addDays(day, ((weekday - weekdayOf(day) + 6) % 7) + 1);

/** The day so many days, weeks, months or years later; earlier when negative. */
export function later(day: DayDate, count: number, unit: string): DayDate {
  if (unit.startsWith('day')) return addDays(day, count);
  if (unit.startsWith('week')) return addDays(day, count * 7);
  if (unit.startsWith('fortnight')) return addDays(day, count * 14);
  return addMonths(day, unit.startsWith('month') ? count : count * 12);
}

const firstOfMonth = (day: DayDate): DayDate => `${day.slice(0, 8)}01`;
const lastOfMonth = (day: DayDate): DayDate => {
  const [year, month] = partsOf(day);
  return `${day.slice(0, 8)}${daysInMonth(year, month)}`;
};

/** The first day after another that is so many'th of its month. */
function nextDate(today: DayDate, date: number): DayDate | null {
  for (let month = firstOfMonth(today); date >= 1 && date <= 31; month = addMonths(month, 1)) {
    const day = `${month.slice(0, 8)}${String(date).padStart(2, '0')}`;
    if (day > today && isDay(day)) return day;
  }
  return null;
}

/** The Saturday of the weekend that is, or comes. */
const saturday = (today: DayDate): DayDate => (weekdayOf(today) === 6 ? today : afterDay(today, 6));

type Reader = (match: RegExpExecArray, reading: Reading) => DayDate | null;

/** What days are counted by; the only group of the pattern. */
export const UNIT = '(days?|weeks?|fortnights?|months?|years?)';

/** The ways in which a day is said, each with the day that is meant. */
const WAYS: readonly (readonly [pattern: string, read: Reader])[] = [
  ['today', (_match, { today }) => today],
  ['tomorrow', (_match, { today }) => addDays(today, 1)],
  ['yesterday', (_match, { today }) => addDays(today, -1)],
  ['(?:the )?day after tomorrow', (_match, { today }) => addDays(today, 2)],
  ['(?:the )?day before yesterday', (_match, { today }) => addDays(today, -2)],
  [`(?:this )?(${WEEKDAY})`, ([, name], { today }) => afterDay(today, weekdayNamed(name!))],
  [
    `next (${WEEKDAY}|sun|mon|tues?|wed|thu(?:rs?)?|fri|sat)`,
    ([, name], { today, weekBegins }) => {
      const week = addDays(weekOf(today, weekBegins), 7);
      return addDays(week, (weekdayNamed(name!) - weekBegins + 7) % 7);
    },
  ],
  [
    `last (${WEEKDAY}|sun|mon|tues?|wed|thu(?:rs?)?|fri|sat)`,
    ([, name], { today }) =>
      addDays(afterDay(today, weekdayNamed(name!)), weekdayNamed(name!) === weekdayOf(today) ? -14 : -7),
  ],
  [`(${WEEKDAY}) week`, ([, name], { today }) => addDays(afterDay(today, weekdayNamed(name!)), 7)],
  [`a week on (${WEEKDAY})`, ([, name], { today }) => addDays(afterDay(today, weekdayNamed(name!)), 7)],
  ['(?:tomorrow week|a week tomorrow)', (_match, { today }) => addDays(today, 8)],
  ['next week', (_match, { today, weekBegins }) => addDays(weekOf(today, weekBegins), 7)],
  ['last week', (_match, { today, weekBegins }) => addDays(weekOf(today, weekBegins), -7)],
  ['next month', (_match, { today }) => addMonths(firstOfMonth(today), 1)],
  ['last month', (_match, { today }) => addMonths(firstOfMonth(today), -1)],
  ['next year', (_match, { today }) => `${addMonths(today, 12).slice(0, 4)}-01-01`],
  ['last year', (_match, { today }) => `${addMonths(today, -12).slice(0, 4)}-01-01`],
  [
    `in (${NUMBER}) ${UNIT}(?:[’']?s?[’']? time)?`,
    ([, count, unit], { today }) => later(today, numberNamed(count!), unit!),
  ],
  [
    `(${NUMBER}) ${UNIT} (?:from (?:now|today)|hence)`,
    ([, count, unit], { today }) => later(today, numberNamed(count!), unit!),
  ],
  [`(${NUMBER}) ${UNIT} ago`, ([, count, unit], { today }) => later(today, -numberNamed(count!), unit!)],
  ['(?:the|this) weekend', (_match, { today }) => (weekdayOf(today) === 0 ? today : saturday(today))],
  ['next weekend', (_match, { today }) => addDays(weekdayOf(today) === 0 ? addDays(today, -1) : saturday(today), 7)],
  ['(?:the )?end of (?:the |this )?month', (_match, { today }) => lastOfMonth(today)],
  ['(?:the )?end of next month', (_match, { today }) => lastOfMonth(addMonths(firstOfMonth(today), 1))],
  ['(?:the )?end of (?:the |this )?week', (_match, { today, weekBegins }) => addDays(weekOf(today, weekBegins), 6)],
  ['(?:the )?end of next week', (_match, { today, weekBegins }) => addDays(weekOf(today, weekBegins), 13)],
  ['(?:the )?end of (?:the |this )?year', (_match, { today }) => `${today.slice(0, 4)}-12-31`],
  ['the (\\d{1,2})(?:st|nd|rd|th)', ([, date], { today }) => nextDate(today, Number(date))],
];

/** Before a day: “on Friday”, “by the 3rd”. */
const BEFORE = '(?:(?:on|by|at|due|before) )?';

const compiled = WAYS.map(([pattern, read]) => [insensitive(pattern), read] as const);

/** Either case for all letters but the capitals that short names of weekdays begin with. */
function insensitive(pattern: string): RegExp {
  const either = `${BEFORE}${pattern}`.replace(/\\.|\p{L}/gu, (part) =>
    part.length === 1 && part === part.toLowerCase() ? `[${part}${part.toUpperCase()}]` : part,
  );
  return new RegExp(`^${either}$`, 'u');
}

/** The day that words name as a whole; null when they name none. Dates without a year are the next that come. */
export function dayInWords(words: string, reading: Reading): DayDate | null {
  const plain = words.trim().replace(/\s+/gu, ' ');
  return spokenDay(plain, reading) ?? calendarDate(plain, reading);
}

/** The same of days that are told by today alone: “next Tuesday”. */
export function spokenDay(words: string, reading: Reading): DayDate | null {
  for (const [pattern, read] of compiled) {
    const match = pattern.exec(words);
    if (match) return read(match, reading);
  }
  return null;
}

const LEADING = /^(?:on|by|at|due|before)\s+(?:the\s+)?(?=\S)|^the\s+(?=\d)/iu;

/** A date of the calendar: “3 March”, “March 3, 2028”, “2027-03-03”. */
function calendarDate(words: string, { today, order }: Reading): DayDate | null {
  const date = words.replace(LEADING, '');
  if (!/\d/u.test(date) || !(MONTH_NAME.test(date) || FIGURES.test(date))) return null;
  const [year, month, day] = partsOf(today);
  const [found] = READERS[order].parse(date, new Date(year, month - 1, day, 12), { forwardDate: true });
  if (!found || found.index !== 0 || found.text.length !== date.length) return null;
  const { start } = found;
  if (!start.isCertain('day') || !start.isCertain('month') || start.isCertain('hour') || found.end) return null;
  const two = (value: number) => String(value).padStart(2, '0');
  const text = `${String(start.get('year')).padStart(4, '0')}-${two(start.get('month')!)}-${two(start.get('day')!)}`;
  return isDay(text) ? text : null;
}
