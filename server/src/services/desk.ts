import { FORGOTTEN_AFTER, type Desk, type ForgottenPage } from '@glossarion/core/desk';
import type { Target } from '@glossarion/core/links';
import { shownIn } from '@glossarion/core/document';
import { MoreThanOrEqual } from 'typeorm';
import { ownedBy, putOwned, type Viewer } from '../access';
import type { Database } from '../database/database';
import { EntryEntity, PinEntity, TaskEntity, VisitEntity } from '../entities';
import { UNWRITTEN } from '../entities/link.queries';
import type { Entries, EntryReader } from './entries';
import type { Tasks } from './tasks';
import type { TrayReader } from './tray';
import type { Zones } from './zones';

/** No part of the Desk shows more. */
const PART = 30;
const DAY_MS = 86_400_000;
const WEEK_MS = 7 * DAY_MS;

/** What the Desk gathers, and which pages were opened. */
export class DeskReader {
  constructor(
    private database: Database,
    private entries: Entries,
    private tasks: Tasks,
    private tray: TrayReader,
    private zones: Zones,
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
      .andWhere('e.deletedAt IS NULL AND e.wordCount > 0 AND e.day IS NULL AND e.jotting IS NULL')
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
    const tasks = await this.tasks.open(viewer, reader, PART);
    const today = await this.zones.dayOf(viewer);
    const brought = await this.tasks.brought(viewer, today, today, false);
    const jottings = await this.tray.first(viewer, today, PART);
    const lines = [...tasks.map(({ node }) => node), ...jottings.flatMap(({ nodes }) => nodes)];
    return {
      pins: await this.pins(viewer),
      recent: await this.recent(viewer, PART),
      week: reader.present(week, PART),
      tasks,
      due: brought.tasks.slice(0, PART).map(({ blockId, page, node }) => ({ blockId, page, node })),
      tray: jottings,
      waiting: await this.tray.waiting(viewer, today),
      forgotten: await this.forgotten(viewer, reader),
      unwritten: this.unwritten(viewer, reader),
      targets: [...brought.targets, ...reader.targets(shownIn(lines))],
    };
  }

  /** Pages with open tasks that nobody opened or changed for long. */
  private async forgotten(viewer: Viewer, reader: EntryReader): Promise<ForgottenPage[]> {
    const until = new Date(Date.now() - FORGOTTEN_AFTER * DAY_MS).toISOString();
    const query = this.database.manager
      .createQueryBuilder(EntryEntity, 'e')
      .select([
        'e.id AS id',
        'COUNT(DISTINCT t.blockId) AS "openTasks"',
        'MAX(e.changedAt, COALESCE(v.visitedAt, \'\')) AS "seenAt"',
      ])
      .innerJoin(TaskEntity.options.name, 't', "t.documentId = e.id AND t.state IN ('open', 'begun')")
      .leftJoin(VisitEntity.options.name, 'v', 'v.entryId = e.id')
      .where('e.day IS NULL AND e.jotting IS NULL AND e.deletedAt IS NULL AND e.isTemplate = 0')
      .andWhere("e.changedAt < :until AND COALESCE(v.visitedAt, '') < :until", { until })
      .groupBy('e.id')
      .orderBy('"seenAt"', 'DESC')
      .limit(PART * 2);
    const rows = await this.database
      .reading(viewer)
      .visible(query)
      .getRawMany<Omit<ForgottenPage, 'target'> & { id: string }>();
    return rows
      .map(({ id, ...row }) => ({ ...row, target: reader.target(id) }))
      .filter(({ target }) => target.season === 'now' && target.state === 'written')
      .slice(0, PART);
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
