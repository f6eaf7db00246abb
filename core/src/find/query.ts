import { wordsIn } from './words';

/** What somebody typed, taken apart. */
export interface FindQuery {
  /** Whole words, folded. */
  words: string[];
  /** The word still being typed, folded: anything that begins with it fits. */
  beginning: string | null;
}

export function parseQuery(typed: string): FindQuery {
  const words = wordsIn(typed).map((each) => each.word);
  const isFinished = /\s$/u.test(typed);
  const beginning = isFinished ? null : (words.pop() ?? null);
  return { words, beginning };
}

export const isEmptyQuery = (query: FindQuery): boolean => query.words.length === 0 && query.beginning === null;

const quoted = (word: string): string => `"${word.replaceAll('"', '""')}"`;

/** The query as an SQLite FTS5 expression: every word must be there. */
export function toMatch(query: FindQuery): string {
  const terms = query.words.map(quoted);
  if (query.beginning !== null) terms.push(`${quoted(query.beginning)} *`);
  return terms.join(' AND ');
}

/** How many letters the query has in all; very short ones are answered from titles first. */
export const queryLength = (query: FindQuery): number =>
  [...query.words, query.beginning ?? ''].reduce((sum, word) => sum + word.length, 0);
