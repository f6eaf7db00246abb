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

interface LineRow {
  /** The line it stands beneath. */
  parentBlockId: string | null;
  headingId: string | null;
  position: number;
  depth: number;
  node: string;
}

interface WholeLine extends LineRow {
  /** Its place among those that were asked for. */
  place: number;
  /** How deep the line after it stands; null at the end. */
  nextDepth: number | null;
  /** The words of its heading; null when these are not its own alone, or when it has none. */
  headingWords: string | null;
}

interface ReferringRow extends Step {
  blockId: string;
  target: string;
  /** The link’s among those of its page. */
  position: number;
  changedAt: string;
}

const LINE_COLUMNS = 'b.parentId AS parentBlockId, b.headingId, b.position, b.depth, b.node';

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
  SELECT l.blockId, l.target, l.position, e.changedAt, ${STEP_COLUMNS}
  FROM here CROSS JOIN links l ON l.target = here.id CROSS JOIN entries e ON e.id = l.pageId
  WHERE e.ownerId = @ownerId`;

/** Lines with all that their glosses show; asked for as a list of pages and lines in turn. */
const WHOLE = `
  SELECT asked.key AS place, ${LINE_COLUMNS}, next.depth AS nextDepth,
    CASE WHEN b.headingId IS NOT NULL
      AND NOT EXISTS (SELECT 1 FROM links hl WHERE hl.pageId = b.pageId AND hl.blockId = b.headingId)
      THEN heading.words END AS headingWords
  FROM json_each(?) asked
  CROSS JOIN blocks b ON b.pageId = asked.value ->> 0 AND b.id = asked.value ->> 1
  LEFT JOIN blocks next ON next.pageId = b.pageId AND next.position = b.position + 1
  LEFT JOIN blocks heading ON heading.pageId = b.pageId AND heading.id = b.headingId`;

const LINE = `SELECT ${LINE_COLUMNS} FROM blocks b WHERE b.pageId = ? AND b.id = ?`;

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
   * @param hasFacets whether it is asked what there is to filter by
   */
  glosses(
    ownerId: string,
    pageId: string,
    filter: MarginFilter = {},
    { from = 0, limit = 200, hasFacets = false }: { from?: number; limit?: number; hasFacets?: boolean } = {},
  ): MarginPage {
    if (this.entries.dayOf(ownerId, pageId) === null) this.entries.own(ownerId, pageId);
    const rows = this.database.all<ReferringRow>(REFERRING, { ownerId, pageId });
    const reading = this.entries.reading(ownerId, rows);
    const referring = new Map<string, Referring>();
    for (const row of rows) {
      const key = `${row.id}/${row.blockId}`;
      if (referring.has(key)) continue;
      const place = reading.place(row.id);
      if (place.isDeleted) continue;
      referring.set(key, { row, place, notebook: place.day ? JOURNAL : (place.trail[0]?.id ?? row.id) });
    }
    const all = [...referring.values()];
    const wanted = all.filter((each) => this.isWanted(each, filter));
    const moment = ({ row, place }: Referring) => place.day ?? row.changedAt;
    wanted.sort((one, other) =>
      moment(one) === moment(other) ? one.row.position - other.row.position : moment(one) < moment(other) ? 1 : -1,
    );
    const lineOf = this.aboveLines((id) => reading.targets([id])[0]!.title);
    const shown = wanted.slice(from, from + limit);
    const lines = this.wholeLines(shown);
    const glosses = shown.map((each, index) => this.gloss(ownerId, pageId, each, lines[index]!, lineOf));
    const named = new Set(glosses.flatMap((gloss) => gloss.links));
    return {
      total: all.length,
      count: wanted.length,
      glosses,
      targets: reading.targets([...named]),
      facets: hasFacets ? this.facets(all) : null,
    };
  }

  /** The lines themselves, in the order of those that refer. */
  private wholeLines(referring: readonly Referring[]): WholeLine[] {
    const asked = JSON.stringify(referring.map(({ row }) => [row.id, row.blockId]));
    const lines: WholeLine[] = [];
    for (const line of this.database.all<WholeLine>(WHOLE, asked)) lines[line.place] = line;
    return lines;
  }

  private isWanted({ row, place, notebook }: Referring, filter: MarginFilter): boolean {
    if (filter.notebook && notebook !== filter.notebook) return false;
    if (filter.isWithoutAside && place.season === 'aside') return false;
    if (filter.since && (place.day ?? row.changedAt) < filter.since) return false;
    if (!filter.tag) return true;
    return this.tagsOf(row).some(({ tag }) => tag === filter.tag);
  }

  private tagsOf({ id, blockId }: ReferringRow): { name: string; tag: string }[] {
    return this.database.all(TAGS, id, blockId);
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
    line: WholeLine,
    lineOf: (pageId: string, blockId: string) => AboveLine | null,
  ): Gloss {
    const { id: pageId, blockId, changedAt, target } = row;
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
      above: this.above(pageId, line, lineOf),
      node: nodes[0]!,
      children: nodes.slice(1),
      ...namedIn(nodes),
    };
  }

  /** What the line stands beneath: the heading, and the lines it is indented under. */
  private above(
    pageId: string,
    row: WholeLine,
    lineOf: (pageId: string, blockId: string) => AboveLine | null,
  ): GlossAbove[] {
    const above: GlossAbove[] = [];
    for (let id = row.parentBlockId; id !== null && above.length < ABOVE - 1;) {
      const line = lineOf(pageId, id);
      if (!line) break;
      above.unshift({ blockId: id, words: line.words });
      id = line.parentBlockId;
    }
    if (row.headingId !== null && row.headingId !== above[0]?.blockId) {
      const words = row.headingWords ?? lineOf(pageId, row.headingId)?.words ?? '';
      above.unshift({ blockId: row.headingId, words: shortened(words) });
    }
    return above.filter(({ words }) => words !== '');
  }

  /** Reads lines that others stand beneath; many stand beneath the same. */
  private aboveLines(titleOf: (id: string) => string): (pageId: string, blockId: string) => AboveLine | null {
    const met = new Map<string, AboveLine | null>();
    return (pageId, blockId) => {
      const key = `${pageId}/${blockId}`;
      if (!met.has(key)) {
        const line = this.database.first<LineRow>(LINE, pageId, blockId);
        met.set(key, line ? { ...line, words: aboveWords(line.node, titleOf) } : null);
      }
      return met.get(key)!;
    };
  }

  private children(pageId: string, row: WholeLine): NodeJson[] {
    if (row.nextDepth === null || row.nextDepth <= row.depth) return [];
    const following = this.database
      .statement('SELECT depth, node FROM blocks WHERE pageId = ? AND position > ? ORDER BY position LIMIT ?')
      .iterate(pageId, row.position, CHILDREN) as IterableIterator<{ depth: number; node: string }>;
    const children: NodeJson[] = [];
    for (const { depth, node } of following) {
      if (depth <= row.depth) break;
      children.push(JSON.parse(node) as NodeJson);
    }
    return children;
  }
}

/** A line that others stand beneath, with its words as they read. */
interface AboveLine extends LineRow {
  words: string;
}

const aboveWords = (node: string, titleOf: (id: string) => string): string =>
  shortened(shownWords(JSON.parse(node) as NodeJson, titleOf));

const shortened = (words: string): string => {
  const trimmed = words.trim();
  if (trimmed.length <= ABOVE_WORDS) return trimmed;
  const characters = Array.from(trimmed);
  return characters.length > ABOVE_WORDS ? `${characters.slice(0, ABOVE_WORDS - 1).join('')}…` : trimmed;
};
