import type { Pickable } from '@glossarion/core/pickables';
import type { Database } from '../database/database';
import type { Entry } from '../entities';
import { entryTitle, type Entries } from './entries';

type Row = Pick<
  Entry,
  | 'id'
  | 'kind'
  | 'parentId'
  | 'name'
  | 'firstWords'
  | 'wordCount'
  | 'day'
  | 'pigment'
  | 'season'
  | 'deletedAt'
  | 'mergedInto'
>;

const COLUMNS = 'id, kind, parentId, name, firstWords, wordCount, day, pigment, season, deletedAt, mergedInto';
/** More changes than these are not told one by one. */
const KEPT = 2_000;

/** What changed of the names since a revision; all of them when that is not known any more. */
export interface NameChanges {
  revision: number;
  isWhole: boolean;
  entries: Pickable[];
  gone: string[];
}

/** Tells windows what links can lead to, so that they can choose among it by themselves. */
export class PickableNames {
  private logs = new Map<string, { first: number; ids: string[] }>();
  /** Revisions of another run of the server are none of this one's. */
  private readonly start = Date.now();

  constructor(
    private database: Database,
    private entries: Entries,
  ) {}

  note(ownerId: string, id: string): void {
    const log = this.log(ownerId);
    if (log.ids[log.ids.length - 1] !== id) log.ids.push(id);
    if (log.ids.length > KEPT) this.forget(ownerId);
  }

  /** Much changed at once: everything is told anew. */
  forget(ownerId: string): void {
    const { first, ids } = this.log(ownerId);
    this.logs.set(ownerId, { first: first + ids.length + 1, ids: [] });
  }

  since(ownerId: string, revision: number | null): NameChanges {
    const { first, ids } = this.log(ownerId);
    const now = first + ids.length;
    if (revision === null || revision < first || revision > now) {
      return { revision: now, isWhole: true, entries: this.all(ownerId), gone: [] };
    }
    const changed = [...new Set(ids.slice(revision - first))];
    const found = changed.flatMap((id) => {
      const row = this.database.first<Row>(`SELECT ${COLUMNS} FROM entries WHERE id = ? AND ownerId = ?`, id, ownerId);
      return row ? [pickable(row, this.entries.otherNames(ownerId, id))] : [];
    });
    const present = new Set(found.map(({ id }) => id));
    return { revision: now, isWhole: false, entries: found, gone: changed.filter((id) => !present.has(id)) };
  }

  private all(ownerId: string): Pickable[] {
    const others = this.entries.allOtherNames(ownerId);
    return this.database
      .all<Row>(`SELECT ${COLUMNS} FROM entries WHERE ownerId = ?`, ownerId)
      .map((row) => pickable(row, others.get(row.id) ?? []));
  }

  private log(ownerId: string): { first: number; ids: string[] } {
    let log = this.logs.get(ownerId);
    if (!log) this.logs.set(ownerId, (log = { first: this.start, ids: [] }));
    return log;
  }
}

const pickable = (row: Row, names: string[]): Pickable => ({
  id: row.id,
  kind: row.kind,
  parentId: row.parentId,
  title: entryTitle(row),
  names,
  day: row.day,
  pigment: row.pigment,
  season: row.season,
  isDeleted: row.deletedAt !== null,
  isEmpty: row.wordCount === 0 && row.firstWords === '',
});
