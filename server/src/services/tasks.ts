import type { DeskTask } from '@glossarion/core/desk';
import { shownIn, type NodeJson, type TaskState } from '@glossarion/core/document';
import { addDays } from '@glossarion/core/journal';
import { momentOf, type BroughtForward, type ShownTask } from '@glossarion/core/tasks';
import type { Viewer, ViewerConnection } from '../access';
import type { Database } from '../database/database';
import type { SelectQueryBuilder } from 'typeorm';
import { BlockEntity, EntryEntity, TaskEntity, type Entry } from '../entities';
import { BROUGHT } from '../entities/task.queries';
import { FOLLOWING } from '../entities/link.queries';
import type { Entries, EntryReader } from './entries';
import type { TrayReader } from './tray';

/** What has stood for longer than so many days is folded. */
const MONTH = 31;
/** No answer brings more tasks. */
const MOST = 400;
/** Lines beneath a task that are shown with it. */
const BENEATH = 20;
/** Open tasks that are read in one go. */
const OPEN_AT_ONCE = 60;

/** A task as it is read to be shown elsewhere. */
export interface TaskRow {
  pageId: string;
  blockId: string;
  state: TaskState;
  due: string | null;
  forDay: string | null;
  priority: string | null;
  within: string | null;
  writtenOn: string | null;
  node: string;
  position: number;
  depth: number;
  putOffs: number;
}

/** A task that is due, with when its page was changed: ISO 8601, in UTC. */
export interface DueTask extends DeskTask {
  changedAt: string;
}

/** Tasks, wherever they are shown beside their page. */
export class Tasks {
  constructor(
    private database: Database,
    private entries: Entries,
    private tray: TrayReader,
  ) {}

  /**
   * What stands on a day: brought forward to it when it is today, and what is for it or due on it when it is to come.
   *
   * @param withOlder whether what has stood for a month and longer is given too
   */
  async brought(viewer: Viewer, day: string, today: string, withOlder: boolean): Promise<BroughtForward> {
    if (day < today) return { tasks: [], older: 0, jottings: [], targets: [] };
    const connection = this.database.reading(viewer);
    const reader = this.entries.reader(viewer);
    const isToday = Number(day === today);
    const rows = connection.all<TaskRow>(BROUGHT, { day, isToday }).filter(({ pageId }) => isActive(reader, pageId));
    const shown = (await this.outermost(rows)).sort(byStanding(day));
    const since = addDays(day, -MONTH);
    const isOld = (row: TaskRow) => standingSince(row, day) < since;
    const tasks = (withOlder ? shown : shown.filter((row) => !isOld(row)))
      .slice(0, MOST)
      .map((row) => shownTask(connection, reader, row));
    const jottings = await this.tray.comingBack(viewer, day, today);
    const lines = [
      ...tasks.flatMap(({ node, beneath }) => [node, ...beneath]),
      ...jottings.flatMap(({ nodes }) => nodes),
    ];
    const older = withOlder ? 0 : shown.filter(isOld).length;
    return { tasks, older, jottings, targets: reader.targets(shownIn(lines)) };
  }

  /** Tasks by the ids of their lines, with the page each stands on; those that are not there are left out. */
  async placed(viewer: Viewer, reader: EntryReader, blockIds: readonly string[]): Promise<DeskTask[]> {
    if (blockIds.length === 0) return [];
    const rows = await this.lines(viewer).andWhere('t.blockId IN (:...blockIds)', { blockIds }).getRawMany<LineRow>();
    const byId = new Map(rows.map((row) => [row.blockId, row]));
    return [...new Set(blockIds)].flatMap((id) => {
      const row = byId.get(id);
      return row ? [deskTask(reader, row)] : [];
    });
  }

  /** How many open tasks are for each day of a span, or due on it. */
  async countByDay(viewer: Viewer, from: string, to: string): Promise<Map<string, number>> {
    const counted = (day: string) =>
      this.lines(viewer, false)
        .select([`${day} AS day`, 'COUNT(*) AS count'])
        .andWhere("t.state IN ('open', 'begun')")
        .andWhere(`${day} BETWEEN :from AND :to`, { from, to })
        .groupBy(day)
        .getRawMany<{ day: string; count: number }>();
    const counts = new Map<string, number>();
    const due = await counted('substr(t.due, 1, 10)');
    const put = await counted('CASE WHEN t.forDay IS NOT substr(t.due, 1, 10) THEN t.forDay END');
    for (const { day, count } of [...due, ...put]) counts.set(day, (counts.get(day) ?? 0) + count);
    return counts;
  }

  /** Lines of tasks on pages that are there for a viewer. */
  private lines(viewer: Viewer, withNodes = true): SelectQueryBuilder<Entry> {
    const query = this.database.manager
      .createQueryBuilder(EntryEntity, 'e')
      .innerJoin(TaskEntity.options.name, 't', 't.documentId = e.id')
      .where('e.deletedAt IS NULL AND e.isTemplate = 0');
    if (withNodes) {
      query
        .select(['t.blockId AS blockId', 't.documentId AS pageId', 'b.node AS node'])
        .innerJoin(BlockEntity.options.name, 'b', 'b.documentId = t.documentId AND b.id = t.blockId');
    }
    return this.database.reading(viewer).visible(query);
  }

  /** Tasks that are open, those of the pages changed last first; for the Desk. */
  async open(viewer: Viewer, reader: EntryReader, limit: number): Promise<DeskTask[]> {
    const found: DeskTask[] = [];
    for (let from = 0; found.length < limit; from += OPEN_AT_ONCE) {
      const rows = await this.openRows(viewer, from);
      for (const row of rows) {
        if (!isActive(reader, row.pageId)) continue;
        found.push(deskTask(reader, row));
        if (found.length === limit) break;
      }
      if (rows.length < OPEN_AT_ONCE) break;
    }
    return found;
  }

  /** All open tasks that are due on a day, with when their pages were changed; the earliest first. */
  async due(viewer: Viewer, reader: EntryReader): Promise<DueTask[]> {
    const rows = await this.lines(viewer)
      .addSelect('e.changedAt', 'changedAt')
      .andWhere("t.state IN ('open', 'begun') AND t.due IS NOT NULL")
      .orderBy('t.due')
      .addOrderBy('t.blockId')
      .getRawMany<LineRow & { changedAt: string }>();
    return rows
      .filter(({ pageId }) => isActive(reader, pageId))
      .map((row) => ({ ...deskTask(reader, row), changedAt: row.changedAt }));
  }

  private openRows(viewer: Viewer, from: number): Promise<LineRow[]> {
    return this.lines(viewer)
      .andWhere("e.kind = 'page' AND t.state IN ('open', 'begun')")
      .orderBy('e.changedAt', 'DESC')
      .addOrderBy('e.row')
      .addOrderBy('b.position')
      .offset(from)
      .limit(OPEN_AT_ONCE)
      .getRawMany();
  }

  /** Those that stand within none of the others: a task is shown once, within the one it stands beneath. */
  private async outermost(rows: readonly TaskRow[]): Promise<TaskRow[]> {
    const known = new Map(rows.map(({ blockId, within }) => [blockId, within]));
    const present = new Set(known.keys());
    const kept: TaskRow[] = [];
    for (const row of rows) {
      let above = row.within;
      while (above !== null && !present.has(above)) {
        if (!known.has(above)) {
          const where = { documentId: row.pageId, blockId: above };
          const task = await this.database.manager.findOne(TaskEntity, {
            select: { blockId: true, within: true },
            where,
          });
          known.set(above, task?.within ?? null);
        }
        above = known.get(above) ?? null;
      }
      if (above === null) kept.push(row);
    }
    return kept;
  }
}

type LineRow = Pick<TaskRow, 'blockId' | 'pageId' | 'node'>;

const deskTask = (reader: EntryReader, { blockId, pageId, node }: LineRow): DeskTask => ({
  blockId,
  page: reader.target(pageId),
  node: JSON.parse(node) as NodeJson,
});

/** What is for later, laid aside or in the bin is nobody's task now. */
export function isActive(reader: EntryReader, pageId: string): boolean {
  const page = reader.target(pageId);
  return page.state !== 'binned' && page.state !== 'gone' && page.season === 'now';
}

/** The day since which a task stands there: the last of those that it is for, due on, or was written on. */
function standingSince({ due, forDay, writtenOn }: TaskRow, day: string): string {
  const days = [momentOf(due)?.day ?? '', forDay ?? '', writtenOn ?? ''].filter((each) => each <= day);
  return days.sort().at(-1) ?? day;
}

const PRIORITY: Readonly<Record<string, number>> = { high: 0, middle: 1, low: 3 };
const rank = ({ priority }: TaskRow): number => PRIORITY[priority ?? ''] ?? 2;

/** What matters most first, then what came last. */
const byStanding = (day: string) => (one: TaskRow, other: TaskRow) =>
  rank(one) - rank(other) ||
  -standingSince(one, day).localeCompare(standingSince(other, day)) ||
  one.pageId.localeCompare(other.pageId) ||
  one.position - other.position;

export function shownTask(connection: ViewerConnection, reader: EntryReader, row: TaskRow): ShownTask {
  const { blockId, pageId, node, putOffs } = row;
  return {
    blockId,
    page: reader.target(pageId),
    node: JSON.parse(node) as NodeJson,
    beneath: beneath(connection, row),
    putOffs,
  };
}

function beneath(connection: ViewerConnection, { pageId, position, depth }: TaskRow): NodeJson[] {
  const asked = { documentId: pageId, position, limit: BENEATH };
  const lines: NodeJson[] = [];
  for (const line of connection.each<{ depth: number; node: string }>(FOLLOWING, asked)) {
    if (line.depth <= depth) break;
    lines.push(JSON.parse(line.node) as NodeJson);
  }
  return lines;
}
