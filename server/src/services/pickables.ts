import { outsideOf } from '@glossarion/core/outline';
import type { Pickable } from '@glossarion/core/pickables';
import type { Viewer, Step } from '../access';
import type { Database } from '../database/database';
import { ALL_STEPS, STEP } from '../entities/entry.queries';
import { entryTitle, isUnwritten } from './entries';
import type { Kinds } from './kinds';
import { allOtherNames, otherNamesOf } from './otherNames';

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
    private kinds: Kinds,
  ) {}

  note(accountId: string, id: string): void {
    const log = this.log(accountId);
    if (log.ids[log.ids.length - 1] !== id) log.ids.push(id);
    if (log.ids.length > KEPT) this.forget(accountId);
  }

  /** Much changed at once: everything is told anew. */
  forget(accountId: string): void {
    const { first, ids } = this.log(accountId);
    this.logs.set(accountId, { first: first + ids.length + 1, ids: [] });
  }

  async since(viewer: Viewer, revision: number | null): Promise<NameChanges> {
    const { first, ids } = this.log(viewer.accountId);
    const now = first + ids.length;
    if (revision === null || revision < first || revision > now) {
      return { revision: now, isWhole: true, entries: await this.all(viewer), gone: [] };
    }
    const changed = [...new Set(ids.slice(revision - first))];
    const connection = this.database.reading(viewer);
    const found: Pickable[] = [];
    for (const id of changed) {
      const row = connection.first<Step>(STEP, { id });
      if (!row) continue;
      found.push(pickable(row, otherNamesOf(this.database.reader, id), await this.kinds.namesOf(viewer, id)));
    }
    const present = new Set(found.map(({ id }) => id));
    return { revision: now, isWhole: false, entries: found, gone: changed.filter((id) => !present.has(id)) };
  }

  private async all(viewer: Viewer): Promise<Pickable[]> {
    const others = await allOtherNames(this.database, viewer);
    const kinds = await this.kinds.allNames(viewer);
    const rows = this.database.reading(viewer).all<Step>(ALL_STEPS);
    return rows.map((row) => pickable(row, others.get(row.id) ?? [], kinds.get(row.id) ?? []));
  }

  private log(accountId: string): { first: number; ids: string[] } {
    let log = this.logs.get(accountId);
    if (!log) this.logs.set(accountId, (log = { first: this.start, ids: [] }));
    return log;
  }
}

const pickable = (row: Step, names: string[], kinds: string[]): Pickable => ({
  id: row.id,
  kind: row.kind,
  parentId: row.parentId,
  title: entryTitle(row),
  names,
  kinds,
  day: row.day,
  standsIn: outsideOf(row),
  pigment: row.pigment,
  season: row.season,
  isDeleted: row.deletedAt !== null,
  isEmpty: isUnwritten(row),
});
