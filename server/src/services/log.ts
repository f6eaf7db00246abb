import { dayAt, isDay, monthPeriod } from '@glossarion/core/journal';
import { shippedKindId } from '@glossarion/core/kinds';
import type { LogMonth, LogOrder, LogPiece } from '@glossarion/core/log';
import type { MarginFilter } from '@glossarion/core/margin';
import type { Viewer } from '../access';
import type { Database } from '../database/database';
import { KindUseEntity } from '../entities';
import type { EntryReader } from './entries';
import { namedInGlosses, ReadGlosses } from './glosses';
import type { Kinds } from './kinds';
import { countedKinds } from './margin';
import { isWanted, moment, notebookOf, type Referring, type ReferringLines } from './referring';
import type { ShownLines } from './shownLines';
import type { DoneTask, TaskLists } from './taskLists';
import type { Tags } from './tags';
import type { Zones } from './zones';

/** Which part of a log is asked for. */
export interface LogWish {
  from: number;
  limit: number;
  order: LogOrder;
}

interface Dated {
  referring: Referring;
  on: string;
  isDone: boolean;
}

/** What the journal and other pages said of a page, by date; of a project also what was done for it. */
export class LogReader {
  constructor(
    private database: Database,
    private referring: ReferringLines,
    private kinds: Kinds,
    private taskLists: TaskLists,
    private lines: ShownLines,
    private zones: Zones,
    private tags: Tags,
  ) {}

  async of(viewer: Viewer, pageId: string, filter: MarginFilter, wish: LogWish): Promise<LogPiece> {
    const connection = this.database.reading(viewer);
    const { all, reader } = await this.referring.to(viewer, pageId);
    const tree = await this.kinds.tree(viewer);
    const zone = await this.zones.of(viewer);
    const said = all.map((referring): Dated => ({ referring, on: dayOf(moment(referring), zone), isDone: false }));
    const done = (await this.isProject(viewer, pageId)) ? await this.done(viewer, pageId, reader) : [];
    const dated = [...said, ...unsaid(done, said)];
    const kindsOf = await this.referring.kindsOf(dated.map(({ referring }) => referring));
    const { since = null, kind = null, ...byPlace } = filter;
    // A log that stands on a page may still name a kind that is gone.
    const left = { ...byPlace, kind: kind !== null && tree.get(kind) ? kind : null };
    const worn = left.tag ? this.tags.tree(connection).worn(left.tag) : [];
    const wanted = dated
      .filter(({ on }) => since === null || on >= since)
      .filter(({ referring }) => isWanted(connection, referring, left, tree, kindsOf, worn))
      .sort(inOrder[wish.order]);
    const shown = wanted.slice(wish.from, wish.from + wish.limit);
    const read = new ReadGlosses(
      this.lines,
      connection,
      reader,
      tree,
      shown.map(({ referring }) => referring),
    );
    const entries = shown.map(({ referring, on, isDone }) => ({ gloss: read.of(referring), on, isDone }));
    return {
      count: wanted.length,
      months: monthsOf(wanted),
      entries,
      targets: reader.targets(namedInGlosses(entries.map(({ gloss }) => gloss))),
      kinds: countedKinds(
        dated.map(({ referring }) => referring),
        tree,
        kindsOf,
      ),
    };
  }

  private async isProject(viewer: Viewer, documentId: string): Promise<boolean> {
    const projects = (await this.kinds.tree(viewer)).narrower(shippedKindId(viewer.accountId, 'project'));
    const kinds = await this.database.manager.findBy(KindUseEntity, { documentId });
    return kinds.some(({ kind }) => projects.includes(kind));
  }

  private async done(viewer: Viewer, pageId: string, reader: EntryReader): Promise<Dated[]> {
    const done = await this.taskLists.doneFor(viewer, reader, pageId);
    return done.flatMap((task) => {
      const place = reader.place(task.pageId);
      return place.isDeleted ? [] : [{ referring: asReferring(task, place), on: task.doneOn, isDone: true }];
    });
  }
}

const asReferring = ({ pageId, blockId, position, changedAt }: DoneTask, place: Referring['place']): Referring => ({
  row: { id: pageId, blockId, ofField: 0, target: null, position, changedAt, lineId: null, score: null },
  place,
  notebook: notebookOf(pageId, place),
  targetBlockId: null,
  lineId: null,
  isMoved: false,
  score: 0,
  heldOn: null,
});

/** A task that was said and done on one day stands there once. */
function unsaid(done: readonly Dated[], said: readonly Dated[]): Dated[] {
  const keyOf = ({ referring: { row }, on }: Dated) => `${row.blockId} ${on}`;
  const known = new Set(said.map(keyOf));
  return done.filter((each) => !known.has(keyOf(each)));
}

export const dayOf = (written: string, zone: string | null): string =>
  isDay(written) ? written : dayAt(new Date(written), zone);

/** By day, what was said before what was done, and lines of one page in their order. */
const oldest = (one: Dated, other: Dated): number =>
  compared(one.on, other.on) ||
  Number(one.isDone) - Number(other.isDone) ||
  compared(moment(one.referring), moment(other.referring)) ||
  compared(one.referring.row.id, other.referring.row.id) ||
  // What a page says in its fields is what it is: its lines come after.
  other.referring.row.ofField - one.referring.row.ofField ||
  one.referring.row.position - other.referring.row.position;

const inOrder: Record<LogOrder, (one: Dated, other: Dated) => number> = {
  oldest,
  // Within a day it reads on as it was written.
  newest: (one, other) => compared(other.on, one.on) || oldest(one, other),
};

const compared = (one: string, other: string): number => (one < other ? -1 : one > other ? 1 : 0);

function monthsOf(dated: readonly Dated[]): LogMonth[] {
  const months: LogMonth[] = [];
  for (const { on } of dated) {
    const month = monthPeriod(on);
    const last = months.at(-1);
    if (last?.month === month) last.count += 1;
    else months.push({ month, count: 1 });
  }
  return months;
}
