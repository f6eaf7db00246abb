import { In, IsNull, Not, type EntityManager } from 'typeorm';
import type { BinnedEntry, Breaks } from '@glossarion/core/bin';
import { ENTRY_COLUMNS, ownedBy, writableEntry, type EntryRow, type Viewer, type ViewerConnection } from '../access';
import type { Database } from '../database/database';
import { BlockEntity, EntryEntity, LinkEntity, TombstoneEntity, type StoredLink } from '../entities';
import { ALL_BENEATH, HOLDS_ANY } from '../entities/entry.queries';
import { Problem } from '../problem';
import type { Documents } from './documents';
import { entryTitle, type Entries } from './entries';
import type { FactWriter } from './facts';
import type { Find } from './find';

/** The bin shows at most so many. */
const LISTED = 200;
/** A limit that is none. */
const ALL = -1;
/** Rows that one statement names. */
const AT_ONCE = 500;

const BENEATH = ALL_BENEATH(ENTRY_COLUMNS);

const inLots = <T>(all: readonly T[]): T[][] =>
  Array.from({ length: Math.ceil(all.length / AT_ONCE) }, (_each, lot) =>
    all.slice(lot * AT_ONCE, (lot + 1) * AT_ONCE),
  );

/** What was deleted, until it is brought back or deleted for good. */
export class Bin {
  constructor(
    private database: Database,
    private entries: Entries,
    private documents: Documents,
    private facts: FactWriter,
    private find: Find,
  ) {}

  /** What was deleted, latest first; with words, everything in the bin that holds them, what went along included. */
  async list(viewer: Viewer, typed: string): Promise<BinnedEntry[]> {
    const deletedIds = await this.deletedIds(this.database.manager, viewer);
    if (deletedIds.length === 0) return [];
    const isListed = new Set(deletedIds);
    const ids = (await this.find.idsOf(viewer, typed, ALL)) ?? deletedIds;
    const reader = this.entries.reader(viewer);
    const found: BinnedEntry[] = [];
    for (const id of ids) {
      const line = reader.line(id);
      const deleted = line.findLast((step) => step.deletedAt !== null);
      if (!deleted || (line[line.length - 1]?.mergedInto && !isListed.has(id))) continue;
      const { kind, pagesBeneath, sectionsBeneath } = this.entries.entry(viewer, id);
      found.push({
        ...reader.target(id),
        kind,
        deletedAt: deleted.deletedAt!,
        pagesBeneath,
        sectionsBeneath,
        withId: deleted.id === id ? null : deleted.id,
        withTitle: deleted.id === id ? null : entryTitle(deleted),
      });
      if (found.length >= LISTED) break;
    }
    return found;
  }

  /** What was deleted by itself, latest first. */
  private async deletedIds(manager: EntityManager, viewer: Viewer): Promise<string[]> {
    const query = manager
      .createQueryBuilder(EntryEntity, 'e')
      .select('e.id', 'id')
      .where('e.deletedAt IS NOT NULL')
      // A page that was merged into another leads there, and is shown only when something stands in it again.
      .andWhere(`(e.mergedInto IS NULL OR e.wordCount > 0 OR e.firstWords != '' OR ${HOLDS_ANY})`)
      .orderBy('e.deletedAt', 'DESC');
    const rows = await this.database.reading(viewer).visible(query).getRawMany<{ id: string }>();
    return rows.map(({ id }) => id);
  }

  /** What would break if this were deleted for good: links from pages that stay to anything within. */
  async breaks(viewer: Viewer, id: string): Promise<Breaks> {
    const { doomed } = doomedBy(this.database.reading(viewer), id);
    const ids = doomed.map((entry) => entry.id);
    const doomedIds = new Set(ids);
    const counts = new Map<string, number>();
    for (const { documentId } of await linksTo(this.database.manager, ids)) {
      if (!doomedIds.has(documentId)) counts.set(documentId, (counts.get(documentId) ?? 0) + 1);
    }
    const from = this.entries
      .reader(viewer)
      .present(counts.keys())
      .map((page) => ({ page, links: counts.get(page.id)! }));
    return {
      pages: doomed.filter((entry) => entry.kind === 'page').length,
      sections: doomed.filter((entry) => entry.kind === 'section').length,
      links: from.reduce((sum, each) => sum + each.links, 0),
      from,
    };
  }

  /**
   * Deletes something in the bin for good, with what is beneath it. Links to it go on saying what it was called. What
   * stood in it and was deleted by itself before stays in the bin.
   */
  async purge(viewer: Viewer, id: string): Promise<void> {
    await this.database.write((manager) => this.purgeWithin(manager, viewer, id));
  }

  /** Deletes everything in the bin for good. */
  async empty(viewer: Viewer): Promise<number> {
    return this.database.write(async (manager) => {
      const ids = await this.deletedIds(manager, viewer);
      for (const id of ids) await this.purgeWithin(manager, viewer, id);
      return ids.length;
    });
  }

  private async purgeWithin(manager: EntityManager, viewer: Viewer, id: string): Promise<void> {
    const connection = this.database.writing(viewer);
    const { root, doomed } = doomedBy(connection, id);
    const buried = doomed.map((entry) => ({ id: entry.id, title: entryTitle(entry) }));
    await bury(manager, viewer, [...buried, ...(await linkedLines(manager, doomed))]);
    for (const lot of inLots(doomed)) {
      const held = In(lot.map((entry) => entry.id));
      await manager.update(EntryEntity, { parentId: held, deletedAt: Not(IsNull()) }, { parentId: root.parentId });
      // What was merged into it stands for itself again, and can be seen in the bin.
      await manager.update(EntryEntity, { mergedInto: held }, { mergedInto: null });
    }
    // What stands in something goes before it.
    for (const lot of inLots(doomed.toReversed())) {
      for (const entry of lot) this.facts.drop(entry);
      await manager.delete(EntryEntity, { id: In(lot.map((entry) => entry.id)) });
    }
    for (const entry of doomed) this.documents.forget(entry.id);
  }
}

/** Something in the bin, with all that would go with it: what holds others before them. */
function doomedBy(connection: ViewerConnection, id: string): { root: EntryRow; doomed: EntryRow[] } {
  const root = writableEntry(connection, id);
  if (root.deletedAt === null) throw new Problem(409, 'Only what is in the bin can be deleted for good.');
  return { root, doomed: connection.all<EntryRow>(BENEATH, { id }) };
}

/** The links to any of these entries, or to blocks of theirs. */
async function linksTo(manager: EntityManager, ids: readonly string[]): Promise<StoredLink[]> {
  const found: StoredLink[] = [];
  for (const lot of inLots(ids)) {
    const blocks = manager.createQueryBuilder(BlockEntity, 'b').select('b.id').where('b.documentId IN (:...lot)');
    const query = manager
      .createQueryBuilder(LinkEntity, 'l')
      .where(`l.target IN (:...lot) OR l.target IN (${blocks.getQuery()})`, { lot });
    found.push(...(await query.getMany()));
  }
  return found;
}

/** The lines of these entries that others link to, with their words. */
async function linkedLines(
  manager: EntityManager,
  doomed: readonly EntryRow[],
): Promise<{ id: string; title: string }[]> {
  const found: { id: string; title: string }[] = [];
  for (const lot of inLots(doomed.map(({ id }) => id))) {
    const linking = new Map<string, string[]>();
    for (const { target, documentId } of await linksTo(manager, lot)) {
      linking.set(target, [...(linking.get(target) ?? []), documentId]);
    }
    const blocks = await manager.find(BlockEntity, {
      select: { documentId: true, id: true, words: true },
      where: { documentId: In(lot), words: Not('') },
    });
    for (const { documentId, id, words } of blocks) {
      if (linking.get(id)?.some((each) => each !== documentId)) found.push({ id, title: words });
    }
  }
  return found;
}

/** Keeps what things were called that are deleted for good. */
async function bury(manager: EntityManager, viewer: Viewer, buried: { id: string; title: string }[]): Promise<void> {
  const goneAt = new Date().toISOString();
  for (const lot of inLots(buried)) {
    await manager.delete(TombstoneEntity, { id: In(lot.map(({ id }) => id)), ...ownedBy(viewer) });
    await manager
      .createQueryBuilder()
      .insert()
      .into(TombstoneEntity)
      .values(lot.map((each) => ({ ...each, ...ownedBy(viewer), goneAt })))
      .orIgnore()
      .execute();
  }
}
