import type { Desk, DeskTask } from '@glossarion/core/desk';
import type { NodeJson } from '@glossarion/core/document';
import type { Target } from '@glossarion/core/links';
import { shownIn } from '@glossarion/core/document';
import { MoreThanOrEqual } from 'typeorm';
import { ownedBy, putOwned, type Viewer } from '../access';
import type { Database } from '../database/database';
import { EntryEntity, PinEntity, VisitEntity } from '../entities';
import { OPEN_TASKS } from '../entities/block.queries';
import { UNWRITTEN } from '../entities/link.queries';
import type { Entries, EntryReader } from './entries';

/** No part of the Desk shows more. */
const PART = 30;
const WEEK_MS = 7 * 86_400_000;

/** What the Desk gathers, and which pages were opened. */
export class DeskReader {
  constructor(
    private database: Database,
    private entries: Entries,
  ) {}

  async pins(viewer: Viewer): Promise<Target[]> {
    const rows = await this.database.manager.find(PinEntity, { where: ownedBy(viewer), order: { orderKey: 'ASC' } });
    return this.entries.reader(viewer).present(rows.map((row) => row.entryId));
  }

  async visit(viewer: Viewer, id: string): Promise<void> {
    this.entries.entry(viewer, id);
    const visit = { entryId: id, visitedAt: new Date().toISOString() };
    await this.database.write((manager) => putOwned(manager, viewer, VisitEntity, 'entryId', visit));
  }

  /** Pages opened last; filled up with those changed last while few have been opened. */
  async recent(viewer: Viewer, limit: number): Promise<Target[]> {
    const visited = await this.database.manager.find(VisitEntity, {
      where: ownedBy(viewer),
      order: { visitedAt: 'DESC' },
      take: limit * 2,
    });
    const changed = await this.changed(viewer, '', limit * 2);
    const ids = new Set([...visited.map(({ entryId }) => entryId), ...changed]);
    return this.entries.reader(viewer).present(ids, limit);
  }

  /** The ids of written pages, no days, that were changed since a moment; latest first. */
  private async changed(viewer: Viewer, since: string, limit: number): Promise<string[]> {
    const query = this.database.manager
      .createQueryBuilder(EntryEntity, 'e')
      .select('e.id', 'id')
      .where({ kind: 'page', changedAt: MoreThanOrEqual(since) })
      .andWhere('e.deletedAt IS NULL AND e.wordCount > 0 AND e.day IS NULL')
      .orderBy('e.changedAt', 'DESC')
      .addOrderBy('e.row', 'DESC')
      .limit(limit);
    const rows = await this.database.reading(viewer).visible(query).getRawMany<{ id: string }>();
    return rows.map(({ id }) => id);
  }

  async desk(viewer: Viewer): Promise<Desk> {
    const reader = this.entries.reader(viewer);
    const since = new Date(Date.now() - WEEK_MS).toISOString();
    const week = await this.changed(viewer, since, PART * 2);
    const tasks = this.tasks(viewer, reader);
    const links = shownIn(tasks.map(({ node }) => node));
    return {
      pins: await this.pins(viewer),
      recent: await this.recent(viewer, PART),
      week: reader.present(week, PART),
      tasks,
      unwritten: this.unwritten(viewer, reader),
      targets: reader.targets(links),
    };
  }

  private tasks(viewer: Viewer, reader: EntryReader): DeskTask[] {
    const rows = this.database.reading(viewer).each<{ blockId: string; pageId: string; node: string }>(OPEN_TASKS);
    const found: DeskTask[] = [];
    for (const { blockId, pageId, node } of rows) {
      const page = reader.target(pageId);
      if (page.state === 'binned' || page.season !== 'now') continue;
      found.push({ blockId, page, node: JSON.parse(node) as NodeJson });
      if (found.length >= PART) break;
    }
    return found;
  }

  /** Pages without text that are linked, with how often; most first. */
  private unwritten(viewer: Viewer, reader: EntryReader): Desk['unwritten'] {
    return this.database
      .reading(viewer)
      .all<{ id: string; links: number }>(UNWRITTEN, { limit: PART * 2 })
      .map(({ id, links }) => ({ target: reader.target(id), links }))
      .filter(({ target }) => target.state === 'unwritten' && target.season === 'now')
      .slice(0, PART);
  }
}
