import { dayTitleWithYear, localDay, nearDate } from '@glossarion/core/journal';
import type { Atom } from '@glossarion/core/document';
import type { Field } from '@glossarion/core/kinds';
import { computed } from './computed';

/** A day in few words. */
const near = (day: string): string => {
  const words = nearDate(day, localDay(new Date()));
  return words[0]!.toUpperCase() + words.slice(1);
};

type Described = Pick<Field, 'type' | 'unit' | 'choices'>;

/** A day by its date, with the year and without the weekday; nothing for none. */
const dated = (day: string | null): string => (day ? dayTitleWithYear(day).replace(/^\S+ /u, '') : '');

/** Signs of money stand before the figures. */
const BEFORE = /^\p{Sc}$/u;

/** What a field holds as it reads on a page. */
export function shownAtom(atom: Atom, field: Described): string {
  const { FIELD_TYPES, shownAddress, spanOf } = computed();
  if (field.type === 'date') return near(String(atom));
  if (field.type === 'address') return shownAddress(String(atom));
  const span = field.type === 'span' ? spanOf(atom) : null;
  if (span) {
    if (span.from === span.to) return near(span.from!);
    return `${dated(span.from)} – ${dated(span.to)}`.trim();
  }
  if (field.type === 'number' && typeof atom === 'number') {
    const figures = atom.toLocaleString(undefined, {
      maximumFractionDigits: 20,
      useGrouping: Math.abs(atom) >= 10_000,
    });
    if (BEFORE.test(field.unit)) return `${field.unit}${figures}`;
    return field.unit ? `${figures} ${field.unit}` : figures;
  }
  return FIELD_TYPES[field.type].words!(atom, field);
}

/** What a field holds as one would type it. */
export function typedAtom(atom: Atom, field: Described): string {
  const { FIELD_TYPES, shownAddress, spanOf } = computed();
  if (field.type === 'number') return String(atom);
  if (field.type === 'address') return shownAddress(String(atom));
  if (field.type === 'date') return dated(String(atom));
  const span = field.type === 'span' ? spanOf(atom) : null;
  if (!span) return FIELD_TYPES[field.type].words!(atom, field);
  return span.from === span.to ? dated(span.from) : `${dated(span.from)} – ${dated(span.to)}`.trim();
}

/** What may be typed in a field of each type that is typed. */
export const TYPED_HINTS: Partial<Record<Field['type'], string>> = {
  date: 'a day: 3 March, tomorrow, next Tuesday',
  span: 'two days: 3 – 9 March, since May',
  number: 'a number',
  address: 'a web or mail address, a telephone number',
};

/** What is said when what was typed can't be read. */
export const UNREAD: Partial<Record<Field['type'], string>> = {
  date: 'This can’t be read as a day. “3 March”, “tomorrow” and “2026-03-09” can.',
  span: 'This can’t be read as two days. “3 – 9 March” and “since 1 May” can.',
  number: 'This can’t be read as a number.',
  address: 'This can’t be read as an address on the web, a mail address or a telephone number.',
};
