import { isWantedTogether, type Wanted, type WantedWord } from './wanted';
import type { Reading } from './readings';

const quoted = (words: string): string => `"${words.replaceAll('"', '""')}"`;

const reading = ({ terms, isBeginning }: Reading): string => quoted(terms.join(' ')) + (isBeginning ? ' *' : '');

const word = ({ readings }: WantedWord): string => {
  const all = readings.map(reading);
  return all.length === 1 ? all[0]! : `(${all.join(' OR ')})`;
};

/**
 * What is looked for as an expression of SQLite's FTS5 (https://www.sqlite.org/fts5.html, 3.); null where that can't
 * say it: filters, and what only has to be missing.
 */
export function expressionOf(wanted: Wanted): string | null {
  if (wanted.is === 'word') return word(wanted);
  if (!isWantedTogether(wanted)) return null;
  if (wanted.is === 'any') {
    const parts = wanted.parts.map(expressionOf);
    return parts.includes(null) ? null : `(${parts.join(' OR ')})`;
  }
  const held: string[] = [];
  const missing: string[] = [];
  for (const part of wanted.parts) {
    const expression = expressionOf(part.is === 'not' ? part.part : part);
    if (expression === null) return null;
    (part.is === 'not' ? missing : held).push(expression);
  }
  if (held.length === 0) return null;
  // NOT stands between what is held and what is not: "a NOT b".
  return missing.length === 0 ? `(${held.join(' AND ')})` : `((${held.join(' AND ')}) NOT (${missing.join(' OR ')}))`;
}
