import { block, shownWords, type NodeJson } from '@glossarion/core/document';
import {
  HEAD,
  JOURNAL,
  type Gloss,
  type GlossAbove,
  type GlossOrder,
  type MarginFacets,
  type MarginFilter,
  type MarginPage,
} from '@glossarion/core/margin';
import { isDay } from '@glossarion/core/journal';
import { shippedFieldId, type KindTree } from '@glossarion/core/kinds';
import type { TagTree } from '@glossarion/core/tags';
import { In } from 'typeorm';
import { visibleEntry, type Viewer, type ViewerConnection, type Step } from '../access';
import type { Database } from '../database/database';
import { REFERRING, TAGS_OF } from '../entities/link.queries';
import { FieldValueEntity, KindUseEntity } from '../entities';
import type { Entries, EntryPlace, EntryReader } from './entries';
import type { Kinds } from './kinds';
import type { Placing } from './placing';
import type { Tags } from './tags';
import type { LineAsked, ShownLine, ShownLines } from './shownLines';

/** Lines and headings above it that are named. */
const ABOVE = 4;
const ABOVE_WORDS = 80;
/** The most pigments that a stack shows. */
const PIGMENTS = 3;

interface ReferringRow extends Step {
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

/** One line that points here, with where it stands. */
interface Referring {
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

/** Which glosses are asked for, among those that a filter leaves. */
export interface GlossPiece {
  /** The place of the first. */
  from?: number;
  limit?: number;
  order?: GlossOrder;
  /** The line they stand beside, or HEAD; all when none is named. */
  line?: string | null;
  /** Whether it is asked what there is to filter by. */
  hasFacets?: boolean;
}

/** What points at a page, read for its Margin. */
export class Margin {
  constructor(
    private database: Database,
    private entries: Entries,
    private tags: Tags,
    private kinds: Kinds,
    private placing: Placing,
    private lines: ShownLines,
  ) {}

  /**
   * One gloss for each line that links here or to a block here, each with the line it stands beside; nothing that is in
   * the bin.
   */
  async glosses(
    viewer: Viewer,
    pageId: string,
    filter: MarginFilter = {},
    { from = 0, limit = 200, order = 'newest', line = null, hasFacets = false }: GlossPiece = {},
  ): Promise<MarginPage> {
    const connection = this.database.reading(viewer);
    if (this.entries.dayOf(viewer, pageId) === null) visibleEntry(connection, pageId);
    const rows = connection.many<ReferringRow>(REFERRING, { pageId });
    const reader = this.entries.reader(viewer, rows);
    const all = await this.referring(viewer, pageId, rows, reader);
    const tree = await this.kinds.tree(viewer);
    const kindsOf = hasFacets || filter.kind ? await this.kindsOf(all) : NO_KINDS;
    const wanted = all.filter((each) => isWanted(connection, each, filter, tree, kindsOf)).sort(ORDERS[order]);
    const stacks = stacksOf(wanted);
    const here = line === null ? wanted : (stacks.get(line === HEAD ? null : line) ?? []);
    const wantedHere = here.slice(from, from + limit);
    const titleOf = (id: string) => reader.target(id).title;
    const lineOf: LineOf = (documentId, blockId) => {
      const [line] = this.lines.read(connection, [{ documentId, blockId }]);
      return line ? { ...line, words: wordsOf(line.node, titleOf) } : null;
    };
    const firsts = [...stacks.values()].map(([first]) => first!);
    const shown = wantedHere.length === wanted.length ? wantedHere : [...new Set([...wantedHere, ...firsts])];
    const ofLines = shown.filter(({ row }) => row.ofField === 0);
    const lines = this.lines.read(connection, ofLines.map(asLine));
    const lineAt = new Map<Referring, ShownLine>(ofLines.map((each, index) => [each, lines[index]!]));
    for (const each of shown) if (each.row.ofField === 1) lineAt.set(each, lineOfField(each, tree));
    const glosses = wantedHere.map((each) => glossOf(each, lineAt.get(each)!, lineOf, tree));
    const named = new Set<string>();
    for (const { links, tags } of glosses) {
      for (const id of links) named.add(id);
      for (const id of tags) named.add(id);
    }
    return {
      total: all.length,
      count: wanted.length,
      stacks: [...stacks].map(([lineId, each]) => ({
        lineId,
        count: each.length,
        pigments: [...new Set(each.map(({ place }) => (place.day ? null : place.pigment)))].slice(0, PIGMENTS),
        firstWords: firstWordsOf(each[0]!, lineAt.get(each[0]!)!, titleOf),
      })),
      glosses,
      targets: reader.targets([...named]),
      facets: hasFacets ? facets(connection, this.tags.tree(connection), all, tree, kindsOf) : null,
    };
  }

  /** The kinds of the pages that refer to one. */
  private async kindsOf(all: readonly Referring[]): Promise<KindsOf> {
    const documentId = In([...new Set(all.map(({ row }) => row.id))]);
    const kinds = new Map<string, string[]>();
    for (const use of await this.database.manager.find(KindUseEntity, { where: { documentId } })) {
      kinds.set(use.documentId, [...(kinds.get(use.documentId) ?? []), use.kind]);
    }
    return kinds;
  }

  /** All that refers to a page, each line once, with where it stands. */
  private async referring(
    viewer: Viewer,
    pageId: string,
    rows: readonly ReferringRow[],
    reader: EntryReader,
  ): Promise<Referring[]> {
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
        notebook: place.day ? JOURNAL : (place.trail[0]?.id ?? row.id),
        targetBlockId,
        lineId: targetBlockId ?? row.lineId,
        isMoved: false,
        heldOn: null,
        score: targetBlockId === null ? (row.score ?? 0) : Infinity,
      });
    }
    const unknown = [...referring.values()].filter(
      ({ row, targetBlockId }) => targetBlockId === null && row.score === null && row.ofField === 0,
    );
    for (const { documentId, blockId, lineId, score } of await this.placing.find(viewer, pageId, unknown.map(asLine))) {
      Object.assign(referring.get(`${documentId}/${blockId}`)!, { lineId, score });
    }
    for (const [key, lineId] of await this.placing.moved(viewer, pageId)) {
      const each = referring.get(key);
      if (each) Object.assign(each, { lineId, isMoved: true, score: Infinity });
    }
    await this.dateMeetings(viewer, [...referring.values()]);
    return [...referring.values()];
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

const asLine = ({ row }: Referring): LineAsked => ({ documentId: row.id, blockId: row.blockId });

/** The kinds of pages, by the page. */
type KindsOf = ReadonlyMap<string, readonly string[]>;
const NO_KINDS: KindsOf = new Map();

const fieldName = ({ row }: Referring, tree: KindTree): string | null =>
  row.ofField === 1 ? (tree.field(row.blockId)?.name ?? 'A field') : null;

/** The beginning of a stack; of a field, the page it is of too. */
const firstWordsOf = ({ row, place }: Referring, { node }: ShownLine, titleOf: (id: string) => string): string =>
  row.ofField === 1 ? `${place.title}: ${wordsOf(node, titleOf)}` : wordsOf(node, titleOf);

/** A field that leads here has no line: what it is called stands for its words. */
const lineOfField = (each: Referring, tree: KindTree): ShownLine => ({
  documentId: each.row.id,
  node: block('paragraph', fieldName(each, tree)!, { id: each.row.blockId }),
  children: [],
  links: [],
  tags: [],
  parentBlockId: null,
  headingId: null,
  headingWords: null,
  position: 0,
  depth: 0,
  nextDepth: null,
});

function glossOf(each: Referring, line: ShownLine, lineOf: LineOf, tree: KindTree): Gloss {
  const { row, place, targetBlockId, lineId, isMoved, heldOn } = each;
  return {
    blockId: row.blockId,
    field: fieldName(each, tree),
    pageId: row.id,
    pageTitle: place.title,
    trail: place.trail,
    pigment: place.pigment,
    day: place.day,
    heldOn,
    standsIn: place.standsIn,
    changedAt: row.changedAt,
    targetBlockId,
    lineId,
    isMoved,
    above: aboveOf(line, lineOf),
    node: line.node,
    children: line.children,
    links: line.links,
    tags: line.tags,
  };
}

const moment = ({ row, place, heldOn }: Referring): string => place.day ?? heldOn ?? row.changedAt;

/** In each, what was written last comes first where nothing else decides, and lines of one page in their order. */
const newest = (one: Referring, other: Referring): number => {
  if (moment(one) === moment(other)) return one.row.position - other.row.position;
  return moment(one) < moment(other) ? 1 : -1;
};
const ORDERS: Record<GlossOrder, (one: Referring, other: Referring) => number> = {
  newest,
  oldest: (one, other) => (moment(one) === moment(other) ? newest(one, other) : -newest(one, other)),
  telling: (one, other) => (one.score === other.score ? newest(one, other) : other.score - one.score),
};

/** By the line they stand beside. */
function stacksOf(referring: readonly Referring[]): Map<string | null, Referring[]> {
  const stacks = new Map<string | null, Referring[]>();
  for (const each of referring) {
    const stack = stacks.get(each.lineId);
    if (stack) stack.push(each);
    else stacks.set(each.lineId, [each]);
  }
  return stacks;
}

function isWanted(
  connection: ViewerConnection,
  each: Referring,
  filter: MarginFilter,
  tree: KindTree,
  kindsOf: KindsOf,
): boolean {
  const { row, place, notebook } = each;
  if (filter.notebook && notebook !== filter.notebook) return false;
  if (filter.isWithoutAside && place.season === 'aside') return false;
  if (filter.kind && !tree.isOf(kindsOf.get(row.id) ?? [], filter.kind)) return false;
  if (filter.since && moment(each) < filter.since) return false;
  return !filter.tag || tagsOf(connection, row).some(({ tag }) => tag === filter.tag);
}

const tagsOf = (connection: ViewerConnection, { id, blockId }: ReferringRow) =>
  connection.all<{ tag: string }>(TAGS_OF, { documentId: id, blockId });

/** What there is to filter by, most first. */
function facets(
  connection: ViewerConnection,
  tree: TagTree,
  all: readonly Referring[],
  kindTree: KindTree,
  kindsOf: KindsOf,
): MarginFacets {
  const notebooks = new Map<string, MarginFacets['notebooks'][number]>();
  const tags = new Map<string, MarginFacets['tags'][number]>();
  const kinds = new Map<string, MarginFacets['kinds'][number]>();
  for (const { row, place, notebook } of all) {
    const name = place.day ? 'Journal' : (place.trail[0]?.name ?? place.title);
    const known = notebooks.get(notebook) ?? { id: notebook, name, pigment: place.pigment, count: 0 };
    notebooks.set(notebook, { ...known, count: known.count + 1 });
    for (const tag of new Set(tagsOf(connection, row).map((one) => one.tag))) {
      const shown = tree.nameOf(tag);
      if (shown !== null) tags.set(tag, { tag, name: shown, count: (tags.get(tag)?.count ?? 0) + 1 });
    }
  }
  for (const { row } of all) {
    for (const kind of kindsOf.get(row.id) ?? []) {
      const name = kindTree.get(kind)?.name;
      if (name !== undefined) kinds.set(kind, { kind, name, count: (kinds.get(kind)?.count ?? 0) + 1 });
    }
  }
  const most = <T extends { count: number }>(found: Iterable<T>): T[] =>
    [...found].sort((one, other) => other.count - one.count);
  return {
    notebooks: most(notebooks.values()),
    tags: most(tags.values()).slice(0, 24),
    kinds: most(kinds.values()),
    aside: all.filter(({ place }) => place.season === 'aside').length,
  };
}

/** A line that others stand beneath, with its words as they read. */
interface AboveLine extends ShownLine {
  words: string;
}

type LineOf = (documentId: string, blockId: string) => AboveLine | null;

/** What the line stands beneath: the heading, and the lines it is indented under. */
function aboveOf({ documentId, parentBlockId, headingId, headingWords }: ShownLine, lineOf: LineOf): GlossAbove[] {
  const above: GlossAbove[] = [];
  for (let id = parentBlockId; id !== null && above.length < ABOVE - 1;) {
    const line = lineOf(documentId, id);
    if (!line) break;
    above.unshift({ blockId: id, words: line.words });
    id = line.parentBlockId;
  }
  if (headingId !== null && headingId !== above[0]?.blockId) {
    const words = headingWords ?? lineOf(documentId, headingId)?.words ?? '';
    above.unshift({ blockId: headingId, words: shortened(words) });
  }
  return above.filter(({ words }) => words !== '');
}

const wordsOf = (node: NodeJson, titleOf: (id: string) => string): string => shortened(shownWords(node, titleOf));

const shortened = (words: string): string => {
  const trimmed = words.trim();
  if (trimmed.length <= ABOVE_WORDS) return trimmed;
  const characters = Array.from(trimmed);
  return characters.length > ABOVE_WORDS ? `${characters.slice(0, ABOVE_WORDS - 1).join('')}…` : trimmed;
};
