import type { Reading } from '@glossarion/core/dates';
import { momentsOf } from '@glossarion/core/journal';
import {
  alsoIn,
  expectedTexts,
  expressionOf,
  wantedOf,
  wantedWords,
  withGuesses,
  type Found,
  type FoundCounts,
  type SavedSearch,
  type WantedWord,
  type Width,
} from '@glossarion/core/find';
import { leavesOf, readQueryLine, type Asked } from '@glossarion/core/find/query';
import type { Target } from '@glossarion/core/links';
import { foldWords } from '@glossarion/core/words';
import { ownedBy, type Viewer } from '../../access';
import type { Database } from '../../database/database';
import { SavedSearchEntity } from '../../entities';
import type { Entries } from '../entries';
import type { Kinds } from '../kinds';
import type { Tags } from '../tags';
import type { Zones } from '../zones';
import { countsOf } from './counts';
import type { FilterContext } from './filters';
import { KnownByAccount, type KnownNotes } from './known';
import { fittingLines } from './lines';
import type { LinesToFind } from './linesToFind';
import { Names } from './names';
import {
  bestOf,
  candidates,
  changedLast,
  isInFiles,
  CONSIDERED,
  rowsOf,
  targetsOf,
  tokensOf,
  type Candidates,
  type Query,
  type Ranked,
} from './search';
import { shown } from './shown';
import { understand, type Understood } from './understood';
import type { Vocabularies } from './vocabularies';

/** How many pages are shown at once. */
const SHOWN = 24;
/** With fewer pages than this, words that were mistyped are looked for too. */
const FEW = 6;
/** What is counted ends here. */
const COUNTED = 1_000;
/** How days in words are read where nobody has said it otherwise. */
const HABITS: Habits = { order: 'day first', weekBegins: 1 };

/** Pages that a query line finds. */
export interface Listed {
  found: { target: Target; changedAt: string; lines: () => string[] }[];
  remarks: string[];
  /** Whether there are more than were looked at. */
  isMore: boolean;
}

/** How somebody reads and writes days. */
export type Habits = Pick<Reading, 'order' | 'weekBegins'>;

/** Finding by words, and by name. */
export class Find {
  readonly names: Names;
  private known: KnownByAccount;

  constructor(
    private database: Database,
    private entries: Entries,
    private tags: Tags,
    private kinds: Kinds,
    vocabularies: Vocabularies,
    private lines: LinesToFind,
    private zones: Zones,
  ) {
    this.names = new Names(database, entries, kinds);
    this.known = new KnownByAccount(database, vocabularies, tags, kinds);
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
    const understood = await this.understood(viewer, typed, habits);
    const known = await this.known.of(viewer);
    const exact = understood && queryOf(understood, known, 'typed');
    if (!exact) return nothing;
    const all = queryOf(understood!, known, 'all')!;
    const asked = (query: Query, isOfMany = false) => candidates(connection, query, limit + 1, isOfMany);
    const passes = passesOf(exact, all, known.texts, asked);
    let ranked: Ranked[] = [];
    const take = (next: Candidates): void => {
      const more = bestOf(connection, this.lines, reader, next, limit + 1);
      const byId = new Map(ranked.map((each) => [each.target.id, each]));
      for (const each of more) {
        const before = byId.get(each.target.id);
        // In a file what was typed may stand, or what it may have been meant for: that is not looked at again.
        if (!before || !isInFiles(before.row, next.query) || before.worth < each.worth) byId.set(each.target.id, each);
      }
      ranked = [...byId.values()].sort((one, other) => other.worth - one.worth);
    };
    passes.forEach(take);
    let query = passes.some((pass) => pass.query === all) ? all : exact;
    const few = isSaid(ranked) ? 1 : FEW;
    for (const isAny of [false, true]) {
      if (ranked.length >= (isAny ? 1 : few)) continue;
      const next = { ...query, wanted: withGuesses(query.wanted, known, isAny), inFiles: 'slip' as const };
      if (isAlike(next, query)) continue;
      query = next;
      take(asked(next));
    }
    const words = wantedWords(query.wanted);
    const linesIn = fittingLines(connection, this.lines, words, tokensOf(query));
    const best = ranked
      .slice(0, limit)
      .map((each) => (isInFiles(each.row, query) ? { ...each, lines: linesIn(each.row.id, true) } : each));
    const findings = shown(connection, this.lines, reader, best, words);
    return { findings, also: alsoIn(findings, words), remarks: query.remarks, isMore: ranked.length > limit };
  }

  /** What stands for words: what Find takes for them too, slips where the notes hold little of a word. */
  async words(viewer: Viewer, typed: string): Promise<WantedWord[]> {
    const asked: Asked = { is: 'word', text: typed, isBeginning: !/\s$/u.test(typed), from: 0, to: typed.length };
    const known = await this.known.of(viewer);
    const query = queryOf({ asked, conditions: new Map(), remarks: [] }, known, 'all');
    return query ? wantedWords(withGuesses(query.wanted, known, false)) : [];
  }

  /**
   * How many pages a query line finds, and how many of them are in each notebook, of each kind, with each tag; of all that
   * there is when it asks for nothing.
   */
  async counts(viewer: Viewer, typed: string, habits = HABITS): Promise<FoundCounts> {
    const connection = this.database.reading(viewer);
    const known = await this.known.of(viewer);
    const understood = await this.understood(viewer, typed, habits);
    const query = understood && queryOf(understood, known, 'all');
    const reader = this.entries.reader(viewer);
    const asked = (each: Query) => targetsOf(reader, each, rowsOf(connection, each, 'newest', COUNTED + 1));
    let targets = query ? asked(query) : [];
    if (query && targets.length < FEW) {
      targets = asked({ ...query, wanted: withGuesses(query.wanted, known, targets.length === 0) });
    } else if (readQueryLine(typed) === null) targets = reader.present(changedLast(connection, COUNTED + 1));
    return countsOf(
      this.database.manager,
      targets.slice(0, COUNTED),
      targets.length > COUNTED,
      this.tags.tree(connection),
      await this.kinds.tree(viewer),
    );
  }

  /**
   * The pages that a query line finds, those that fit best first or those changed last, with their lines that fit.
   *
   * @param limit how many are looked at
   */
  async listed(
    viewer: Viewer,
    typed: string,
    { by, limit }: { by: 'ranked' | 'newest'; limit: number },
    habits = HABITS,
  ): Promise<Listed> {
    const understood = await this.understood(viewer, typed, habits);
    const connection = this.database.reading(viewer);
    const query = understood && queryOf(understood, await this.known.of(viewer), 'all');
    if (!query) return { found: [], remarks: [], isMore: false };
    const reader = this.entries.reader(viewer);
    const rows = rowsOf(connection, query, by, limit + 1);
    const targets = targetsOf(reader, query, rows.slice(0, limit));
    const changedAt = new Map(rows.map((row) => [row.id, row.changedAt]));
    const words = wantedWords(query.wanted);
    const linesIn = fittingLines(connection, this.lines, words, tokensOf(query));
    return {
      found: targets.map((target) => ({
        target,
        changedAt: changedAt.get(target.id)!,
        lines: () => linesIn(target.id).lines.map(({ id }) => id),
      })),
      remarks: query.remarks.map((remark) => remark.words),
      isMore: rows.length > limit,
    };
  }

  /** The ids of all that a query line finds in the bin or out of it, best first. */
  async idsOf(viewer: Viewer, typed: string, limit: number): Promise<string[] | null> {
    const connection = this.database.reading(viewer);
    const understood = await this.understood(viewer, typed, HABITS);
    const query = understood && queryOf(understood, await this.known.of(viewer), 'all');
    return query && rowsOf(connection, query, 'ranked', limit, { isBinToo: true }).map(({ id }) => id);
  }

  private async understood(viewer: Viewer, typed: string, habits: Habits): Promise<Understood | null> {
    const asked = readQueryLine(typed);
    if (asked === null) return null;
    const hasFilters = leavesOf(asked).some(({ is }) => is === 'filter');
    if (!hasFilters) return { asked, conditions: new Map(), remarks: [] };
    return understand(asked, await this.filterContext(viewer, habits));
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

  /** The saved searches, in their order. */
  async saved(viewer: Viewer): Promise<SavedSearch[]> {
    const saved = await this.database.manager.find(SavedSearchEntity, {
      where: ownedBy(viewer),
      order: { orderKey: 'ASC' },
    });
    return saved.map(({ id, name, line, orderKey }) => ({ id, name, line, orderKey }));
  }

  /** Keeps the names in line with what was changed. */
  note(accountId: string, id: string): void {
    this.names.note(accountId, id);
  }

  forget(accountId: string): void {
    this.names.forget(accountId);
  }
}

/**
 * What is asked for, in turn. What was typed comes before all that it stands for: where there is enough of it, no more is
 * looked for. Of several words together there is hardly enough, nor of all that stands for these: that is asked first, and is
 * mostly all.
 *
 * @param texts how many there are at most
 */
function passesOf(
  exact: Query,
  all: Query,
  texts: number,
  asked: (query: Query, isOfMany?: boolean) => Candidates,
): Candidates[] {
  if (isAlike(exact, all)) return [asked(exact)];
  const words = wantedWords(exact.wanted);
  if (exact.wanted.is !== 'all' || words.length < 2) {
    const typed = asked(exact);
    return typed.isFull ? [typed] : [typed, asked(all)];
  }
  const lines = words.map(({ word }) => exact.vocabulary.linesWith(word));
  const first = expectedTexts(lines, texts) > CONSIDERED ? asked(exact, true) : null;
  if (first?.isFull) return [first];
  const wide = asked(all);
  if (!wide.isFull) return [wide];
  const typed = first ?? asked(exact, true);
  return typed.isFull ? [typed] : [wide, typed];
}

/** Whether two queries ask the index for the same. */
const isAlike = (one: Query, other: Query): boolean => expressionOf(one.wanted) === expressionOf(other.wanted);

/** Whether a line holds several words just as they were typed: then none of them was mistyped. */
const isSaid = (ranked: readonly Ranked[]): boolean =>
  ranked.some(({ lines: { lines } }) => {
    const fit = lines[0]?.fit ?? [];
    return fit.length > 1 && fit.every((how) => how === 'exact');
  });

/** A query as it is asked; nothing when no word and no filter is left of it. */
function queryOf({ asked, conditions, remarks }: Understood, known: KnownNotes, width: Width): Query | null {
  const wanted = wantedOf(asked, known, width);
  const { vocabulary, hasFiles } = known;
  return wanted && { wanted, conditions, remarks, vocabulary, hasFiles, inFiles: width === 'typed' ? 'exact' : 'form' };
}
