import { isDay, type DayDate } from '../../calendar';
import { dayInWords, type Reading } from '../../dates/inWords';
import { withoutTime } from '../../dates/timeInWords';
import { repeatInWords } from './repeat';

/** When a task is to be done, as it was said. */
export interface When {
  day: DayDate;
  /** `09:30` */
  time: string | null;
  /** RFC 5545's rule. */
  repeat: string | null;
  isFromDone: boolean;
}

/** What was said at the end of a text, and where it begins, in UTF-16 units. */
export interface WhenPlace extends When {
  start: number;
}

const once = (day: DayDate, time: string | null): When => ({ day, time, repeat: null, isFromDone: false });

/** When words mean as a whole; null when they name no day. */
function whenSaid(words: string, reading: Reading): When | null {
  const day = dayInWords(words, reading);
  if (day) return once(day, null);
  const repeat = repeatInWords(words, reading);
  if (repeat) return { day: repeat.day, time: null, repeat: repeat.rule, isFromDone: repeat.isFromDone };
  const timed = withoutTime(words);
  const when = timed && timed.rest !== '' && !withoutTime(timed.rest) ? whenSaid(timed.rest, reading) : null;
  return when && { ...when, time: timed!.time };
}

/** No phrase has more words. */
const MOST_WORDS = 12;

/** What a phrase ends with: most texts end otherwise, and are not read for one at every letter. */
const END =
  /(?:\d|day|days|today|tomorrow|weeks?|weekends?|fortnights?|months?|years?|ly|noon|midnight|[ap]m|done|times|now|hence|time|st|nd|rd|th|\b(?:mon|tues?|wed|thu(?:rs?)?|fri|sat|sun|jan|feb|mar|apr|may|jun|jul|aug|sept?|oct|nov|dec)|january|february|march|april|june|july|august|september|october|november|december)$/iu;

/**
 * When a task is to be done, as the words at its end say; the longest are taken. Null when they name no day, or one that
 * has gone by.
 */
export function whenAtEnd(text: string, reading: Reading): WhenPlace | null {
  if (!END.test(text)) return null;
  const starts = [...text.matchAll(/\S+/gu)].map(({ index }) => index).slice(-MOST_WORDS);
  for (const start of starts) {
    // “Take the 8:15 tomorrow”
    if (/\b(?:the|an?)\s+$/iu.test(text.slice(0, start)) && /^\d/u.test(text.slice(start))) continue;
    const when = whenSaid(text.slice(start).replace(/\s+/gu, ' '), reading);
    if (when && when.day >= reading.today) return { start, ...when };
  }
  return null;
}

/** What is typed in a field for dates: figures without a year too, a bare day of the month, and days gone by. */
export function whenTyped(typed: string, reading: Reading): When | null {
  const words = typed.trim().replace(/\s+/gu, ' ');
  const { today, order } = reading;
  const figures = /^(\d{1,2})[/.](\d{1,2})\.?$/u.exec(words);
  if (figures) {
    const [month, date] = order === 'day first' ? [figures[2]!, figures[1]!] : [figures[1]!, figures[2]!];
    const inYear = (year: number) => `${year}-${month.padStart(2, '0')}-${date.padStart(2, '0')}`;
    const year = Number(today.slice(0, 4));
    // The next leap year is at most eight years away.
    const day = Array.from({ length: 9 }, (_each, index) => inYear(year + index)).find(
      (each) => isDay(each) && each >= today,
    );
    return day ? once(day, null) : null;
  }
  const bare = /^\d{1,2}$/u.test(words) ? dayInWords(`the ${words}th`, reading) : null;
  if (bare) return once(bare, null);
  const timed = withoutTime(words);
  if (timed?.rest === '') return once(today, timed.time);
  return whenSaid(words, reading);
}
