import { namedIn, shownWords, type NodeJson } from '@glossarion/core/document';
import {
  JOURNAL,
  type Gloss,
  type GlossAbove,
  type MarginFacets,
  type MarginFilter,
  type MarginPage,
} from '@glossarion/core/margin';
import type { TagTree } from '@glossarion/core/tags';
import { visibleEntry, type Viewer, type ViewerConnection, type Step } from '../access';
import type { Database } from '../database/database';
import { FOLLOWING, REFERRING, TAGS_OF, WHOLE_LINES } from '../entities/link.queries';
import type { Entries, EntryPlace } from './entries';
import type { Tags } from './tags';

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
    private tags: Tags,
  ) {}

  /**
   * One gloss for each line that links here or to a block here; newest first; nothing that is in the bin.
   *
   * @param from the place of the first that is wanted, among those the filter leaves
   * @param hasFacets whether it is asked what there is to filter by
   */
  glosses(
    viewer: Viewer,
    pageId: string,
    filter: MarginFilter = {},
    { from = 0, limit = 200, hasFacets = false }: { from?: number; limit?: number; hasFacets?: boolean } = {},
  ): MarginPage {
    const connection = this.database.reading(viewer);
    if (this.entries.dayOf(viewer, pageId) === null) visibleEntry(connection, pageId);
    const rows = connection.all<ReferringRow>(REFERRING, { pageId });
    const reader = this.entries.reader(viewer, rows);
    const referring = new Map<string, Referring>();
    for (const row of rows) {
      const key = `${row.id}/${row.blockId}`;
      if (referring.has(key)) continue;
      const place = reader.place(row.id);
      if (place.isDeleted) continue;
      referring.set(key, { row, place, notebook: place.day ? JOURNAL : (place.trail[0]?.id ?? row.id) });
    }
    const all = [...referring.values()];
    const wanted = all.filter((each) => isWanted(connection, each, filter));
    const moment = ({ row, place }: Referring) => place.day ?? row.changedAt;
    wanted.sort((one, other) =>
      moment(one) === moment(other) ? one.row.position - other.row.position : moment(one) < moment(other) ? 1 : -1,
    );
    const lineOf = aboveLines(connection, (id) => reader.target(id).title);
    const wantedHere = wanted.slice(from, from + limit);
    const lines = wholeLines(connection, wantedHere);
    const glosses = wantedHere.map((each, index) => this.gloss(connection, pageId, each, lines[index]!, lineOf));
    const named = new Set(glosses.flatMap((gloss) => [...gloss.links, ...gloss.tags]));
    return {
      total: all.length,
      count: wanted.length,
      glosses,
      targets: reader.targets([...named]),
      facets: hasFacets ? facets(connection, this.tags.tree(connection), all) : null,
    };
  }

  private gloss(
    connection: ViewerConnection,
    here: string,
    { row, place }: Referring,
    line: WholeLine,
    lineOf: LineOf,
  ): Gloss {
    const { id: pageId, blockId, changedAt, target } = row;
    const nodes = [JSON.parse(line.node) as NodeJson, ...childrenOf(connection, pageId, line)];
    return {
      blockId,
      pageId,
      pageTitle: place.title,
      trail: place.trail,
      pigment: place.pigment,
      day: place.day,
      changedAt,
      targetBlockId: target === here ? null : (this.entries.block(connection.viewer, target)?.blockId ?? null),
      above: aboveOf(pageId, line, lineOf),
      node: nodes[0]!,
      children: nodes.slice(1),
      ...namedIn(nodes),
    };
  }
}

/** The lines themselves, in the order of those that refer. */
function wholeLines(connection: ViewerConnection, referring: readonly Referring[]): WholeLine[] {
  const asked = JSON.stringify(referring.map(({ row }) => [row.id, row.blockId]));
  const lines: WholeLine[] = [];
  for (const line of connection.all<WholeLine>(WHOLE_LINES, { asked })) lines[line.place] = line;
  return lines;
}

function isWanted(connection: ViewerConnection, { row, place, notebook }: Referring, filter: MarginFilter): boolean {
  if (filter.notebook && notebook !== filter.notebook) return false;
  if (filter.isWithoutAside && place.season === 'aside') return false;
  if (filter.since && (place.day ?? row.changedAt) < filter.since) return false;
  return !filter.tag || tagsOf(connection, row).some(({ tag }) => tag === filter.tag);
}

const tagsOf = (connection: ViewerConnection, { id, blockId }: ReferringRow) =>
  connection.all<{ tag: string }>(TAGS_OF, { documentId: id, blockId });

/** What there is to filter by, most first. */
function facets(connection: ViewerConnection, tree: TagTree, all: readonly Referring[]): MarginFacets {
  const notebooks = new Map<string, MarginFacets['notebooks'][number]>();
  const tags = new Map<string, MarginFacets['tags'][number]>();
  for (const { row, place, notebook } of all) {
    const name = place.day ? 'Journal' : (place.trail[0]?.name ?? place.title);
    const known = notebooks.get(notebook) ?? { id: notebook, name, pigment: place.pigment, count: 0 };
    notebooks.set(notebook, { ...known, count: known.count + 1 });
    for (const tag of new Set(tagsOf(connection, row).map((one) => one.tag))) {
      const shown = tree.nameOf(tag);
      if (shown !== null) tags.set(tag, { tag, name: shown, count: (tags.get(tag)?.count ?? 0) + 1 });
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

type LineOf = (documentId: string, blockId: string) => AboveLine | null;

/** What the line stands beneath: the heading, and the lines it is indented under. */
function aboveOf(documentId: string, row: WholeLine, lineOf: LineOf): GlossAbove[] {
  const above: GlossAbove[] = [];
  for (let id = row.parentBlockId; id !== null && above.length < ABOVE - 1;) {
    const line = lineOf(documentId, id);
    if (!line) break;
    above.unshift({ blockId: id, words: line.words });
    id = line.parentBlockId;
  }
  if (row.headingId !== null && row.headingId !== above[0]?.blockId) {
    const words = row.headingWords ?? lineOf(documentId, row.headingId)?.words ?? '';
    above.unshift({ blockId: row.headingId, words: shortened(words) });
  }
  return above.filter(({ words }) => words !== '');
}

/** Reads lines that others stand beneath; many stand beneath the same. */
function aboveLines(connection: ViewerConnection, titleOf: (id: string) => string): LineOf {
  const read = new Map<string, AboveLine | null>();
  return (documentId, id) => {
    const key = `${documentId}/${id}`;
    if (!read.has(key)) {
      const [line] = connection.all<LineRow>(WHOLE_LINES, { asked: JSON.stringify([[documentId, id]]) });
      read.set(key, line ? { ...line, words: aboveWords(line.node, titleOf) } : null);
    }
    return read.get(key)!;
  };
}

/** What stands beneath a line. */
function childrenOf(connection: ViewerConnection, documentId: string, row: WholeLine): NodeJson[] {
  if (row.nextDepth === null || row.nextDepth <= row.depth) return [];
  const { position } = row;
  const following = connection.each<{ depth: number; node: string }>(FOLLOWING, {
    documentId,
    position,
    limit: CHILDREN,
  });
  const children: NodeJson[] = [];
  for (const { depth, node } of following) {
    if (depth <= row.depth) break;
    children.push(JSON.parse(node) as NodeJson);
  }
  return children;
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
