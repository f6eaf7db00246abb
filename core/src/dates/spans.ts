import { addDays, addMonths, daysBetween, isDay, weekdayOf, weekOf, type DayDate } from '../calendar';
import { dayTyped } from './dates';
import { later, NUMBER, numberNamed, UNIT, WEEKDAY, weekdayNamed, type Reading } from './inWords';

/** Days from one to another, both among them; without an end where it is null. */
export interface OpenSpan {
  from: DayDate | null;
  to: DayDate | null;
}

/** What is said of the past by its months, the first letters of each. */
const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const MONTH =
  '(jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)';
/** Seasons, by the month each begins with. */
const SEASONS: Readonly<Record<string, number>> = { spring: 3, summer: 6, autumn: 9, fall: 9, winter: 12 };
const SEASON = `(${Object.keys(SEASONS).join('|')})`;

const two = (value: number): string => String(value).padStart(2, '0');

const monthSpan = (year: number, month: number, count = 1): OpenSpan => {
  const from = `${String(year).padStart(4, '0')}-${two(month)}-01`;
  return { from, to: addDays(addMonths(from, count), -1) };
};
const yearSpan = (year: number): OpenSpan => monthSpan(year, 1, 12);
const weekSpan = (day: DayDate, { weekBegins }: Reading): OpenSpan => {
  const from = weekOf(day, weekBegins);
  return { from, to: addDays(from, 6) };
};
const daySpan = (day: DayDate): OpenSpan => ({ from: day, to: day });

/** The newest time at which a month of this number had begun. */
function newest(month: number, { today }: Reading): number {
  const [year, present] = [Number(today.slice(0, 4)), Number(today.slice(5, 7))];
  return month <= present ? year : year - 1;
}

/** The span of a unit that a day is in. */
function unitSpan(unit: string, day: DayDate, reading: Reading): OpenSpan {
  if (unit.startsWith('week') || unit.startsWith('fortnight')) return weekSpan(day, reading);
  if (unit.startsWith('month')) return monthSpan(Number(day.slice(0, 4)), Number(day.slice(5, 7)));
  return unit.startsWith('year') ? yearSpan(Number(day.slice(0, 4))) : daySpan(day);
}

type Reader = (match: readonly (string | undefined)[], reading: Reading) => OpenSpan | null;

/** The ways in which days are said together, each with those that are meant; of what comes again, the newest. */
const WAYS: readonly (readonly [pattern: RegExp, read: Reader])[] = (
  [
    ['([1-9]\\d{3})', ([, year]) => yearSpan(Number(year))],
    ['([1-9]\\d{3})-(\\d{1,2})', ([, year, month]) => isMonth(month!) && monthSpan(Number(year), Number(month))],
    [
      `(?:in )?${MONTH}(?: (?:of )?([1-9]\\d{3}))?`,
      ([, name, year], reading) => {
        const month = MONTHS.indexOf(name!.slice(0, 3)) + 1;
        return monthSpan(year ? Number(year) : newest(month, reading), month);
      },
    ],
    [
      `(?:in )?(?:(last|this) )?${SEASON}(?: (?:of )?([1-9]\\d{3}))?`,
      ([, which, name, year], reading) => {
        const month = SEASONS[name!]!;
        if (year) return monthSpan(Number(year), month, 3);
        const present = monthSpan(newest(month, reading), month, 3);
        // Last spring is not the one that is.
        const isNow = reading.today <= present.to!;
        return which === 'last' && isNow ? monthSpan(newest(month, reading) - 1, month, 3) : present;
      },
    ],
    ['yesterday', (_match, { today }) => daySpan(addDays(today, -1))],
    [`this (week|month|year)`, ([, unit], reading) => unitSpan(unit!, reading.today, reading)],
    [`last (week|month|year)`, ([, unit], reading) => unitSpan(unit!, later(reading.today, -1, unit!), reading)],
    [
      `(?:the )?(?:last|past) (${NUMBER}) ${UNIT}`,
      ([, count, unit], { today }) => ({ from: addDays(later(today, -numberNamed(count!), unit!), 1), to: today }),
    ],
    [
      `(${NUMBER}) ${UNIT} ago`,
      ([, count, unit], reading) => unitSpan(unit!, later(reading.today, -numberNamed(count!), unit!), reading),
    ],
    [
      `(?:on )?(${WEEKDAY}|mon|tues?|wed|thu(?:rs?)?|fri|sat|sun)`,
      ([, name], { today }) => daySpan(addDays(today, -((weekdayOf(today) - weekdayNamed(name!) + 7) % 7))),
    ],
  ] as const satisfies readonly (readonly [string, (...of: Parameters<Reader>) => OpenSpan | null | false])[]
).map(([pattern, read]) => [new RegExp(`^${pattern}$`, 'iu'), (match, reading) => read(match, reading) || null]);

const isMonth = (month: string): boolean => Number(month) >= 1 && Number(month) <= 12;

/** One stretch of days, without what says before, after or about it. */
function stretch(words: string, reading: Reading): OpenSpan | null {
  for (const [pattern, read] of WAYS) {
    const match = pattern.exec(words);
    if (match)
      return read(
        [...match].map((part) => part?.toLowerCase()),
        reading,
      );
  }
  // “Before Monday” is no day, though a task may be due before it.
  const day = /^(?:before|by|due)\b/iu.test(words) ? null : dayTyped(words, reading);
  if (day === null) return null;
  // A date without a year is the newest, and not the next.
  const isYearless =
    day > reading.today && !/\d{4}/u.test(words) && /\d/u.test(words) && !/^in\b|from now|hence/iu.test(words);
  return daySpan(isYearless ? yearBefore(day) : day);
}

/** The same date a year earlier; the 28th where there is no 29th. */
function yearBefore(day: DayDate): DayDate {
  const earlier = `${String(Number(day.slice(0, 4)) - 1).padStart(4, '0')}${day.slice(4)}`;
  return isDay(earlier) ? earlier : earlier.replace(/29$/u, '28');
}

/** Wider by as much again on either side as it is long, and by three days at least, by a month at most. */
function widened({ from, to }: OpenSpan): OpenSpan {
  if (from === null || to === null) return { from, to };
  const more = Math.min(31, Math.max(3, Math.floor((daysBetween(from, to) + 1) / 2)));
  return { from: addDays(from, -more), to: addDays(to, more) };
}

type Ends = readonly [from: string | undefined, to: string | undefined];

/** What parts a beginning from an end: 2026-03..2026-05, between March and May, from Monday to Friday. */
const RANGES: readonly RegExp[] = [
  /^(.*?)\s*\.\.\s*(.*)$/u,
  /^between\s+(.+?)\s+and\s+(.+)$/iu,
  /^(?:from\s+)?(.+?)\s+(?:to|until|till)\s+(.+)$/iu,
];
const SINCE = /^(?:>=\s*|(?:since|from)\s+)(.+)$/iu;
const AFTER = /^(?:>\s*|after\s+)(.+)$/iu;
const UNTIL = /^(?:<=\s*|(?:until|till|up to)\s+)(.+)$/iu;
const BEFORE = /^(?:<\s*|before\s+)(.+)$/iu;
const ABOUT = /^(?:~\s*|(?:about|around|on or about)\s+)(.+)$/iu;

/**
 * The days that words name, of the past where they come again: “March” is the one that is or was last. Stretches,
 * their beginnings and ends, and what is about them; null when they name none.
 */
export function daysInWords(words: string, reading: Reading): OpenSpan | null {
  const plain = words.trim().replaceAll(/\s+/gu, ' ');
  const one = (pattern: RegExp, end: (span: OpenSpan) => OpenSpan): OpenSpan | null => {
    const match = pattern.exec(plain);
    const span = match && stretch(match[1]!, reading);
    return span && end(span);
  };
  const ended =
    one(ABOUT, widened) ??
    one(SINCE, ({ from }) => ({ from, to: null })) ??
    one(AFTER, ({ to }) => ({ from: to && addDays(to, 1), to: null })) ??
    one(UNTIL, ({ to }) => ({ from: null, to })) ??
    one(BEFORE, ({ from }) => ({ from: null, to: from && addDays(from, -1) }));
  const whole = ended ?? stretch(plain, reading);
  if (whole) return whole;
  for (const range of RANGES) {
    const match = range.exec(plain);
    if (match) return between([match[1], match[2]], reading);
  }
  return null;
}

/** From the first day of one stretch to the last of another; an end that is not said is open. */
function between([from, to]: Ends, reading: Reading): OpenSpan | null {
  const [begins, ends] = [from ? stretch(from, reading) : undefined, to ? stretch(to, reading) : undefined];
  if (begins === null || ends === null || (!begins && !ends)) return null;
  const span = { from: begins?.from ?? null, to: ends?.to ?? null };
  if (span.from === null || span.to === null || span.from <= span.to) return span;
  // Between November and February: the one before.
  const isYearless = !/\d{4}/u.test(from!);
  return isYearless && begins ? { from: yearBefore(span.from), to: span.to } : { from: ends!.from, to: begins!.to };
}
