import type { Reading } from '@glossarion/core/dates';
import { momentsOf } from '@glossarion/core/journal';
import {
  fitOf,
  HOW,
  joinedFit,
  markWords,
  slipsOf,
  wantedOf,
  wantedWords,
  worthOf,
  isWantedTogether,
  type Finding,
  type Fit,
  type Found,
  type FoundCounts,
  type KnownWords,
  type Remark,
  type Wanted,
  type WantedWord,
} from '@glossarion/core/find';
import { leavesOf, readQueryLine, type AskedFilter } from '@glossarion/core/find/query';
import { shownWords, type NodeJson } from '@glossarion/core/document';
import type { Target } from '@glossarion/core/links';
import { foldWords, indexedWords, wordsIn } from '@glossarion/core/words';
import type { Viewer, ViewerConnection } from '../../access';
import type { Database } from '../../database/database';
import { FOUND, type FindOrder } from '../../entities/find.queries';
import { WHOLE_LINES } from '../../entities/link.queries';
import type { Entries, EntryReader } from '../entries';
import type { Kinds } from '../kinds';
import { otherNamesOf } from '../otherNames';
import type { Tags } from '../tags';
import type { Zones } from '../zones';
import { countsOf } from './counts';
import type { Condition, FilterContext } from './filters';
import { knownWords } from './known';
import { fittingLines, type FittingLines } from './lines';
import { Names } from './names';
import { understand } from './understood';
import type { Vocabularies } from './vocabularies';
import { whereOf } from './where';

/** How many pages are shown at once, and how many are looked at for the best. */
const SHOWN = 24;
const CONSIDERED = 60;
/** Queries of fewer letters than this are answered from titles, and from texts only to fill up. */
const SHORT = 3;
/** With fewer pages than this, words that were mistyped are looked for too. */
const FEW = 6;
/** What is counted ends here. */
const COUNTED = 1_000;
/** How days in words are read where nobody has said it otherwise. */
const HABITS: Habits = { order: 'day first', weekBegins: 1 };
/** A day in milliseconds. */
const DAY = 86_400_000;

/** How somebody reads and writes days. */
export type Habits = Pick<Reading, 'order' | 'weekBegins'>;

/** A row that holds what is looked for. */
interface FoundRow {
  id: string;
  name: string;
  kind: string;
  changedAt: string;
  fit: number;
  visitedAt: string | null;
}

/** A query as it is asked: what is looked for, and what its filters come to. */
interface Query {
  wanted: Wanted;
  conditions: ReadonlyMap<AskedFilter, Condition>;
  remarks: Remark[];
}

/** A page that was found, before it is known how it is shown. */
interface Ranked {
  row: FoundRow;
  target: Target;
  lines: FittingLines;
  worth: number;
}

/** Finding by words, and by name. */
export class Find {
  readonly names: Names;

  constructor(
    private database: Database,
    private entries: Entries,
    private tags: Tags,
    private kinds: Kinds,
    private vocabularies: Vocabularies,
    private zones: Zones,
  ) {
    this.names = new Names(database, entries, kinds);
  }

  /** Pages, sections and notebooks whose name is like what was typed. */
  byName(viewer: Viewer, typed: string, limit: number): Promise<Target[]> {
    return this.names.byName(viewer, typed, limit);
  }

  /**
   * What a query line finds, best first.
   *
   * @param habits by which days in words are read
   */
  async find(viewer: Viewer, typed: string, limit = SHOWN, habits = HABITS): Promise<Found> {
    const nothing: Found = { findings: [], also: [], remarks: [], isMore: false };
    const connection = this.database.reading(viewer);
    const reader = this.entries.reader(viewer);
    const known = await this.known(viewer, connection);
    const query = await this.query(viewer, typed, known, habits);
    if (!query) return nothing;
    const ranked = search(connection, reader, query, limit + 1);
    if (ranked.length < FEW) {
      const have = new Set(ranked.map(({ target }) => target.id));
      query.wanted = withSlips(query.wanted, known, ranked.length === 0);
      const others = search(connection, reader, query, limit + 1);
      ranked.push(...others.filter(({ target }) => !have.has(target.id)));
    }
    const words = wantedWords(query.wanted);
    const findings = shown(connection, reader, ranked.slice(0, limit), words);
    return { findings, also: alsoIn(findings, words), remarks: query.remarks, isMore: ranked.length > limit };
  }

  /** How many pages a query line finds, and how many of them are in each notebook, of each kind, with each tag. */
  async counts(viewer: Viewer, typed: string, habits = HABITS): Promise<FoundCounts> {
    const connection = this.database.reading(viewer);
    const known = await this.known(viewer, connection);
    const query = await this.query(viewer, typed, known, habits);
    const asked = (each: Query) => rowsOf(connection, each, 'newest', COUNTED + 1);
    let rows = query ? asked(query) : [];
    if (query && rows.length < FEW) rows = asked({ ...query, wanted: withSlips(query.wanted, known, rows.length === 0) });
    const reader = this.entries.reader(viewer);
    const targets = targetsOf(reader, query, rows);
    return countsOf(
      this.database.manager,
      targets.slice(0, COUNTED),
      targets.length > COUNTED,
      this.tags.tree(connection),
      await this.kinds.tree(viewer),
    );
  }

  /** The ids of all that a query line finds in the bin or out of it, best first. */
  async idsOf(viewer: Viewer, typed: string, limit: number): Promise<string[] | null> {
    const connection = this.database.reading(viewer);
    const query = await this.query(viewer, typed, await this.known(viewer, connection), HABITS);
    return query && rowsOf(connection, query, 'ranked', limit).map(({ id }) => id);
  }

  private async known(viewer: Viewer, connection: ViewerConnection): Promise<KnownWords> {
    const kinds = await this.kinds.tree(viewer);
    return knownWords(connection, this.vocabularies, this.tags.tree(connection), kinds);
  }

  private async query(viewer: Viewer, typed: string, known: KnownWords, habits: Habits): Promise<Query | null> {
    const asked = readQueryLine(typed);
    if (asked === null) return null;
    const hasFilters = leavesOf(asked).some(({ is }) => is === 'filter');
    const understood = hasFilters
      ? understand(asked, await this.filterContext(viewer, habits))
      : { asked, conditions: new Map<AskedFilter, Condition>(), remarks: [] };
    const wanted = wantedOf(understood.asked, known);
    return wanted && { wanted, conditions: understood.conditions, remarks: understood.remarks };
  }

  private async filterContext(viewer: Viewer, habits: Habits): Promise<FilterContext> {
    const [index, zone] = [await this.names.namesOf(viewer), await this.zones.of(viewer)];
    const reader = this.entries.reader(viewer);
    return {
      tags: this.tags.tree(this.database.reading(viewer)),
      kinds: await this.kinds.tree(viewer),
      named: (name) => {
        const like = reader.targets(index.search(name, 24));
        const wanted = foldWords(name.trim());
        const exact = like.filter(({ title }) => foldWords(title) === wanted);
        return exact.length > 0 ? exact : like.filter(({ title }) => foldWords(title).startsWith(wanted)).slice(0, 1);
      },
      reading: { today: await this.zones.dayOf(viewer), ...habits },
      momentsOf: (day) => momentsOf(day, zone),
    };
  }

  /** Keeps the names in line with what was changed. */
  note(accountId: string, id: string): void {
    this.names.note(accountId, id);
  }

  forget(accountId: string): void {
    this.names.forget(accountId);
  }
}

/** A word that so many lines hold is what was meant. */
const USUAL = 2;

/**
 * The same with words that may have been meant, for those that are words and not said to be exact.
 *
 * @param isAny whether also in the place of words that the notes know well: where nothing holds all of them
 */
function withSlips(wanted: Wanted, known: KnownWords, isAny: boolean): Wanted {
  if (wanted.is === 'word') {
    if (wanted.word.includes(' ') || (!isAny && known.vocabulary.linesWith(wanted.word) >= USUAL)) return wanted;
    return { ...wanted, readings: [...wanted.readings, ...slipsOf(wanted.word, wanted.isBeginning, known)] };
  }
  return isWantedTogether(wanted) ? { ...wanted, parts: wanted.parts.map((part) => withSlips(part, known, isAny)) } : wanted;
}

function rowsOf(connection: ViewerConnection, query: Query, by: FindOrder, limit: number, within = ''): FoundRow[] {
  const { match, condition, values } = whereOf(query.wanted, query.conditions);
  if (match === null) return connection.all<FoundRow>(FOUND('changed', condition), { ...values, limit });
  const asked = { ...values, match: within ? `${within} : ${match}` : match, limit };
  return connection.all<FoundRow>(FOUND(by, condition), asked);
}

/** Rows that may be the best: of short queries those that are called so first, since they hold in too many texts. */
function candidates(connection: ViewerConnection, query: Query, words: readonly WantedWord[], limit: number): FoundRow[] {
  const letters = words.reduce((sum, { word }) => sum + word.length, 0);
  if (letters >= SHORT || words.length === 0) return rowsOf(connection, query, 'ranked', Math.max(CONSIDERED, 2 * limit));
  const titled = rowsOf(connection, query, 'newest', CONSIDERED, 'title');
  if (titled.length >= SHOWN) return titled;
  const have = new Set(titled.map(({ id }) => id));
  return [...titled, ...rowsOf(connection, query, 'newest', CONSIDERED).filter(({ id }) => !have.has(id))];
}

/** What rows are; nothing that is in the bin, unless that is asked for. */
function targetsOf(reader: EntryReader, query: Query | null, rows: readonly FoundRow[]): Target[] {
  const ids = rows.map(({ id }) => id);
  const isBinAsked = [...(query?.conditions.keys() ?? [])].some(({ value }) => value.toLowerCase() === 'bin');
  return isBinAsked ? reader.targets(ids) : reader.present(ids);
}

/** The pages that a query finds, best first, at most so many. */
function search(connection: ViewerConnection, reader: EntryReader, query: Query, limit: number): Ranked[] {
  const words = wantedWords(query.wanted);
  const rows = candidates(connection, query, words, limit);
  const targets = targetsOf(reader, query, rows);
  const byId = new Map(rows.map((row) => [row.id, row]));
  const best = Math.min(...rows.map(({ fit }) => fit), -1e-9);
  const now = Date.now();
  const typed = words.map(({ word }) => word).join(' ');
  const tokens = new Set([...query.conditions.values()].flatMap(({ tokens: own = [] }) => own));
  return targets
    .map((target): Ranked => {
      const row = byId.get(target.id)!;
      const names = [target.title, ...otherNamesOf(connection.raw, target.id)];
      const title = fitOf(names.join('\n'), new Set(), words);
      const lines = target.kind === 'page' ? fittingLines(connection, target.id, words, tokens) : { lines: [], all: null };
      const worth = worthOf({
        title,
        line: lines.lines[0]?.fit ?? null,
        page: heldSomewhere(joinedFit([title, ...(lines.all ? [lines.all] : [])], HOW), query.wanted),
        isNamedSo: typed !== '' && names.some((name) => indexedWords(name) === typed),
        relevance: row.fit / best,
        days: Math.max(0, now - Math.max(Date.parse(row.changedAt), Date.parse(row.visitedAt ?? row.changedAt))) / DAY,
      });
      return { row, target, lines, worth };
    })
    .sort((one, other) => other.worth - one.worth)
    .slice(0, limit);
}

/** What the index has of a page is held by what stands beside its lines, where no line and no title holds it. */
const heldSomewhere = (fit: Fit, wanted: Wanted): Fit =>
  wanted.is === 'any' ? fit : fit.map((how) => how ?? 'named');

/** Cells and lines that were broken, beside each other. */
const inOneLine = (words: string): string => words.trim().replaceAll(/\s*\n\s*/gu, ' · ');

/** What was found as it is shown. */
function shown(
  connection: ViewerConnection,
  reader: EntryReader,
  ranked: readonly Ranked[],
  words: readonly WantedWord[],
): Finding[] {
  const asked = ranked.flatMap(({ target, lines }) => lines.lines.map(({ id }) => [target.id, id]));
  const rows = connection.all<{ place: number; node: string }>(WHOLE_LINES, { asked: JSON.stringify(asked) });
  const titleOf = (linked: string) => reader.target(linked).title;
  const read = new Map(
    rows.map(({ place, node }) => [asked[place]![1]!, inOneLine(shownWords(JSON.parse(node) as NodeJson, titleOf))]),
  );
  return ranked.map(({ row, target, lines }) => ({
    ...target,
    titlePieces: markWords(target.title, words, 200),
    blockId: lines.lines[0]?.id ?? null,
    lines: lines.lines.map(({ id, file }) => ({
      blockId: id,
      pieces: markWords([read.get(id), file].filter(Boolean).join(' · '), words),
    })),
    changedAt: row.changedAt,
  }));
}

/** The most words that are said to have been taken for what was typed. */
const SAID = 6;

/** Words that are marked though they are not what was typed, as they are written. */
function alsoIn(findings: readonly Finding[], words: readonly WantedWord[]): string[] {
  const also = new Map<string, string>();
  const marked = findings.flatMap(({ titlePieces, lines }) => [...titlePieces, ...lines.flatMap(({ pieces }) => pieces)]);
  for (const { text, isMarked } of marked) {
    if (!isMarked || also.size >= SAID) continue;
    for (const { word } of wordsIn(text)) {
      const isTyped = words.some(({ word: typed, isBeginning, readings }) =>
        readings[0]!.terms.some((term) => (isBeginning ? word.startsWith(term) : word === term)) || typed === word,
      );
      if (!isTyped && !also.has(word)) also.set(word, text.toLowerCase());
    }
  }
  return [...also.values()];
}
