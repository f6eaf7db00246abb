import type { Listed, ListedOrder } from '@glossarion/core/document';
import type { FoundList, Gloss } from '@glossarion/core/margin';
import type { Target } from '@glossarion/core/links';
import { In } from 'typeorm';
import type { Viewer } from '../access';
import type { Database } from '../database/database';
import { TaskEntity } from '../entities';
import type { Entries } from './entries';
import type { Find, Habits, Listed as ListedPages } from './find';
import { namedInGlosses, ReadGlosses } from './glosses';
import type { Kinds } from './kinds';
import { notebookOf, type Referring } from './referring';
import type { ShownLines } from './shownLines';

/** The most pages that are looked at. */
const LOOKED_AT = 1_000;

/** Which list is asked for. */
export interface FoundListWish {
  q: string;
  of: Listed;
  by: ListedOrder;
  most: number;
}

type FoundPage = ListedPages['found'][number];

/** A line to be shown, with the page it stands on. */
interface PlacedLine {
  page: FoundPage;
  blockId: string;
}

/** What a search finds, as it stands in a list on a page. */
export class FoundLists {
  constructor(
    private database: Database,
    private entries: Entries,
    private find: Find,
    private kinds: Kinds,
    private lines: ShownLines,
  ) {}

  /** @param habits by which days in words are read */
  async of(viewer: Viewer, { q, of, by, most }: FoundListWish, habits: Habits): Promise<FoundList> {
    const { found, remarks, isMore } = await this.find.listed(
      viewer,
      // Nobody types on: its last word is whole.
      `${q.trim()} `,
      { by: by === 'best' ? 'ranked' : 'newest', limit: LOOKED_AT },
      habits,
    );
    const pages = found.sort(IN_ORDER[by]);
    const list = { isMore, remarks, pages: [] as Target[], glosses: [] as Gloss[] };
    if (of === 'pages') {
      const targets = pages.map(({ target }) => target);
      return { ...list, count: targets.length, pages: targets.slice(0, most), targets: [] };
    }
    const lines = of === 'lines' ? linesOf(pages, most) : await this.tasksOf(pages);
    const connection = this.database.reading(viewer);
    const reader = this.entries.reader(viewer);
    const shown = lines.slice(0, most).map(({ page, blockId }): Referring => {
      const place = reader.place(page.target.id);
      return {
        row: {
          id: page.target.id,
          blockId,
          ofField: 0,
          target: null,
          position: 0,
          changedAt: page.changedAt,
          lineId: null,
          score: null,
        },
        place,
        notebook: notebookOf(page.target.id, place),
        targetBlockId: null,
        lineId: null,
        isMoved: false,
        score: 0,
        heldOn: null,
      };
    });
    const read = new ReadGlosses(this.lines, connection, reader, await this.kinds.tree(viewer), shown);
    const glosses = shown.map((each) => read.of(each));
    // Lines are read for no more pages than are shown: how many there are in all is not known.
    const isUnread = of === 'lines' && lines.length > most;
    return {
      ...list,
      isMore: isMore || isUnread,
      count: lines.length,
      glosses,
      targets: reader.targets(namedInGlosses(glosses)),
    };
  }

  /** The open tasks of pages, in the order of the pages. */
  private async tasksOf(pages: readonly FoundPage[]): Promise<PlacedLine[]> {
    const ids = pages.map(({ target }) => target.id);
    const where = { documentId: In(ids), state: In(['open', 'begun']) };
    const tasks = await this.database.manager.find(TaskEntity, { where });
    const ofPage = new Map<string, string[]>();
    for (const { documentId, blockId } of tasks) {
      ofPage.set(documentId, [...(ofPage.get(documentId) ?? []), blockId]);
    }
    return pages.flatMap((page) => (ofPage.get(page.target.id) ?? []).map((blockId) => ({ page, blockId })));
  }
}

/** The lines of pages that fit, in the order of the pages; no more pages are read than are shown. */
function linesOf(pages: readonly FoundPage[], most: number): PlacedLine[] {
  const lines: PlacedLine[] = [];
  for (const page of pages) {
    for (const blockId of page.lines()) lines.push({ page, blockId });
    if (lines.length > most) break;
  }
  return lines;
}

/** When it was written: a day of the journal, or the moment of its last change. */
const at = ({ target, changedAt }: FoundPage): string => target.day ?? changedAt;

const compared = (one: string, other: string): number => (one < other ? -1 : one > other ? 1 : 0);

const IN_ORDER: Record<ListedOrder, (one: FoundPage, other: FoundPage) => number> = {
  best: () => 0,
  newest: (one, other) => compared(at(other), at(one)),
  oldest: (one, other) => compared(at(one), at(other)),
  title: (one, other) => one.target.title.localeCompare(other.target.title),
};
