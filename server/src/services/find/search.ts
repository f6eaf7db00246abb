import {
  countOf,
  fitting,
  HOW,
  joinedFit,
  wantedWords,
  worthOf,
  type Fit,
  type How,
  type Remark,
  type Vocabulary,
  type Wanted,
  type WantedWord,
} from '@glossarion/core/find';
import type { AskedFilter } from '@glossarion/core/find/query';
import type { Target } from '@glossarion/core/links';
import { indexedWords, spacedWords } from '@glossarion/core/words';
import type { Step, ViewerConnection } from '../../access';
import { FOUND, type FindOrder } from '../../entities/find.queries';
import { entryTitle, type EntryReader } from '../entries';
import type { Condition } from './filters';
import { fittingLines, NO_LINES, type FittingLines } from './lines';
import type { LinesToFind } from './linesToFind';
import { whereAcrossFiles, whereOf } from './where';

/** How many pages are looked at for the best. */
export const CONSIDERED = 60;
/** So many more than are shown where one word is looked for, of which some may be in the bin. */
const SPARE = 10;
/** Words of fewer letters, and those that more lines hold, are looked for in titles, and in texts only to fill up. */
const SHORT = 3;
const COMMON = 3_000;
/** So many titles are enough then. */
const ENOUGH = 24;
/** A day in milliseconds. */
const DAY = 86_400_000;

/** A row that holds what is looked for. */
export interface FoundRow extends Step {
  changedAt: string;
  fit: number;
  /** Whether it is found by what is written in its files; 1 too where that is not known. */
  inFiles: number;
  visitedAt: string | null;
  /** Other names, a line each. */
  names: string | null;
}

/** A query as it is asked: what is looked for, and what its filters come to. */
export interface Query {
  wanted: Wanted;
  conditions: ReadonlyMap<AskedFilter, Condition>;
  remarks: Remark[];
  vocabulary: Vocabulary;
  /** Whether anything is written in files. */
  hasFiles: boolean;
  /** How what is only known to be in a file is held at worst. */
  inFiles: How;
}

/** A page that was found, before it is known how it is shown. */
export interface Ranked {
  row: FoundRow;
  target: Target;
  lines: FittingLines;
  /** More is better. */
  worth: number;
}

export function rowsOf(
  connection: ViewerConnection,
  query: Query,
  by: FindOrder,
  limit: number,
  { within = '', isBinToo = isBinAsked(query) }: { within?: string; isBinToo?: boolean } = {},
): FoundRow[] {
  const { wanted, conditions, hasFiles, vocabulary } = query;
  const isOften = (word: WantedWord) => isCommon(word, vocabulary);
  const { match, condition, values, hasWordsBeside } = whereOf(wanted, conditions, hasFiles, isOften);
  const there = isBinToo ? condition : `${condition} AND e.deletedAt IS NULL`;
  if (match === null) return connection.all<FoundRow>(FOUND('changed', there), { ...values, limit });
  const asked = { ...values, match: within ? `${within} : ${match}` : match, limit };
  const rows = connection.all<FoundRow>(FOUND(by, there), asked);
  // A page may be found by its words and by what is in its files too.
  const have = new Map<string, FoundRow>();
  for (const row of rows) {
    const known = have.get(row.id);
    if (hasWordsBeside) row.inFiles = 1;
    if (known) known.inFiles = Math.max(known.inFiles, row.inFiles);
    else have.set(row.id, row);
  }
  const across = hasFiles && !within && have.size < limit ? whereAcrossFiles(wanted, conditions, isOften) : null;
  if (across) {
    const sought = isBinToo ? across.condition : `${across.condition} AND e.deletedAt IS NULL`;
    // Those that are found already may be among them.
    const asked = { ...across.values, match: across.match, limit: limit + have.size };
    for (const row of connection.all<FoundRow>(FOUND('inFiles', sought), asked)) {
      if (have.size < limit && !have.has(row.id)) have.set(row.id, row);
    }
  }
  return [...have.values()];
}

/** The ids of what was changed last. */
export const changedLast = (connection: ViewerConnection, limit: number): string[] =>
  connection.all<FoundRow>(FOUND('changed', 'e.deletedAt IS NULL'), { limit }).map(({ id }) => id);

/** Whether so many lines hold a word, or something that stands for it, that one says little more than another. */
const isCommon = ({ word, readings }: WantedWord, vocabulary: Vocabulary): boolean =>
  word.length < SHORT ||
  readings.some(({ terms: [term, ...more], isBeginning }) => {
    if (more.length > 0) return false;
    return isBeginning ? vocabulary.isBegunBy(term!, COMMON) : vocabulary.linesWith(term!) > COMMON;
  });

/** What may be the best of what a query finds. */
export interface Candidates {
  query: Query;
  words: readonly WantedWord[];
  /** Whether there are as many as are looked at. */
  isFull: boolean;
  rows: () => readonly FoundRow[];
}

/**
 * Rows that may be the best. All that there are, where they are few: how they rank is seen by their lines. Of what nearly
 * all texts hold those that are called so, then the newest. Of many no more is asked before they are asked for.
 *
 * @param limit how many are shown
 * @param isOfMany whether there is much of what is wider: then they are ranked without a look whether they are few
 */
export function candidates(connection: ViewerConnection, query: Query, limit: number, isOfMany = false): Candidates {
  const words = wantedWords(query.wanted);
  // Which line holds most is a question of several words.
  const most = words.length > 1 ? Math.max(CONSIDERED, 2 * limit) : limit + SPARE;
  const isOfCommon = words.every((word) => isCommon(word, query.vocabulary));
  if (isOfMany && !isOfCommon) {
    const ranked = rowsOf(connection, query, 'ranked', most + 1);
    return { query, words, isFull: ranked.length >= most, rows: () => ranked.slice(0, most) };
  }
  const newest = rowsOf(connection, query, 'newest', most + 1);
  const of = (isFull: boolean, rows: () => readonly FoundRow[]) => ({ query, words, isFull, rows });
  if (newest.length <= most || words.length === 0) return of(newest.length >= most, () => newest);
  return of(true, () => {
    if (!isOfCommon) return rowsOf(connection, query, 'ranked', most);
    const titled = rowsOf(connection, query, 'newest', most, { within: 'title' });
    if (titled.length >= ENOUGH) return titled;
    const have = new Set(titled.map(({ id }) => id));
    return [...titled, ...newest.filter(({ id }) => !have.has(id))];
  });
}

const isBinAsked = ({ conditions }: Query): boolean =>
  [...conditions.keys()].some(
    ({ field, value }) => field.toLowerCase() === 'in' && value.trim().toLowerCase() === 'bin',
  );

/** What rows are; nothing that stands in something that is in the bin, unless that is asked for. */
export function targetsOf(reader: EntryReader, query: Query, rows: readonly Step[], limit = Infinity): Target[] {
  reader.take(rows);
  const ids = rows.map(({ id }) => id);
  return isBinAsked(query) ? reader.targets(ids.slice(0, limit)) : reader.present(ids, limit);
}

/** The best of what may be, best first, at most so many. */
export function bestOf(
  connection: ViewerConnection,
  toFind: LinesToFind,
  reader: EntryReader,
  { query, words, rows: all }: Candidates,
  limit: number,
): Ranked[] {
  const rows = all();
  const closest = Math.min(...rows.map(({ fit }) => fit), -1e-9);
  const now = Date.now();
  const typed = words.map(({ word }) => word).join(' ');
  const fitOf = fitting(words);
  const linesIn = fittingLines(connection, toFind, words, tokensOf(query));
  // Long files are read of those alone that are shown.
  const linesOf = ({ id, kind }: FoundRow) => (kind === 'page' ? linesIn(id, false) : NO_LINES);
  const ordered = rows
    .map((row) => {
      const names = [entryTitle(row), ...(row.names?.split('\n') ?? [])];
      const title = fitOf(spacedWords(names.join('\n')));
      const lines = linesOf(row);
      const held = joinedFit([title, ...(lines.all ? [lines.all] : [])], HOW);
      const page = heldSomewhere(held, query, isInFiles(row, query));
      const worth = worthOf({
        title,
        line: lines.lines[0]?.fit ?? null,
        page,
        isNamedSo: typed !== '' && names.some((name) => indexedWords(name) === typed),
        relevance: row.fit / closest,
        days: Math.max(0, now - Math.max(Date.parse(row.changedAt), Date.parse(row.visitedAt ?? row.changedAt))) / DAY,
      });
      return { row, lines, worth };
    })
    .sort((one, other) => other.worth - one.worth);
  const byId = new Map(ordered.map((each) => [each.row.id, each]));
  const inOrder = [...byId.values()].map(({ row }) => row);
  return targetsOf(reader, query, inOrder, limit).map((target) => {
    const { row, lines, worth } = byId.get(target.id)!;
    return { row, target, lines, worth };
  });
}

/** Whether a row was found by what is written in files, or may have been. */
export const isInFiles = (row: FoundRow, { hasFiles }: Query): boolean => hasFiles && row.inFiles === 1;

/** The tokens of the tags and links by which pages are chosen. */
export const tokensOf = ({ conditions }: Query): ReadonlySet<string> =>
  new Set([...conditions.values()].flatMap(({ tokens = [] }) => tokens));

/**
 * What the index has of a page is held by what stands beside its lines, or by what is written in its files, where no line
 * and no title holds it.
 */
function heldSomewhere(fit: Fit, { wanted, inFiles }: Query, isFiled: boolean): Fit {
  const how = isFiled ? inFiles : 'named';
  if (wanted.is !== 'any') return fit.map((each) => each ?? how);
  return isFiled && countOf(fit) === 0 ? fit.with(0, how) : fit;
}
