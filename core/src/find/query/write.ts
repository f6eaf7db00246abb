import { isTogether, type Asked, type AskedFilter } from './asked';

/** What parts words of the line, or means something else than itself there. */
const PARTING = /[\p{Z}\t\n\v\f\r()"“”„«»]/u;

/**
 * A query as a line, from which it is read again as it is: filters first, so that a word that is being typed stays
 * the last.
 */
export function writeQueryLine(asked: Asked | null): string {
  if (asked === null) return '';
  const line = written(asked);
  return endsOpen(asked) ? line : `${line} `;
}

function written(asked: Asked): string {
  switch (asked.is) {
    case 'word':
      return asked.text;
    case 'phrase':
      return asked.isBeginning ? `"${escaped(asked.text)}` : quoted(asked.text);
    case 'filter':
      return writtenFilter(asked);
    case 'not':
      return `-${bracketed(asked.part)}`;
    case 'all':
      return asked.parts.map((part) => (part.is === 'any' ? inBrackets(part) : written(part))).join(' ');
    case 'any':
      return asked.parts.map(written).join(' OR ');
  }
}

/** What a minus stands before; before a bare figure it would be the figure's own. */
const bracketed = (asked: Asked): string =>
  isTogether(asked) || (asked.is === 'word' && /^\d/u.test(asked.text)) ? inBrackets(asked) : written(asked);

/** What is still being typed is not closed yet. */
const inBrackets = (asked: Asked): string => `(${written(asked)}${endsOpen(asked) ? '' : ')'}`;

/** A filter as it stands in a line, without what may follow it. */
export function writtenFilter({ field, value, isBeginning }: Omit<AskedFilter, 'is' | 'from' | 'to'>): string {
  const name = FIELD_NAME.test(field) ? field : quoted(field);
  if (value === '') return `${name}:`;
  if (!PARTING.test(value) && !value.startsWith('//')) return `${name}:${value}`;
  return isBeginning ? `${name}:"${escaped(value)}` : `${name}:${quoted(value)}`;
}

/** A name that needs no quotation marks before a colon, as the grammar has it. */
const FIELD_NAME = /^\p{L}[\p{L}\p{M}\p{N}_-]*$/u;

const escaped = (text: string): string => text.replaceAll(/["“”„«»\\]/gu, String.raw`\$&`);
const quoted = (text: string): string => `"${escaped(text)}"`;

/** Whether the last of it is still being typed. */
function endsOpen(asked: Asked): boolean {
  if (asked.is === 'not') return endsOpen(asked.part);
  if (isTogether(asked)) return endsOpen(asked.parts.at(-1)!);
  return asked.isBeginning;
}
