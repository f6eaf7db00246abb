import type { BinnedEntry, Breaks } from '@glossarion/core/bin';
import { parseQuery, toMatch, isEmptyQuery } from '@glossarion/core/find';
import type { Database } from '../database/database';
import type { Entry } from '../entities';
import { notFound, Problem } from '../problem';
import type { Documents } from './documents';
import { entryTitle, type Entries, type Met } from './entries';

const SHOWN = 200;

/** Something with all that went along. CROSS JOIN keeps the order of the walk: what holds others comes first. */
const ALL_BENEATH = `
  WITH RECURSIVE down(id) AS (
    SELECT ?
    UNION
    SELECT e.id FROM entries e JOIN down ON e.parentId = down.id WHERE e.deletedAt IS NULL
  ) SELECT e.* FROM down CROSS JOIN entries e ON e.id = down.id`;

/** A page that was merged into another leads there, and is shown only when something stands in it again. */
const IS_SHOWN = `deletedAt IS NOT NULL AND (mergedInto IS NULL OR wordCount > 0 OR firstWords != ''
  OR EXISTS (SELECT 1 FROM entries held WHERE held.parentId = entries.id AND held.deletedAt IS NULL))`;

/** What was deleted, until it is brought back or deleted for good. */
export class Bin {
  constructor(
    private database: Database,
    private entries: Entries,
    private documents: Documents,
  ) {}

  /** What was deleted, latest first; with words, everything in the bin that holds them, what went along included. */
  list(ownerId: string, typed: string): BinnedEntry[] {
    const query = parseQuery(typed);
    const deletedIds = this.deletedIds(ownerId);
    if (deletedIds.length === 0) return [];
    const isShown = new Set(deletedIds);
    const ids = isEmptyQuery(query) ? deletedIds : this.matchingIds(ownerId, toMatch(query));
    const met: Met = new Map();
    const found: BinnedEntry[] = [];
    for (const id of ids) {
      const line = this.entries.line(ownerId, id, met);
      const deleted = line.findLast((step) => step.deletedAt !== null);
      if (!deleted || (line[line.length - 1]?.mergedInto && !isShown.has(id))) continue;
      const { kind, pagesBeneath, sectionsBeneath } = this.entries.own(ownerId, id);
      found.push({
        ...this.entries.targets(ownerId, [id])[0]!,
        kind,
        deletedAt: deleted.deletedAt!,
        pagesBeneath,
        sectionsBeneath,
        withId: deleted.id === id ? null : deleted.id,
        withTitle: deleted.id === id ? null : entryTitle(deleted),
      });
      if (found.length >= SHOWN) break;
    }
    return found;
  }

  private deletedIds(ownerId: string): string[] {
    return this.database
      .all<{ id: string }>(`SELECT id FROM entries WHERE ownerId = ? AND ${IS_SHOWN} ORDER BY deletedAt DESC`, ownerId)
      .map((row) => row.id);
  }

  private matchingIds(ownerId: string, match: string): string[] {
    return this.database
      .all<{ id: string }>(
        `SELECT e.id FROM findIndex f JOIN entries e ON e.row = f.rowid
         WHERE findIndex MATCH ? AND e.ownerId = ? ORDER BY rank`,
        match,
        ownerId,
      )
      .map((row) => row.id);
  }

  /** What would break if this were deleted for good: links from pages that stay to anything within. */
  breaks(ownerId: string, id: string): Breaks {
    const doomed = this.doomed(ownerId, id);
    const doomedIds = new Set(doomed.map((entry) => entry.id));
    const counts = new Map<string, number>();
    const count = (rows: { pageId: string; links: number }[]) => {
      for (const { pageId, links } of rows) {
        if (!doomedIds.has(pageId)) counts.set(pageId, (counts.get(pageId) ?? 0) + links);
      }
    };
    for (const { id: target } of doomed) {
      count(this.database.all('SELECT pageId, COUNT(*) AS links FROM links WHERE target = ? GROUP BY pageId', target));
      count(
        this.database.all(
          `SELECT l.pageId, COUNT(*) AS links FROM blocks b JOIN links l ON l.target = b.id
           WHERE b.pageId = ? GROUP BY l.pageId`,
          target,
        ),
      );
    }
    const from = this.entries
      .living(ownerId, [...counts.keys()])
      .map((page) => ({ page, links: counts.get(page.id)! }));
    return {
      pages: doomed.filter((entry) => entry.kind === 'page').length,
      sections: doomed.filter((entry) => entry.kind === 'section').length,
      links: from.reduce((sum, each) => sum + each.links, 0),
      from,
    };
  }

  private doomed(ownerId: string, id: string): Entry[] {
    const root = this.entries.own(ownerId, id);
    if (root.deletedAt === null) throw new Problem(409, 'Only what is in the bin can be deleted for good.');
    return this.database.all<Entry>(ALL_BENEATH, id);
  }

  /**
   * Deletes something in the bin for good, with what is beneath it. Links to it go on saying what it was called. What
   * stood in it and was deleted by itself before stays in the bin.
   */
  async purge(ownerId: string, id: string): Promise<void> {
    await this.database.write(() => this.purgeWithin(ownerId, id));
  }

  /** Deletes everything in the bin for good. */
  async empty(ownerId: string): Promise<number> {
    return this.database.write(() => {
      const ids = this.database.writer
        .prepare(`SELECT id FROM entries WHERE ownerId = ? AND ${IS_SHOWN}`)
        .all(ownerId) as { id: string }[];
      for (const { id } of ids) this.purgeWithin(ownerId, id);
      return ids.length;
    });
  }

  private purgeWithin(ownerId: string, id: string): void {
    const { writer } = this.database;
    const root = writer.prepare('SELECT * FROM entries WHERE id = ? AND ownerId = ?').get(id, ownerId) as
      Entry | undefined;
    if (!root) throw notFound();
    if (root.deletedAt === null) throw new Problem(409, 'Only what is in the bin can be deleted for good.');
    const doomed = writer.prepare(ALL_BENEATH).all(id) as Entry[];
    const bury = writer.prepare(
      `INSERT INTO tombstones (id, ownerId, title, goneAt) VALUES (?, ?, ?, ?) ON CONFLICT (id) DO UPDATE
       SET title = excluded.title, goneAt = excluded.goneAt WHERE ownerId = excluded.ownerId`,
    );
    // What was merged into it stands for itself again, and can be seen in the bin.
    const lead = writer.prepare('UPDATE entries SET mergedInto = NULL WHERE mergedInto = ?');
    const linkedBlocks = writer.prepare(
      `SELECT b.id, b.words FROM blocks b WHERE b.pageId = ? AND b.words != ''
       AND EXISTS (SELECT 1 FROM links l WHERE l.target = b.id AND l.pageId != b.pageId)`,
    );
    const shelter = writer.prepare('UPDATE entries SET parentId = ? WHERE parentId = ? AND deletedAt IS NOT NULL');
    const remove = writer.prepare('DELETE FROM entries WHERE id = ?');
    const unindex = writer.prepare('DELETE FROM findIndex WHERE rowid = ?');
    const goneAt = new Date().toISOString();
    for (const entry of doomed) {
      bury.run(entry.id, ownerId, entryTitle(entry), goneAt);
      const blocks = linkedBlocks.all(entry.id) as { id: string; words: string }[];
      for (const block of blocks) bury.run(block.id, ownerId, block.words, goneAt);
      shelter.run(root.parentId, entry.id);
      lead.run(entry.id);
    }
    for (const entry of doomed.reverse()) {
      unindex.run(entry.row);
      remove.run(entry.id);
      this.documents.forget(entry.id);
    }
  }
}
