import { shownWords, type NodeJson } from '@glossarion/core/document';
import {
  JOURNAL,
  namedIn,
  type Gloss,
  type GlossAbove,
  type MarginFacets,
  type MarginFilter,
  type MarginPage,
} from '@glossarion/core/margin';
import type { Database } from '../database/database';
import { STEP_COLUMNS, type Entries, type EntryPlace, type Step } from './entries';

/** Lines beneath a referring line that are shown with it. */
const CHILDREN = 12;
/** Lines and headings above it that are named. */
const ABOVE = 4;
const ABOVE_WORDS = 80;

interface ReferringRow extends Step {
  pageId: string;
  blockId: string;
  target: string;
  position: number;
  changedAt: string;
}

interface LineRow {
  parentId: string | null;
  headingId: string | null;
  position: number;
  depth: number;
  node: string;
  /** How deep the line after it stands; null at the end. */
  nextDepth: number | null;
}

/** Everything this page is called by: itself, what was merged into it, its blocks, and blocks that were joined to those. */
const HERE = `
  WITH RECURSIVE pages(id) AS (
    SELECT @pageId UNION SELECT e.id FROM entries e JOIN pages ON e.mergedInto = pages.id
  ), here(id) AS (
    SELECT id FROM pages
    UNION ALL SELECT id FROM blocks WHERE pageId = @pageId
    UNION ALL SELECT formerId FROM formerIds WHERE pageId = @pageId
  )`;

/** CROSS JOIN keeps the order: from what this page is called by to the lines that link there, whatever the account holds. */
const REFERRING = `${HERE}
  SELECT l.pageId, l.blockId, l.target, b.position, e.changedAt, ${STEP_COLUMNS}
  FROM here CROSS JOIN links l ON l.target = here.id
  CROSS JOIN blocks b ON b.pageId = l.pageId AND b.id = l.blockId
  CROSS JOIN entries e ON e.id = l.pageId
  WHERE e.ownerId = @ownerId`;

const LINE = `
  SELECT b.parentId, b.headingId, b.position, b.depth, b.node, next.depth AS nextDepth
  FROM blocks b LEFT JOIN blocks next ON next.pageId = b.pageId AND next.position = b.position + 1
  WHERE b.pageId = ? AND b.id = ?`;

const TAGS = 'SELECT name, tag FROM tags WHERE pageId = ? AND blockId = ?';

/** One line that points here, with where it stands. */
interface Referring {
  row: ReferringRow;
  place: EntryPlace;
  notebook: string;
}

/** What points at a page, read for its Margin. */
export class Margin {
  constructor(
    private database: Database,
    private entries: Entries,
  ) {}

  /**
   * One gloss for each line that links here or to a block here; newest first; nothing that is in the bin.
   *
   * @param from the place of the first that is wanted, among those the filter leaves
   */
  glosses(ownerId: string, pageId: string, filter: MarginFilter = {}, from = 0, limit = 200): MarginPage {
    if (this.entries.dayOf(ownerId, pageId) === null) this.entries.own(ownerId, pageId);
    const rows = this.database.all<ReferringRow>(REFERRING, { ownerId, pageId });
    const reading = this.entries.reading(ownerId, rows);
    const referring = new Map<string, Referring>();
    for (const row of rows) {
      const key = `${row.pageId}/${row.blockId}`;
      if (referring.has(key)) continue;
      const place = reading.place(row.pageId);
      if (place.isDeleted) continue;
      referring.set(key, { row, place, notebook: place.day ? JOURNAL : (place.trail[0]?.id ?? row.pageId) });
    }
    const all = [...referring.values()];
    const wanted = all.filter((each) => this.isWanted(each, filter));
    const moment = ({ row, place }: Referring) => place.day ?? row.changedAt;
    wanted.sort((one, other) =>
      moment(one) === moment(other) ? one.row.position - other.row.position : moment(one) < moment(other) ? 1 : -1,
    );
    const titleOf = (id: string) => reading.targets([id])[0]!.title;
    const glosses = wanted
      .slice(from, from + limit)
      .flatMap((each) => this.gloss(ownerId, pageId, each, titleOf) ?? []);
    const named = new Set(glosses.flatMap((gloss) => gloss.links));
    return {
      total: all.length,
      count: wanted.length,
      glosses,
      targets: reading.targets([...named]),
      facets: from === 0 ? this.facets(all) : { notebooks: [], tags: [], aside: 0 },
    };
  }

  private isWanted({ row, place, notebook }: Referring, filter: MarginFilter): boolean {
    if (filter.notebook && notebook !== filter.notebook) return false;
    if (filter.isWithoutAside && place.season === 'aside') return false;
    if (filter.since && (place.day ?? row.changedAt) < filter.since) return false;
    if (!filter.tag) return true;
    return this.tagsOf(row).some(({ tag }) => tag === filter.tag);
  }

  private tagsOf({ pageId, blockId }: ReferringRow): { name: string; tag: string }[] {
    return this.database.all(TAGS, pageId, blockId);
  }

  private facets(all: readonly Referring[]): MarginFacets {
    const notebooks = new Map<string, MarginFacets['notebooks'][number]>();
    const tags = new Map<string, MarginFacets['tags'][number]>();
    for (const { row, place, notebook } of all) {
      const name = place.day ? 'Journal' : (place.trail[0]?.name ?? place.title);
      const known = notebooks.get(notebook) ?? { id: notebook, name, pigment: place.pigment, count: 0 };
      notebooks.set(notebook, { ...known, count: known.count + 1 });
      for (const each of new Map(this.tagsOf(row).map((one) => [one.tag, one])).values()) {
        tags.set(each.tag, { ...each, count: (tags.get(each.tag)?.count ?? 0) + 1 });
      }
    }
    const most = <T extends { count: number }>(found: Iterable<T>): T[] =>
      [...found].sort((one, other) => other.count - one.count);
    return {
      notebooks: most(notebooks.values()),
      tags: most(tags.values()).slice(0, 24),
      aside: all.filter(({ place }) => place.season === 'aside').length,
    };
  }

  private gloss(
    ownerId: string,
    here: string,
    { row, place }: Referring,
    titleOf: (id: string) => string,
  ): Gloss | null {
    const { pageId, blockId, changedAt, target } = row;
    const line = this.database.first<LineRow>(LINE, pageId, blockId);
    if (!line) return null;
    const nodes = [JSON.parse(line.node) as NodeJson, ...this.children(pageId, line)];
    return {
      blockId,
      pageId,
      pageTitle: place.title,
      trail: place.trail,
      pigment: place.pigment,
      day: place.day,
      changedAt,
      targetBlockId: target === here ? null : (this.entries.block(ownerId, target)?.blockId ?? null),
      above: this.above(pageId, line, titleOf),
      node: nodes[0]!,
      children: nodes.slice(1),
      ...namedIn(nodes),
    };
  }

  /** What the line stands beneath: the lines it is indented under, then the heading over all of them. */
  private above(pageId: string, line: LineRow, titleOf: (id: string) => string): GlossAbove[] {
    const above: GlossAbove[] = [];
    let { parentId } = line;
    while (parentId !== null && above.length < ABOVE - 1) {
      const parent = this.database.first<LineRow>(LINE, pageId, parentId);
      if (!parent) break;
      above.unshift({ blockId: parentId, words: aboveWords(parent.node, titleOf) });
      parentId = parent.parentId;
    }
    const heading = line.headingId && this.database.first<LineRow>(LINE, pageId, line.headingId);
    if (heading && line.headingId !== above[0]?.blockId) {
      above.unshift({ blockId: line.headingId!, words: aboveWords(heading.node, titleOf) });
    }
    return above.filter(({ words }) => words !== '');
  }

  private children(pageId: string, line: LineRow): NodeJson[] {
    if (line.nextDepth === null || line.nextDepth <= line.depth) return [];
    const following = this.database
      .statement('SELECT depth, node FROM blocks WHERE pageId = ? AND position > ? ORDER BY position LIMIT ?')
      .iterate(pageId, line.position, CHILDREN) as IterableIterator<{ depth: number; node: string }>;
    const children: NodeJson[] = [];
    for (const { depth, node } of following) {
      if (depth <= line.depth) break;
      children.push(JSON.parse(node) as NodeJson);
    }
    return children;
  }
}

const aboveWords = (node: string, titleOf: (id: string) => string): string => {
  const words = Array.from(shownWords(JSON.parse(node) as NodeJson, titleOf).trim());
  return words.length > ABOVE_WORDS ? `${words.slice(0, ABOVE_WORDS - 1).join('')}…` : words.join('');
};
