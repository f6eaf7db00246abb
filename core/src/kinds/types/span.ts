import { isDay, type DayDate } from '../../calendar';
import { dayTyped, type Reading } from '../../dates';
import type { FieldType } from './type';

/** A span of days, both of them within it; null where it is open. At least one of them is a day. */
export interface Span {
  from: DayDate | null;
  to: DayDate | null;
}

/** Where an end is not known, ISO 8601-2 writes two points. */
const OPEN = '..';

const isEnd = (written: string): boolean => written === OPEN || isDay(written);

/** A span as ISO 8601 writes it: “2026-03-01/2026-04-12”, “2026-03-01/..”. */
export const writtenSpan = ({ from, to }: Span): string => `${from ?? OPEN}/${to ?? OPEN}`;

/** The span that an atom writes; null when it is none. */
export function spanOf(atom: unknown): Span | null {
  if (typeof atom !== 'string') return null;
  const [from = '', to = '', ...rest] = atom.split('/');
  if (rest.length > 0 || !isEnd(from) || !isEnd(to) || (from === OPEN && to === OPEN)) return null;
  const span = { from: from === OPEN ? null : from, to: to === OPEN ? null : to };
  return span.from !== null && span.to !== null && span.to < span.from ? null : span;
}

/** Between the two days: a dash, or a word for it between spaces. */
const PARTED = /\s+(?:-|to|till|until)\s+|\s*[–—]\s*/u;
const SINCE = /^(?:since|from)\s+(?!.*(?:\s(?:-|to|till|until)\s|[–—]))(.+)$/iu;
const UNTIL = /^(?:until|till|to|by)\s+(.+)$/iu;
const BEGUN = /^from\s+/iu;

/** The day before the dash: a number alone takes its month from the day after it, as in “3 – 9 March”. */
function fromTyped(typed: string, to: DayDate, reading: Reading): DayDate | null {
  if (!/^\d{1,2}$/u.test(typed)) return dayTyped(typed, reading);
  const day = `${to.slice(0, 8)}${typed.padStart(2, '0')}`;
  return isDay(day) ? day : null;
}

/** The span that words mean; null when they mean none. A day alone is a span of that day. */
function spanTyped(words: string, reading: Reading): Span | null {
  const typed = words.trim();
  const day = (written: string) => dayTyped(written, reading);
  const since = SINCE.exec(typed)?.[1] ?? /^(.+?)\s*[–—-]$/u.exec(typed)?.[1];
  if (since) return { from: day(since), to: null };
  const until = UNTIL.exec(typed)?.[1] ?? /^[–—-]\s*(.+)$/u.exec(typed)?.[1];
  if (until) return { from: null, to: day(until) };
  const [first = '', last, ...rest] = typed.replace(BEGUN, '').split(PARTED);
  if (rest.length > 0) return null;
  const to = day(last ?? first);
  const from = to === null ? null : fromTyped(first, to, reading);
  return from === null || to === null ? null : { from, to };
}

export const span: FieldType = {
  label: 'From – to',
  part: 'atom',
  options: [],
  fits: (atom) => spanOf(atom) !== null,
  words: String,
  read(words, _asked, reading) {
    const typed = words.trim();
    if (spanOf(typed)) return typed;
    const read = spanTyped(typed, reading);
    const written = read && writtenSpan(read);
    return spanOf(written) && written;
  },
};
