import { isDay, partsOf, type DayDate } from '../calendar';
import { dayInWords, READERS, spokenDay, type DateOrder, type Reading } from './inWords';
import { FIGURES, MONTH_NAME } from './written';

/** A place of a text that names a day. */
export interface DatePlace {
  /** In UTF-16 units of the text. */
  start: number;
  end: number;
  day: DayDate;
}

/** Texts without any of these name no day; most texts are such, and reading dates costs much more than this. */
const SIGN =
  /\d|\b(?:mon|tues|wednes|thurs|fri|satur|sun)day\b|\b(?:today|tonight|tomorrow|yesterday|week|fortnight|month|next|last)\b/iu;
/** What is read as time goes by, not as a day. */
const MOMENT = /^(?:now|this morning|this afternoon|this evening|last night|tonight|midnight|noon)$/iu;
/** Small words that are read along with a date and are none of it. */
const LEADING = /^(?:on|at|by|from|the|of|in the)\s+(?=\S)/iu;

const two = (value: number): string => String(value).padStart(2, '0');

/**
 * The days that a text names, in words or figures, as chrono reads them in English.
 *
 * @param reference the day the text was written on, from which “tomorrow” and dates without a year are counted; null
 *   when it is not known: then only dates with a year count
 * @param order which comes first in figures alone: 03/04/2027 is in April, or in March
 */
export function datesIn(text: string, reference: DayDate | null, order: DateOrder = 'day first'): DatePlace[] {
  if (!SIGN.test(text)) return [];
  const [year, month, day] = partsOf(reference ?? '2000-01-01');
  const places: DatePlace[] = [];
  for (const result of READERS[order].parse(text, new Date(year, month - 1, day, 12))) {
    const { start: found } = result;
    const leading = LEADING.exec(result.text)?.[0].length ?? 0;
    const words = result.text.slice(leading).trimEnd();
    const start = result.index + leading;
    const isOfDay = found.isCertain('day') || found.isCertain('weekday');
    if (!isOfDay || MOMENT.test(words)) continue;
    if (!/\p{L}/u.test(words) && !FIGURES.test(words)) continue;
    if (reference === null && !(found.isCertain('year') && (MONTH_NAME.test(words) || FIGURES.test(words)))) continue;
    const date = `${String(found.get('year')).padStart(4, '0')}-${two(found.get('month')!)}-${two(found.get('day')!)}`;
    if (isDay(date)) places.push({ start, end: start + words.length, day: date });
  }
  return places;
}

/** The day that what was typed is, whole; null when it is none. */
export function dayTyped(typed: string, reading: Reading): DayDate | null {
  const words = typed.trim();
  const inWords = dayInWords(words, reading);
  if (inWords !== null) return inWords;
  const [place] = datesIn(words, reading.today, reading.order);
  return place && place.start <= (LEADING.exec(words)?.[0].length ?? 0) && place.end === words.length
    ? place.day
    : null;
}

/** What a date ends with: most texts end otherwise, and are not read for one at every letter. */
const END_OF_DATE =
  /(?:\d|(?:mon|tues|wednes|thurs|fri|satur|sun)day|today|tomorrow|yesterday|days?|weeks?|months?|years?|ago|fortnight|january|february|march|april|may|june|july|august|september|october|november|december|jan|feb|mar|apr|jun|jul|aug|sept?|oct|nov|dec)$/iu;

/** The date that ends where the text ends, as one is just being written; null when none does. */
export function dateAtEnd(text: string, reading: Reading): DatePlace | null {
  const from = Math.max(0, text.length - 60);
  if (!END_OF_DATE.test(text.slice(-12))) return null;
  const last = datesIn(text.slice(from), reading.today, reading.order).at(-1);
  if (!last || from + last.end !== text.length) return null;
  const start = from + last.start;
  return { start, end: text.length, day: spokenDay(text.slice(start), reading) ?? last.day };
}
