import { shownWords, type NodeJson } from '@glossarion/core/document';
import { linkState, type Target } from '@glossarion/core/links';
import { dayTitleWithYear, daysById } from '@glossarion/core/journal';
import { carriedSeason, shownTitle, type EntryInfo, type EntryKind } from '@glossarion/core/outline';
import type { Database } from '../database/database';
import type { Entry } from '../entities';
import { notFound } from '../problem';

/** What is read of an entry to say what it is called and where it stands. */
export const STEP_COLUMNS =
  'e.id, e.parentId, e.kind, e.name, e.firstWords, e.wordCount, e.pigment, e.day, e.deletedAt, e.season, e.mergedInto';
const STEP = `SELECT ${STEP_COLUMNS} FROM entries e WHERE e.id = ? AND e.ownerId = ?`;

export type Step = Pick<
  Entry,
  | 'id'
  | 'parentId'
  | 'kind'
  | 'name'
  | 'firstWords'
  | 'wordCount'
  | 'pigment'
  | 'day'
  | 'deletedAt'
  | 'season'
  | 'mergedInto'
>;

/** Entries that one answer has met: what many stand in is read once. */
export type Met = Map<string, Step | undefined>;

export type EntryPlace = Omit<Target, 'state'> & { isDeleted: boolean; kind: EntryKind };

/** What entries are and where they stand. The one place where access to entries is decided. */
export class Entries {
  /** The days of accounts by the ids of their pages; made when an id is met that nothing stored has. */
  private days = new Map<string, Map<string, string>>();

  constructor(private database: Database) {}

  /** The entry, if it is this owner's; in the bin or not. */
  own(ownerId: string, id: string): Entry {
    const entry = this.database.first<Entry>('SELECT * FROM entries WHERE id = ? AND ownerId = ?', id, ownerId);
    if (!entry) throw notFound();
    return entry;
  }

  /** Whether this owner has such an entry. */
  has(ownerId: string, id: string): boolean {
    return this.database.first('SELECT 1 FROM entries WHERE id = ? AND ownerId = ?', id, ownerId) !== undefined;
  }

  private step(ownerId: string, id: string, met: Met): Step | undefined {
    if (met.has(id)) return met.get(id);
    const step = this.database.first<Step>(STEP, id, ownerId);
    met.set(id, step);
    return step;
  }

  /** From the notebook down to the entry itself. */
  line(ownerId: string, id: string, met: Met = new Map()): Step[] {
    const parentOf = (step: Step) => (step.parentId === null ? undefined : this.step(ownerId, step.parentId, met));
    const line: Step[] = [];
    const walked = new Set<string>();
    for (let step = this.step(ownerId, id, met); step && !walked.has(step.id); step = parentOf(step)) {
      walked.add(step.id);
      line.unshift(step);
    }
    return line;
  }

  /** Reads many places and targets for one answer; `rows` are entries that were read already. */
  reading(
    ownerId: string,
    rows: readonly Step[] = [],
  ): { place: (id: string) => EntryPlace; targets: (ids: readonly string[]) => Target[] } {
    const met: Met = new Map(rows.map((row) => [row.id, row]));
    return {
      place: (id) => this.place(ownerId, id, met),
      targets: (ids) => ids.map((id) => this.target(ownerId, id, met)),
    };
  }

  /** All that is known of an entry. */
  info(ownerId: string, id: string): EntryInfo {
    const { row: _row, ownerId: _owner, season: ownSeason, ...entry } = this.own(ownerId, id);
    return { ...entry, names: this.otherNames(ownerId, id), ownSeason, ...this.place(ownerId, id) };
  }

  /** Where an entry stands, what it is called, and whether it or anything above it is in the bin. */
  place(ownerId: string, id: string, met: Met = new Map()): EntryPlace {
    const line = this.line(ownerId, id, met);
    const self = line[line.length - 1];
    if (!self) throw notFound();
    return {
      id,
      kind: self.kind,
      pageId: id,
      title: entryTitle(self),
      season: carriedSeason(line.map((step) => step.season ?? 'now')),
      trail: line.slice(0, -1).map((step) => ({ id: step.id, kind: step.kind, name: entryTitle(step) })),
      pigment: line[0]!.pigment,
      day: self.day,
      isDeleted: line.some((step) => step.deletedAt !== null),
    };
  }

  /** What links show of these ids, whether they name entries or blocks. Unknown ids are gone. */
  targets(ownerId: string, ids: readonly string[]): Target[] {
    const met: Met = new Map();
    return ids.map((id) => this.target(ownerId, id, met));
  }

  private target(ownerId: string, id: string, met: Met): Target {
    const entry = this.step(ownerId, id, met);
    const survivor = entry?.mergedInto ? this.survivor(ownerId, id) : id;
    if (survivor !== id) return { ...this.target(ownerId, survivor, met), id };
    if (entry) {
      const { isDeleted, ...place } = this.place(ownerId, id, met);
      const { season } = place;
      const isEmpty = entry.wordCount === 0 && entry.firstWords === '';
      return { ...place, state: linkState({ isDeleted, season, isEmpty, kind: entry.kind }) };
    }
    const block = this.block(ownerId, id);
    if (block) {
      const { isDeleted, ...place } = this.place(ownerId, block.pageId, met);
      const state = linkState({ isDeleted, season: place.season, isEmpty: false, kind: 'block' });
      const titleOf = (linked: string) => {
        const entry = this.step(ownerId, linked, met);
        return entry ? entryTitle(entry) : '';
      };
      const words = shownWords(JSON.parse(block.node) as NodeJson, titleOf);
      return { ...place, id, kind: 'block', title: shownTitle(words, place.title), state };
    }
    const day = this.dayOf(ownerId, id);
    if (day !== null) return unwrittenDay(id, day);
    const tombstone = this.database.first<{ title: string }>(
      'SELECT title FROM tombstones WHERE id = ? AND ownerId = ?',
      id,
      ownerId,
    );
    return {
      id,
      kind: 'page',
      pageId: id,
      title: tombstone?.title ?? '',
      state: 'gone',
      season: 'now',
      trail: [],
      pigment: null,
      day: null,
    };
  }

  /** The other names of a page, in their order. */
  otherNames(ownerId: string, pageId: string): string[] {
    return this.database
      .all<{ name: string }>(
        `SELECT o.name FROM otherNames o JOIN entries e ON e.id = o.pageId
         WHERE o.pageId = ? AND e.ownerId = ? ORDER BY o.position`,
        pageId,
        ownerId,
      )
      .map(({ name }) => name);
  }

  allOtherNames(ownerId: string): Map<string, string[]> {
    const rows = this.database.all<{ pageId: string; name: string }>(
      `SELECT o.pageId, o.name FROM otherNames o JOIN entries e ON e.id = o.pageId
       WHERE e.ownerId = ? ORDER BY o.pageId, o.position`,
      ownerId,
    );
    const names = new Map<string, string[]>();
    for (const { pageId, name } of rows) names.set(pageId, [...(names.get(pageId) ?? []), name]);
    return names;
  }

  /** The page that an id leads to: itself, or what it was merged into; itself too where that leads round. */
  survivor(ownerId: string, id: string): string {
    let at = id;
    const met = new Set<string>();
    while (!met.has(at)) {
      met.add(at);
      const next = this.database.first<{ mergedInto: string | null }>(
        'SELECT mergedInto FROM entries WHERE id = ? AND ownerId = ?',
        at,
        ownerId,
      )?.mergedInto;
      if (!next) return at;
      at = next;
    }
    return id;
  }

  /** The day whose page has this id, stored or not; null when it is no day's. */
  dayOf(ownerId: string, id: string): string | null {
    // Ids that are drawn are of another version than those that are computed.
    if (id[14] !== '5') return null;
    let days = this.days.get(ownerId);
    if (!days) {
      days = daysById(ownerId);
      if (this.days.size >= 4) this.days.delete(this.days.keys().next().value!);
      this.days.set(ownerId, days);
    }
    return days.get(id) ?? null;
  }

  /** The block an id names, now or formerly. */
  block(ownerId: string, id: string): { pageId: string; blockId: string; node: string } | undefined {
    const find = (blockId: string) =>
      this.database.first<{ pageId: string; blockId: string; node: string }>(
        `SELECT b.pageId, b.id AS blockId, b.node FROM blocks b JOIN entries e ON e.id = b.pageId
         WHERE b.id = ? AND e.ownerId = ?`,
        blockId,
        ownerId,
      );
    const standing = find(id);
    if (standing) return standing;
    const former = this.database.first<{ blockId: string }>(
      `SELECT f.blockId FROM formerIds f JOIN entries e ON e.id = f.pageId WHERE f.formerId = ? AND e.ownerId = ?`,
      id,
      ownerId,
    );
    return former ? find(former.blockId) : undefined;
  }

  /** Targets of these ids that are there and not in the bin, at most `limit`. */
  living(ownerId: string, ids: readonly string[], limit = ids.length): Target[] {
    const met: Met = new Map();
    const found: Target[] = [];
    for (const id of ids) {
      if (found.length >= limit) break;
      const target = this.target(ownerId, id, met);
      if (target.state !== 'binned' && target.state !== 'gone') found.push(target);
    }
    return found;
  }
}

/** What a link shows of a day on which nothing was written yet. */
const unwrittenDay = (id: string, day: string): Target => ({
  id,
  kind: 'page',
  pageId: id,
  title: dayTitleWithYear(day),
  state: 'unwritten',
  season: 'now',
  trail: [],
  pigment: null,
  day,
});

export type TitledEntry = Pick<Entry, 'name' | 'firstWords' | 'day' | 'kind'>;

export const entryTitle = (entry: TitledEntry): string =>
  entry.day ? dayTitleWithYear(entry.day) : shownTitle(entry.name, entry.firstWords);
