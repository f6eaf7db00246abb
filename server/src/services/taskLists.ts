import type { SelectQueryBuilder } from 'typeorm';
import { shownIn, type Priority } from '@glossarion/core/document';
import { addDays } from '@glossarion/core/journal';
import {
  DAY_GROUPS,
  dayGroup,
  inOrder,
  momentOf,
  type Gathering,
  type ListedTask,
  type ShownTask,
  type TaskCounts,
  type TaskGroup,
  type TaskList,
} from '@glossarion/core/tasks';
import { shippedKindId } from '@glossarion/core/kinds';
import type { Viewer } from '../access';
import type { Database } from '../database/database';
import {
  BlockEntity,
  EntryEntity,
  HappeningEntity,
  KindUseEntity,
  LinkEntity,
  TagUseEntity,
  TaskEntity,
  type Entry,
} from '../entities';
import { PUT_OFFS } from '../entities/task.queries';
import type { Entries, EntryReader } from './entries';
import type { Kinds } from './kinds';
import { isActive, shownTask, type TaskRow } from './tasks';

/** What was done in so many days was done lately. */
const LATELY = 14;
/** Of what was done lately no more is listed. */
const MOST_DONE = 500;

/** Which tasks are listed. */
export interface ListWish {
  today: string;
  by: Gathering;
  group: string | null;
  /** Those of one page: on it, beneath it, or elsewhere with a link to it. */
  of: string | null;
  where: keyof TaskCounts | null;
  only: 'repeat' | 'putOff' | null;
  from: number;
  limit: number;
}

interface OfMeetings {
  /** The kinds of which a page is a meeting. */
  meetings: readonly string[];
}

interface Row {
  pageId: string;
  blockId: string;
  due: string | null;
  forDay: string | null;
  priority: string | null;
  writtenOn: string | null;
  position: number;
}

/** A task that was done on a day. */
export interface DoneTask {
  pageId: string;
  blockId: string;
  doneOn: string;
  position: number;
  changedAt: string;
}

interface Grouped {
  task: ListedTask;
  key: string;
}

/** The list of all tasks, a piece at a time. */
export class TaskLists {
  constructor(
    private database: Database,
    private entries: Entries,
    private kinds: Kinds,
  ) {}

  async list(viewer: Viewer, wish: ListWish): Promise<TaskList> {
    const reader = this.entries.reader(viewer);
    const listed = await this.listed(viewer, reader, { ...wish, meetings: await this.meetingKinds(viewer) });
    const grouped = await this.grouped(listed, reader, wish);
    const { groups, ordered } = gathered(grouped, wish.by, (key) => this.titleOf(reader, wish.by, key));
    const shown = wish.group === null ? ordered : ordered.filter(({ key }) => key === wish.group);
    const piece = shown.slice(wish.from, wish.from + wish.limit);
    const tasks = await this.shown(viewer, reader, piece);
    return {
      groups: groups.map(({ key, count }) => ({ key, count, target: this.targetOf(reader, wish.by, key) })),
      tasks,
      count: shown.length,
      targets: reader.targets(shownIn(tasks.flatMap(({ node, beneath }) => [node, ...beneath]))),
    };
  }

  /** How many open tasks there are of a page. */
  async counts(viewer: Viewer, id: string): Promise<TaskCounts> {
    this.entries.entry(viewer, id);
    const reader = this.entries.reader(viewer);
    const meetings = await this.meetingKinds(viewer);
    const count = async (where: keyof TaskCounts) => {
      const rows = await this.rows(viewer, reader, { of: id, where, only: null, meetings }).getRawMany<Row>();
      return rows.filter(({ pageId }) => isActive(reader, pageId)).length;
    };
    return { here: await count('here'), beneath: await count('beneath'), linking: await count('linking') };
  }

  /** How many tasks are overdue or for today. */
  async due(viewer: Viewer, today: string): Promise<number> {
    const reader = this.entries.reader(viewer);
    const rows = await this.rows(viewer, reader, { of: null, where: null, only: null, meetings: [] })
      .andWhere('(t.due < :after OR t.forDay <= :today OR e.day <= :today)', { today, after: `${today}~` })
      .getRawMany<Row>();
    const standing = rows.filter(({ pageId }) => isActive(reader, pageId)).map(listedOf);
    return standing.filter((task) => ['overdue', 'today'].includes(dayGroup(task, today))).length;
  }

  /** What was done of the tasks on a page, beneath it, and elsewhere for it: a task for each day on which it was. */
  async doneFor(viewer: Viewer, reader: EntryReader, of: string): Promise<DoneTask[]> {
    const meetings = await this.meetingKinds(viewer);
    const done = new Map<string, DoneTask>();
    for (const where of ['here', 'beneath', 'linking'] as const) {
      const query = this.lines(viewer)
        .addSelect('h.day', 'doneOn')
        .addSelect('e.changedAt', 'changedAt')
        .innerJoin(
          HappeningEntity.options.name,
          'h',
          "h.documentId = e.id AND h.blockId = t.blockId AND h.what = 'done'",
        );
      this.narrow(query, reader, { of, where, meetings });
      for (const task of await query.getRawMany<DoneTask>()) done.set(`${task.blockId} ${task.doneOn}`, task);
    }
    return [...done.values()];
  }

  /** The kinds of which a page is a meeting. */
  private async meetingKinds(viewer: Viewer): Promise<string[]> {
    return (await this.kinds.tree(viewer)).narrower(shippedKindId(viewer.accountId, 'meeting'));
  }

  private async listed(viewer: Viewer, reader: EntryReader, wish: ListWish & OfMeetings): Promise<ListedTask[]> {
    const open = await this.rows(viewer, reader, wish).getRawMany<Row>();
    const done = wish.by === 'day' && wish.only === null ? await this.doneLately(viewer, reader, wish) : [];
    return [...open.map(listedOf), ...done].filter(({ pageId }) => isActive(reader, pageId));
  }

  /** The open tasks that are meant. */
  private rows(
    viewer: Viewer,
    reader: EntryReader,
    { of, where, only, meetings }: Pick<ListWish, 'of' | 'where' | 'only'> & OfMeetings,
  ): SelectQueryBuilder<Entry> {
    const query = this.lines(viewer).andWhere("t.state IN ('open', 'begun')");
    if (only === 'repeat') query.andWhere('t.repeat IS NOT NULL');
    if (only === 'putOff') query.andWhere(`${PUT_OFFS} > 2`);
    if (of !== null) this.narrow(query, reader, { of, where: where ?? 'here', meetings });
    return query;
  }

  private narrow(
    query: SelectQueryBuilder<Entry>,
    reader: EntryReader,
    { of, where, meetings }: { of: string; where: keyof TaskCounts } & OfMeetings,
  ): void {
    if (where === 'here') query.andWhere('e.id = :of', { of });
    else if (where === 'linking') {
      // Sought from what links here, once: there may be many tasks, and many lines that link.
      const linking = query
        .subQuery()
        .select(['l.documentId', 'l.blockId'])
        .from(LinkEntity, 'l')
        .where('l.target = :of');
      // What is to be done after a meeting waits for all who were there, and for its project.
      const met = query
        .subQuery()
        .select('f.documentId')
        .from(LinkEntity, 'f')
        .innerJoin(KindUseEntity.options.name, 'u', 'u.documentId = f.documentId AND u.kind IN (:...meetings)')
        .where('f.target = :of AND f.ofField = 1');
      const isFor = `(t.documentId, t.blockId) IN ${linking.getQuery()} OR t.documentId IN ${met.getQuery()}`;
      const naming = query.subQuery().select('n.documentId').from(LinkEntity, 'n').where('n.target = :of');
      query.andWhere(`e.id != :of AND e.id IN ${naming.getQuery()} AND (${isFor})`, { of, meetings });
    } else {
      const beneath = reader.beneath(of);
      if (beneath.length === 0) query.andWhere('1 = 0');
      else query.andWhere('e.id IN (:...beneath)', { beneath });
    }
  }

  private lines(viewer: Viewer): SelectQueryBuilder<Entry> {
    const query = this.database.manager
      .createQueryBuilder(EntryEntity, 'e')
      .select(['t.documentId AS pageId', 't.blockId AS blockId', 't.due AS due', 't.forDay AS forDay'])
      .addSelect(['t.priority AS priority', 'e.day AS writtenOn', 'b.position AS position'])
      .innerJoin(TaskEntity.options.name, 't', 't.documentId = e.id')
      .innerJoin(BlockEntity.options.name, 'b', 'b.documentId = t.documentId AND b.id = t.blockId')
      .where('e.deletedAt IS NULL AND e.isTemplate = 0');
    return this.database.reading(viewer).visible(query);
  }

  private async doneLately(
    viewer: Viewer,
    reader: EntryReader,
    { today, of, where, meetings }: ListWish & OfMeetings,
  ): Promise<ListedTask[]> {
    const query = this.lines(viewer)
      .addSelect('MAX(h.day)', 'doneOn')
      .innerJoin(HappeningEntity.options.name, 'h', "h.blockId = t.blockId AND h.what = 'done'")
      .andWhere('h.day >= :since', { since: addDays(today, -LATELY) })
      .groupBy('t.blockId')
      .limit(MOST_DONE);
    if (of !== null) this.narrow(query, reader, { of, where: where ?? 'here', meetings });
    const rows = await query.getRawMany<Row & { doneOn: string }>();
    return rows.map(({ doneOn, ...row }) => ({ ...listedOf(row), doneOn }));
  }

  private async grouped(
    listed: readonly ListedTask[],
    reader: EntryReader,
    { by, today }: ListWish,
  ): Promise<Grouped[]> {
    if (by === 'day') return listed.map((task) => ({ task, key: dayGroup(task, today) }));
    if (by === 'page') return listed.map((task) => ({ task, key: task.pageId }));
    if (by === 'notebook') {
      return listed.map((task) => ({
        task,
        key: reader.line(task.pageId).find(({ kind }) => kind === 'notebook')?.id ?? '',
      }));
    }
    const uses = await this.database.manager
      .createQueryBuilder(TagUseEntity, 'u')
      .select(['u.blockId AS blockId', 'u.tag AS tag'])
      .innerJoin(
        TaskEntity.options.name,
        't',
        "t.documentId = u.documentId AND t.blockId = u.blockId AND t.state IN ('open', 'begun')",
      )
      .getRawMany<{ blockId: string; tag: string }>();
    const tags = new Map<string, Set<string>>();
    for (const { blockId, tag } of uses) tags.set(blockId, (tags.get(blockId) ?? new Set()).add(tag));
    return listed.flatMap((task) => [...(tags.get(task.blockId) ?? [''])].map((key) => ({ task, key })));
  }

  private targetOf(reader: EntryReader, by: Gathering, key: string): TaskGroup['target'] {
    return by === 'day' || key === '' ? null : reader.target(key);
  }

  private titleOf(reader: EntryReader, by: Gathering, key: string): string {
    return this.targetOf(reader, by, key)?.title ?? '';
  }

  /** The lines of a piece, with what stands beneath them. */
  private async shown(
    viewer: Viewer,
    reader: EntryReader,
    piece: readonly Grouped[],
  ): Promise<(ShownTask & { group: string })[]> {
    if (piece.length === 0) return [];
    const blockIds = [...new Set(piece.map(({ task }) => task.blockId))];
    const rows = await this.lines(viewer)
      .addSelect(['b.node AS node', 'b.depth AS depth', `${PUT_OFFS} AS putOffs`])
      .andWhere('t.blockId IN (:...blockIds)', { blockIds })
      .getRawMany<TaskRow>();
    const byId = new Map(rows.map((row) => [row.blockId, row]));
    const connection = this.database.reading(viewer);
    return piece.flatMap(({ task, key }) => {
      const row = byId.get(task.blockId);
      return row ? [{ ...shownTask(connection, reader, row), group: key }] : [];
    });
  }
}

const listedOf = ({ due, forDay, priority, ...row }: Row): ListedTask => ({
  ...row,
  due: momentOf(due)?.day ?? null,
  for: forDay,
  priority: priority as Priority | null,
  doneOn: null,
});

/** Groups in their order, and all tasks in that of their groups. */
function gathered(
  grouped: readonly Grouped[],
  by: Gathering,
  titleOf: (key: string) => string,
): { groups: { key: string; count: number }[]; ordered: Grouped[] } {
  const lists = new Map<string, Grouped[]>();
  for (const each of grouped) {
    const list = lists.get(each.key);
    if (list) list.push(each);
    else lists.set(each.key, [each]);
  }
  const place = (key: string) => (DAY_GROUPS as readonly string[]).indexOf(key);
  const titles = new Map([...lists.keys()].map((key) => [key, titleOf(key)]));
  const keys = [...lists.keys()].sort((one, other) =>
    by === 'day'
      ? place(one) - place(other)
      : Number(one === '') - Number(other === '') || titles.get(one)!.localeCompare(titles.get(other)!),
  );
  return {
    groups: keys.map((key) => ({ key, count: lists.get(key)!.length })),
    ordered: keys.flatMap((key) => lists.get(key)!.sort((one, other) => inOrder(one.task, other.task))),
  };
}
