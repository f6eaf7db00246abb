import { wordsIn } from '../words/words';

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

/** What else than itself a word stands for in the index. */
export type AlsoFound = (word: string, isBeginning: boolean) => readonly string[];

/** The query as an SQLite FTS5 expression: every word must be there, or what else it stands for. */
export function toMatch(query: FindQuery, alsoFound: AlsoFound = () => []): string {
  const anyOf = (term: string, others: readonly string[]): string =>
    others.length === 0 ? term : `(${[term, ...others.map(quoted)].join(' OR ')})`;
  const terms = query.words.map((word) => anyOf(quoted(word), alsoFound(word, false)));
  const { beginning } = query;
  if (beginning !== null) terms.push(anyOf(`${quoted(beginning)} *`, alsoFound(beginning, true)));
  return terms.join(' AND ');
}

/** How many letters the query has in all; very short ones are answered from titles first. */
export const queryLength = (query: FindQuery): number =>
  [...query.words, query.beginning ?? ''].reduce((sum, word) => sum + word.length, 0);
