import { In } from 'typeorm';
import { shownIn } from '@glossarion/core/document';
import { localDay } from '@glossarion/core/journal';
import { shippedFieldId, shippedKindId, type KindTree, type ShippedName } from '@glossarion/core/kinds';
import type { AboutMeeting, LastMeeting } from '@glossarion/core/meetings';
import { sees, visibleEntry, type Viewer } from '../access';
import type { Database } from '../database/database';
import { EntryEntity, FieldValueEntity, KindUseEntity } from '../entities';
import type { Entries, EntryReader } from './entries';
import type { Kinds } from './kinds';
import type { TaskLists } from './taskLists';

/** What is open of the last meeting is shown so far. */
const OPEN_SHOWN = 12;

/** A meeting at which somebody was. */
interface MetRow {
  id: string;
  person: string;
  begunAt: string;
  heldOn: string | null;
}

/** What is known of people and projects when a meeting with them is noted. */
export class Meetings {
  constructor(
    private database: Database,
    private entries: Entries,
    private kinds: Kinds,
    private taskLists: TaskLists,
  ) {}

  /** What is known of the pages that a line names: who is a person, what a project, and when one last met them. */
  async about(viewer: Viewer, ids: readonly string[], today: string): Promise<AboutMeeting> {
    const tree = await this.kinds.tree(viewer);
    const reader = this.entries.reader(viewer);
    const kindsOf = await this.kindsOf(viewer, ids);
    const is = (id: string, kind: ShippedName) =>
      tree.isOf(kindsOf.get(id) ?? [], shippedKindId(viewer.accountId, kind));
    const named = reader
      .targets(ids)
      .map(({ id, title }) => ({ id, title, isPerson: is(id, 'person'), isProject: is(id, 'project') }))
      .filter(({ isPerson, isProject }) => isPerson || isProject);
    const people = named.filter(({ isPerson }) => isPerson).map(({ id }) => id);
    const last = await this.last(viewer, tree, reader, people, today);
    const placeId = tree.get(shippedKindId(viewer.accountId, 'meeting'))?.placeId ?? null;
    const place = placeId !== null && sees(this.database.reading(viewer), placeId) ? reader.target(placeId) : null;
    const lines = last ? last.open.flatMap(({ node, beneath }) => [node, ...beneath]) : [];
    return { named, last, place, targets: reader.targets(shownIn(lines)) };
  }

  /** The kinds of pages, by the page; of those that the viewer sees. */
  private async kindsOf(viewer: Viewer, ids: readonly string[]): Promise<Map<string, string[]>> {
    const connection = this.database.reading(viewer);
    const there = ids.filter((id) => sees(connection, id) && visibleEntry(connection, id).deletedAt === null);
    const kinds = new Map<string, string[]>();
    for (const { documentId, kind } of await this.database.manager.findBy(KindUseEntity, { documentId: In(there) })) {
      kinds.set(documentId, [...(kinds.get(documentId) ?? []), kind]);
    }
    return kinds;
  }

  /** The last meeting at which any of these people was, up to today. */
  private async last(
    viewer: Viewer,
    tree: KindTree,
    reader: EntryReader,
    people: readonly string[],
    today: string,
  ): Promise<LastMeeting | null> {
    if (people.length === 0) return null;
    const { accountId } = viewer;
    const query = this.database.manager
      .createQueryBuilder(EntryEntity, 'e')
      .innerJoin(
        FieldValueEntity.options.name,
        'v',
        'v.documentId = e.id AND v.field = :attended AND v.words IN (:...people)',
      )
      .innerJoin(KindUseEntity.options.name, 'u', 'u.documentId = e.id AND u.kind IN (:...meetings)')
      .leftJoin(FieldValueEntity.options.name, 'h', "h.documentId = e.id AND h.field = :held AND h.part = 'atom'")
      .select(['e.id AS id', 'v.words AS person', 'e.begunAt AS "begunAt"', 'h.words AS "heldOn"'])
      .where('e.deletedAt IS NULL AND e.isTemplate = 0')
      .setParameters({
        people,
        attended: shippedFieldId(accountId, 'meeting', 'Attended by'),
        held: shippedFieldId(accountId, 'meeting', 'Held on'),
        meetings: tree.narrower(shippedKindId(accountId, 'meeting')),
      });
    const rows = await this.database.reading(viewer).visible(query).getRawMany<MetRow>();
    const held = rows
      .filter(({ id }) => !reader.place(id).isDeleted)
      .map((row) => ({ ...row, day: row.heldOn ?? localDay(new Date(row.begunAt)) }))
      .filter(({ day }) => day <= today)
      .sort((one, other) =>
        one.day === other.day ? (one.begunAt < other.begunAt ? 1 : -1) : one.day < other.day ? 1 : -1,
      );
    const [latest] = held;
    if (!latest) return null;
    const wish = {
      today,
      by: 'day',
      group: null,
      of: latest.id,
      where: 'here',
      only: null,
      from: 0,
      limit: OPEN_SHOWN,
    } as const;
    const { tasks } = await this.taskLists.list(viewer, wish);
    const isOpen = (state: unknown) => state === 'open' || state === 'begun' || state === undefined;
    return {
      meeting: reader.target(latest.id),
      day: latest.day,
      people: [...new Set(held.filter(({ id }) => id === latest.id).map(({ person }) => person))],
      open: tasks.filter(({ node }) => isOpen(node.attrs?.state)).map(({ group: _group, ...task }) => task),
    };
  }
}
