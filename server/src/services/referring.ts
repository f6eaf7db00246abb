import { JOURNAL, type GlossOrder, type MarginFilter } from '@glossarion/core/margin';
import { isDay } from '@glossarion/core/journal';
import { shippedFieldId, type KindTree } from '@glossarion/core/kinds';
import { In } from 'typeorm';
import { visibleEntry, type Viewer, type ViewerConnection, type Step } from '../access';
import type { Database } from '../database/database';
import { REFERRING, TAGS_OF } from '../entities/link.queries';
import { FieldValueEntity, KindUseEntity } from '../entities';
import type { Entries, EntryPlace, EntryReader } from './entries';
import type { LineAsked } from './shownLines';

export interface ReferringRow {
  id: string;
  blockId: string;
  /** 1 when it stands in a field, whose id is that of the block. */
  ofField: 0 | 1;
  /** Null for the page itself. */
  target: string | null;
  /** The link’s among those of its page. */
  position: number;
  changedAt: string;
  /** Where it stands, as it was found last; without a score when it was not yet. */
  lineId: string | null;
  score: number | null;
}

/** One line that points to a page, with where it stands. */
export interface Referring {
  row: ReferringRow;
  place: EntryPlace;
  notebook: string;
  /** What of this page it points at, when it is no link to the page. */
  targetBlockId: string | null;
  lineId: string | null;
  isMoved: boolean;
  score: number;
  /** The day of the meeting that its page is of. */
  heldOn: string | null;
}

/** The kinds of pages, by the page. */
export type KindsOf = ReadonlyMap<string, readonly string[]>;
export const NO_KINDS: KindsOf = new Map();

/** The lines and fields elsewhere that refer to a page, as its Margin and its log show them. */
export class ReferringLines {
  constructor(
    private database: Database,
    private entries: Entries,
  ) {}

  /**
   * All that refers to a page, each line once, with where it stands; nothing that is in the bin.
   *
   * @throws Problem (404) when it is not there, or not for this viewer
   */
  async to(viewer: Viewer, pageId: string): Promise<{ all: Referring[]; reader: EntryReader }> {
    if (this.entries.dayOf(viewer, pageId) === null) visibleEntry(this.database.reading(viewer), pageId);
    const reader = this.entries.reader(viewer);
    return { all: await this.among(viewer, pageId, reader), reader };
  }

  /**
   * The same of a page that the viewer was found to see.
   *
   * @param reader takes in all that refers to it
   */
  async among(viewer: Viewer, pageId: string, reader: EntryReader): Promise<Referring[]> {
    const rows = this.database.reading(viewer).many<ReferringRow & Step>(REFERRING, { pageId });
    reader.take(rows);
    const blocks = new Map<string, string | null>();
    /** The line of this page that a link to a block leads to. */
    const blockOf = (target: string | null): string | null => {
      if (target === null) return null;
      if (!blocks.has(target)) {
        const block = this.entries.block(viewer, target);
        blocks.set(target, block?.pageId === pageId ? block.blockId : null);
      }
      return blocks.get(target)!;
    };
    const referring = new Map<string, Referring>();
    for (const row of rows) {
      const key = `${row.id}/${row.blockId}`;
      if (referring.has(key)) continue;
      const place = reader.place(row.id);
      if (place.isDeleted) continue;
      const targetBlockId = blockOf(row.target);
      referring.set(key, {
        row,
        place,
        notebook: notebookOf(row.id, place),
        targetBlockId,
        lineId: targetBlockId ?? row.lineId,
        isMoved: false,
        heldOn: null,
        score: targetBlockId === null ? (row.score ?? 0) : Infinity,
      });
    }
    const all = [...referring.values()];
    await this.dateMeetings(viewer, all);
    return all;
  }

  /** The kinds of the pages that refer to it. */
  async kindsOf(all: readonly Referring[]): Promise<KindsOf> {
    const documentId = In([...new Set(all.map(({ row }) => row.id))]);
    const kinds = new Map<string, string[]>();
    for (const use of await this.database.manager.find(KindUseEntity, { where: { documentId } })) {
      kinds.set(use.documentId, [...(kinds.get(use.documentId) ?? []), use.kind]);
    }
    return kinds;
  }

  /** What comes from a meeting is of the day on which that was held. */
  private async dateMeetings({ accountId }: Viewer, referring: readonly Referring[]): Promise<void> {
    const ids = [...new Set(referring.filter(({ row }) => row.ofField === 1).map(({ row }) => row.id))];
    if (ids.length === 0) return;
    const where = {
      documentId: In(ids),
      field: shippedFieldId(accountId, 'meeting', 'Held on'),
      part: 'atom' as const,
    };
    const held = new Map<string, string>();
    for (const { documentId, words } of await this.database.manager.find(FieldValueEntity, { where })) {
      if (isDay(words)) held.set(documentId, words);
    }
    for (const each of referring) each.heldOn = held.get(each.row.id) ?? null;
  }
}

/** The notebook that a page stands in, or the journal. */
export const notebookOf = (id: string, { day, trail }: EntryPlace): string => (day ? JOURNAL : (trail[0]?.id ?? id));

export const asLine = ({ row }: Referring): LineAsked => ({ documentId: row.id, blockId: row.blockId });

/** When it was written: a day, or a moment in ISO 8601. */
export const moment = ({ row, place, heldOn }: Referring): string => place.day ?? heldOn ?? row.changedAt;

/** In each, what was written last comes first where nothing else decides, and lines of one page in their order. */
const newest = (one: Referring, other: Referring): number => {
  if (moment(one) === moment(other)) return one.row.position - other.row.position;
  return moment(one) < moment(other) ? 1 : -1;
};
export const ORDERS: Record<GlossOrder, (one: Referring, other: Referring) => number> = {
  newest,
  oldest: (one, other) => (moment(one) === moment(other) ? newest(one, other) : -newest(one, other)),
  telling: (one, other) => (one.score === other.score ? newest(one, other) : other.score - one.score),
};

/**
 * Whether a filter leaves it.
 *
 * @param worn the ids under which the tag of the filter is worn
 */
export function isWanted(
  connection: ViewerConnection,
  each: Referring,
  filter: MarginFilter,
  tree: KindTree,
  kindsOf: KindsOf,
  worn: readonly string[] = [],
): boolean {
  const { row, place, notebook } = each;
  if (filter.notebook && notebook !== filter.notebook) return false;
  if (filter.isWithoutAside && place.season === 'aside') return false;
  if (filter.kind && !tree.isOf(kindsOf.get(row.id) ?? [], filter.kind)) return false;
  if (filter.since && moment(each) < filter.since) return false;
  return !filter.tag || tagsOf(connection, row).some((tag) => worn.includes(tag));
}

/** The tags that its line wears. */
export const tagsOf = (connection: ViewerConnection, { id, blockId }: ReferringRow): string[] =>
  connection.all<{ tag: string }>(TAGS_OF, { documentId: id, blockId }).map(({ tag }) => tag);
