import type { Desk, DeskTask } from '@glossarion/core/desk';
import type { NodeJson } from '@glossarion/core/document';
import type { Database } from '../database/database';
import type { Target } from '@glossarion/core/links';
import type { Entries } from './entries';

/** No part of the Desk shows more. */
const PART = 30;
const WEEK_MS = 7 * 86_400_000;

/** What the Desk gathers, and which pages were opened. */
export class DeskReader {
  constructor(
    private database: Database,
    private entries: Entries,
  ) {}

  pins(ownerId: string): Target[] {
    const rows = this.database.all<{ entryId: string }>(
      'SELECT entryId FROM pins WHERE ownerId = ? ORDER BY orderKey',
      ownerId,
    );
    return this.entries.living(
      ownerId,
      rows.map((row) => row.entryId),
    );
  }

  async visit(ownerId: string, id: string): Promise<void> {
    this.entries.own(ownerId, id);
    await this.database.write(() => {
      this.database.writer
        .prepare('INSERT OR REPLACE INTO visits (ownerId, entryId, visitedAt) VALUES (?, ?, ?)')
        .run(ownerId, id, new Date().toISOString());
    });
  }

  /** Pages opened last; filled up with those changed last while few have been opened. */
  recent(ownerId: string, limit: number): Target[] {
    const visited = this.database.all<{ id: string }>(
      'SELECT entryId AS id FROM visits WHERE ownerId = ? ORDER BY visitedAt DESC LIMIT ?',
      ownerId,
      limit * 2,
    );
    const ids = new Set([...visited, ...this.changed(ownerId, '', limit * 2)].map((row) => row.id));
    return this.entries.living(ownerId, [...ids], limit);
  }

  private changed(ownerId: string, since: string, limit: number): { id: string }[] {
    return this.database.all(
      `SELECT id FROM entries WHERE ownerId = ? AND kind = 'page' AND deletedAt IS NULL AND changedAt >= ?
       AND wordCount > 0 AND day IS NULL ORDER BY changedAt DESC, row DESC LIMIT ?`,
      ownerId,
      since,
      limit,
    );
  }

  desk(ownerId: string): Desk {
    const since = new Date(Date.now() - WEEK_MS).toISOString();
    const week = this.changed(ownerId, since, PART * 2).map((row) => row.id);
    const tasks = this.tasks(ownerId);
    const links = new Set(tasks.flatMap((task) => linksIn(task.node)));
    return {
      pins: this.pins(ownerId),
      recent: this.recent(ownerId, PART),
      week: this.entries.living(ownerId, week, PART),
      tasks,
      unwritten: this.unwritten(ownerId),
      targets: this.entries.targets(ownerId, [...links]),
    };
  }

  private tasks(ownerId: string): DeskTask[] {
    const rows = this.database
      .statement(
        `SELECT b.id AS blockId, b.pageId, b.node FROM entries e CROSS JOIN blocks b ON b.pageId = e.id
         WHERE e.ownerId = ? AND e.kind = 'page' AND e.deletedAt IS NULL AND b.kind = 'todo'
         AND b.state IN ('open', 'begun') AND b.words != '' ORDER BY e.changedAt DESC, e.row, b.position`,
      )
      .iterate(ownerId) as IterableIterator<{ blockId: string; pageId: string; node: string }>;
    const found: DeskTask[] = [];
    for (const { blockId, pageId, node } of rows) {
      const page = this.entries.targets(ownerId, [pageId])[0]!;
      if (page.state === 'binned' || page.season !== 'now') continue;
      found.push({ blockId, page, node: JSON.parse(node) as NodeJson });
      if (found.length >= PART) break;
    }
    return found;
  }

  private unwritten(ownerId: string): Desk['unwritten'] {
    const rows = this.database.all<{ id: string; links: number }>(
      `SELECT e.id, COUNT(*) AS links FROM entries e CROSS JOIN links l ON l.target = e.id
       WHERE e.ownerId = ? AND e.kind = 'page' AND e.wordCount = 0 AND e.firstWords = '' AND e.day IS NULL
       AND e.deletedAt IS NULL
       GROUP BY e.id ORDER BY links DESC, e.row LIMIT ?`,
      ownerId,
      PART * 2,
    );
    return rows
      .map(({ id, links }) => ({ target: this.entries.targets(ownerId, [id])[0]!, links }))
      .filter(({ target }) => target.state === 'unwritten' && target.season === 'now')
      .slice(0, PART);
  }
}

function linksIn(node: NodeJson): string[] {
  const own = node.type === 'pageLink' ? [String(node.attrs?.target)] : [];
  return [...own, ...(node.content ?? []).flatMap(linksIn)];
}
