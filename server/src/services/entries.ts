import { shownWords, type NodeJson } from '@glossarion/core/document';
import { linkState, type Target } from '@glossarion/core/links';
import { dayTitleWithYear, daysById } from '@glossarion/core/journal';
import type { TagTree } from '@glossarion/core/tags';
import {
  carriedSeason,
  outsideOf,
  shownTitle,
  type EntryInfo,
  type EntryKind,
  type Season,
  type TrailStep,
} from '@glossarion/core/outline';
import { sees, visibleEntry, type EntryRow, type Step, type Viewer, type ViewerConnection } from '../access';
import type { Database } from '../database/database';
import { BLOCK } from '../entities/block.queries';
import { ALL_BENEATH, LED, STEP, TOMBSTONE } from '../entities/entry.queries';
import { notFound } from '../problem';
import { KeptUntilStored } from './keptUntilStored';
import { otherNamesOf } from './otherNames';
import type { Tags } from './tags';

export type EntryPlace = Omit<Target, 'state' | 'kind'> & { isDeleted: boolean; kind: EntryKind };

/** A block, and the page it stands on. */
export interface BlockPlace {
  pageId: string;
  blockId: string;
  /** JSON. */
  node: string;
}

const BENEATH = ALL_BENEATH('e.id');

/** Days of so many accounts are kept by their ids. */
const ACCOUNTS_KEPT = 4;

/** So many entries are kept of an account in which others stand. */
const ABOVES_KEPT = 20_000;

/** What entries are and where they stand. */
export class Entries {
  /** The days of accounts by the ids of their pages; made when an id is met that nothing stored has. */
  private days = new Map<string, Map<string, string>>();
  private aboves: KeptUntilStored<Map<string, Above>>;

  constructor(
    private database: Database,
    private tags: Tags,
  ) {
    this.aboves = new KeptUntilStored(database, () => new Map());
  }

  /**
   * An entry, in the bin or not.
   *
   * @throws Problem (404) when it is not there, or not for this viewer
   */
  entry(viewer: Viewer, id: string): EntryRow {
    return visibleEntry(this.database.reading(viewer), id);
  }

  /** Whether there is such an entry for this viewer. */
  has(viewer: Viewer, id: string): boolean {
    return sees(this.database.reading(viewer), id);
  }

  /** Reads places and targets for one answer; `rows` are entries that were read already. */
  reader(viewer: Viewer, rows: readonly Step[] = []): EntryReader {
    const connection = this.database.reading(viewer);
    return new EntryReader(
      connection,
      (id) => this.dayOf(viewer, id),
      () => this.tags.tree(connection),
      rows,
      this.abovesFor(viewer),
    );
  }

  /** What is known of that in which entries stand; what was granted may be taken back, and what comes in is not there yet. */
  private abovesFor(viewer: Viewer): Map<string, Above> {
    if (viewer.hasGrants || this.database.importing.size > 0) return new Map();
    const aboves = this.aboves.of(viewer);
    if (aboves.size > ABOVES_KEPT) aboves.clear();
    return aboves;
  }

  /** All that is known of an entry. */
  info(viewer: Viewer, id: string): EntryInfo {
    const entry = this.entry(viewer, id);
    const { row: _row, orderKey: _key, firstWords: _words, deletedAt: _at, season: ownSeason, ...known } = entry;
    const { pageId: _self, ...place } = this.reader(viewer).place(id);
    const names = otherNamesOf(this.database.reader, id);
    return { ...known, names, ownSeason, ...place };
  }

  /** What links show of these ids, whether they name entries or blocks. Unknown ids are gone. */
  targets(viewer: Viewer, ids: readonly string[]): Target[] {
    return this.reader(viewer).targets(ids);
  }

  /** The block an id names, now or formerly. */
  block(viewer: Viewer, id: string): BlockPlace | undefined {
    return blockOf(this.database.reading(viewer), id);
  }

  /** The day whose page has this id, stored or not; null when it is no day's. */
  dayOf({ accountId }: Viewer, id: string): string | null {
    // Ids that are drawn are of another version than those that are computed.
    if (id[14] !== '5') return null;
    let days = this.days.get(accountId);
    if (!days) {
      days = daysById(accountId);
      if (this.days.size >= ACCOUNTS_KEPT) this.days.delete(this.days.keys().next().value!);
      this.days.set(accountId, days);
    }
    return days.get(id) ?? null;
  }
}

/** What the entries that one stands in give it. */
interface Above {
  top: Step | null;
  season: Season;
  trail: TrailStep[];
  isDeleted: boolean;
}

const UPPERMOST: Above = { top: null, season: 'now', trail: [], isDeleted: false };

/** Reads places and targets for one answer: what many stand in is read once. */
export class EntryReader {
  private steps: Map<string, Step | undefined>;
  private knownTags: TagTree | undefined;

  constructor(
    private connection: ViewerConnection,
    private dayOf: (id: string) => string | null,
    private readTags: () => TagTree,
    rows: readonly Step[],
    /** By the entry that others stand in, what it gives them. */
    private aboves: Map<string, Above>,
  ) {
    this.steps = new Map(rows.map((row) => [row.id, row]));
  }

  /** Takes in entries that were read already. */
  take(rows: readonly Step[]): void {
    for (const row of rows) if (!this.steps.has(row.id)) this.steps.set(row.id, row);
  }

  private step(id: string): Step | undefined {
    if (this.steps.has(id)) return this.steps.get(id);
    const step = this.connection.first<Step>(STEP, { id });
    this.steps.set(id, step);
    return step;
  }

  private get tags(): TagTree {
    return (this.knownTags ??= this.readTags());
  }

  /** From the notebook down to the entry itself; from the uppermost that the viewer may see. */
  line(id: string): Step[] {
    const line: Step[] = [];
    const walked = new Set<string>();
    const above = (step: Step) => (step.parentId === null ? undefined : this.step(step.parentId));
    for (let step = this.step(id); step && !walked.has(step.id); step = above(step)) {
      walked.add(step.id);
      line.unshift(step);
    }
    return line;
  }

  /** Whether an entry is a jotting, which stands in the Tray. */
  isJotting(id: string): boolean {
    const step = this.step(id);
    return step !== undefined && step.jotting !== null;
  }

  /** The ids of all that stands in an entry, at any depth; nothing that is in the bin. */
  beneath(id: string): string[] {
    const beneath = this.connection.all<{ id: string }>(BENEATH, { id });
    return beneath.map((row) => row.id).filter((each) => each !== id);
  }

  /**
   * Where an entry stands, what it is called, and whether it or anything above it is in the bin.
   *
   * @throws Problem (404) when it is not there, or not for this viewer
   */
  place(id: string): EntryPlace {
    const self = this.step(id);
    if (!self) throw notFound();
    const above = this.above(self);
    return {
      id,
      kind: self.kind,
      pageId: id,
      title: entryTitle(self),
      season: carriedSeason([above.season, self.season ?? 'now']),
      trail: above.trail,
      pigment: above.top === null ? self.pigment : above.top.pigment,
      day: self.day,
      standsIn: outsideOf(self),
      isDeleted: above.isDeleted || self.deletedAt !== null,
    };
  }

  /** What an entry has from those it stands in, which many share. */
  private above({ parentId }: Step): Above {
    if (parentId === null) return UPPERMOST;
    let above = this.aboves.get(parentId);
    if (!above) {
      const line = this.line(parentId);
      above = {
        top: line[0] ?? null,
        season: carriedSeason(line.map((step) => step.season ?? 'now')),
        trail: line.map((step) => ({ id: step.id, kind: step.kind, name: entryTitle(step) })),
        isDeleted: line.some((step) => step.deletedAt !== null),
      };
      this.aboves.set(parentId, above);
    }
    return above;
  }

  targets(ids: readonly string[]): Target[] {
    return ids.map((id) => this.target(id));
  }

  /** Those of these ids that are there and not in the bin, at most `limit`. */
  present(ids: Iterable<string>, limit = Infinity): Target[] {
    const found: Target[] = [];
    for (const id of ids) {
      if (found.length >= limit) break;
      const target = this.target(id);
      if (target.state !== 'binned' && target.state !== 'gone') found.push(target);
    }
    return found;
  }

  /** What a link to this id, or a tag of it, shows. */
  target(id: string): Target {
    const tag = this.tags.present(id);
    if (tag) {
      const state = this.tags.isGone(id) ? 'binned' : 'written';
      return { ...NOWHERE, id, pageId: tag.id, kind: 'tag', title: this.tags.nameOf(id)!, state, pigment: tag.pigment };
    }
    const entry = this.step(id);
    const survivor = entry?.mergedInto ? survivorOf(this.connection, id) : id;
    if (survivor !== id) return { ...this.target(survivor), id };
    if (entry) {
      const { isDeleted, ...place } = this.place(id);
      const { season } = place;
      return { ...place, state: linkState({ isDeleted, season, isEmpty: isUnwritten(entry), kind: entry.kind }) };
    }
    const block = blockOf(this.connection, id);
    if (block) {
      const { isDeleted, ...place } = this.place(block.pageId);
      const state = linkState({ isDeleted, season: place.season, isEmpty: false, kind: 'block' });
      const words = shownWords(JSON.parse(block.node) as NodeJson, (linked) => this.titleOfNamed(linked));
      return { ...place, id, kind: 'block', title: shownTitle(words, place.title), state };
    }
    const day = this.dayOf(id);
    if (day !== null) return unwrittenDay(id, day);
    const title = this.connection.first<{ title: string }>(TOMBSTONE, { id })?.title ?? '';
    return { ...NOWHERE, id, pageId: id, title };
  }

  /** What a link to this id, or a tag of it, is called. */
  title(id: string): string {
    if (this.tags.present(id)) return this.tags.nameOf(id)!;
    const entry = this.step(id);
    return entry && !entry.mergedInto ? entryTitle(entry) : this.target(id).title;
  }

  /** The ids of a tag and of what it stands beneath; undefined when it is no tag. */
  tagLine(id: string): string[] | undefined {
    return this.tags.get(id) && this.tags.line(id);
  }

  private titleOfNamed(id: string): string {
    const entry = this.step(id);
    return entry ? entryTitle(entry) : (this.tags.nameOf(id) ?? '');
  }
}

/** The block an id names, now or formerly. */
const blockOf = (connection: ViewerConnection, id: string): BlockPlace | undefined =>
  connection.first<BlockPlace>(BLOCK, { id });

/** The page that an id leads to: itself, or what it was merged into; itself too where that leads round. */
function survivorOf(connection: ViewerConnection, id: string): string {
  const led = connection.all<{ id: string; next: string | null }>(LED, { id });
  const last = led[led.length - 1];
  return last && last.next === null ? last.id : id;
}

const NOWHERE: Omit<Target, 'id' | 'pageId' | 'title'> = {
  kind: 'page',
  state: 'gone',
  season: 'now',
  trail: [],
  pigment: null,
  day: null,
  standsIn: null,
};

/** What a link shows of a day on which nothing was written yet. */
const unwrittenDay = (id: string, day: string): Target => ({
  ...NOWHERE,
  id,
  pageId: id,
  title: dayTitleWithYear(day),
  state: 'unwritten',
  day,
  standsIn: 'journal',
});

/** Whether a page has no text yet. */
export const isUnwritten = ({ wordCount, firstWords }: Pick<EntryRow, 'wordCount' | 'firstWords'>): boolean =>
  wordCount === 0 && firstWords === '';

export type TitledEntry = Pick<EntryRow, 'name' | 'firstWords' | 'day' | 'kind'>;

export const entryTitle = (entry: TitledEntry): string =>
  entry.day ? dayTitleWithYear(entry.day) : shownTitle(entry.name, entry.firstWords);
