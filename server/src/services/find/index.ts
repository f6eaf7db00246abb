import type { Reading } from '@glossarion/core/dates';
import { momentsOf } from '@glossarion/core/journal';
import {
  isWantedTogether,
  slipsOf,
  wantedOf,
  wantedWords,
  type Found,
  type FoundCounts,
  type KnownWords,
  type SavedSearch,
  type Wanted,
} from '@glossarion/core/find';
import { leavesOf, readQueryLine, type AskedFilter } from '@glossarion/core/find/query';
import type { Target } from '@glossarion/core/links';
import { foldWords } from '@glossarion/core/words';
import { ownedBy, type Viewer, type ViewerConnection } from '../../access';
import type { Database } from '../../database/database';
import { SavedSearchEntity } from '../../entities';
import type { Entries } from '../entries';
import type { Kinds } from '../kinds';
import type { Tags } from '../tags';
import type { Zones } from '../zones';
import { countsOf } from './counts';
import type { Condition, FilterContext } from './filters';
import { knownWords } from './known';
import { Names } from './names';
import { rowsOf, search, targetsOf, type Query } from './search';
import { alsoIn, shown } from './shown';
import { understand } from './understood';
import type { Vocabularies } from './vocabularies';

/** How many pages are shown at once. */
const SHOWN = 24;
/** With fewer pages than this, words that were mistyped are looked for too. */
const FEW = 6;
/** What is counted ends here. */
const COUNTED = 1_000;
/** How days in words are read where nobody has said it otherwise. */
const HABITS: Habits = { order: 'day first', weekBegins: 1 };

/** How somebody reads and writes days. */
export type Habits = Pick<Reading, 'order' | 'weekBegins'>;

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
    if (query && rows.length < FEW)
      rows = asked({ ...query, wanted: withSlips(query.wanted, known, rows.length === 0) });
    const reader = this.entries.reader(viewer);
    const targets = query ? targetsOf(reader, query, rows) : [];
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

  /** The saved searches, in their order. */
  async saved(viewer: Viewer): Promise<SavedSearch[]> {
    const saved = await this.database.manager.find(SavedSearchEntity, { where: ownedBy(viewer), order: { orderKey: 'ASC' } });
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
  return isWantedTogether(wanted)
    ? { ...wanted, parts: wanted.parts.map((part) => withSlips(part, known, isAny)) }
    : wanted;
}
