import { HEAD, type GlossOrder, type MarginFacets, type MarginFilter, type MarginPage } from '@glossarion/core/margin';
import type { KindTree } from '@glossarion/core/kinds';
import type { TagTree } from '@glossarion/core/tags';
import type { Viewer } from '../access';
import type { Database } from '../database/database';
import type { Entries } from './entries';
import { namedInGlosses, ReadGlosses, readLineGlosses, type LineGloss } from './glosses';
import type { Kinds } from './kinds';
import type { MovedOnPage, Placing } from './placing';
import {
  asLine,
  isWanted,
  NO_KINDS,
  ORDERS,
  tagsOf,
  type KindsOf,
  type Referring,
  type ReferringLines,
  type ReferringRow,
} from './referring';
import type { ShownLines } from './shownLines';
import type { Tags } from './tags';

/** The most pigments that a stack shows. */
const PIGMENTS = 3;

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
    private referring: ReferringLines,
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
    const { all, reader } = await this.placed(viewer, pageId);
    const tree = await this.kinds.tree(viewer);
    const kindsOf = hasFacets || filter.kind ? await this.referring.kindsOf(all) : NO_KINDS;
    const tagTree = this.tags.tree(connection);
    const worn = filter.tag ? tagTree.worn(filter.tag) : [];
    const wanted = all.filter((each) => isWanted(connection, each, filter, tree, kindsOf, worn)).sort(ORDERS[order]);
    const stacks = stacksOf(wanted);
    const here = line === null ? wanted : (stacks.get(line === HEAD ? null : line) ?? []);
    const wantedHere = here.slice(from, from + limit);
    const firsts = [...stacks.values()].map(([first]) => first!);
    const shown = wantedHere.length === wanted.length ? wantedHere : [...new Set([...wantedHere, ...firsts])];
    const read = new ReadGlosses(this.lines, connection, reader, tree, shown);
    const glosses = wantedHere.map((each) => read.of(each));
    return {
      total: all.length,
      count: wanted.length,
      stacks: [...stacks].map(([lineId, each]) => ({
        lineId,
        count: each.length,
        pigments: [...new Set(each.map(({ place }) => (place.day ? null : place.pigment)))].slice(0, PIGMENTS),
        firstWords: read.firstWords(each[0]!),
      })),
      glosses,
      targets: reader.targets(namedInGlosses(glosses)),
      facets: hasFacets ? facetsOf(all, (row) => tagsOf(connection, row), tagTree, tree, kindsOf) : null,
    };
  }

  /**
   * The newest glosses of pages, by the page: as files show them, each with its line alone.
   *
   * @param pageIds pages that the viewer was found to see
   * @param limit so many of each page
   */
  async newestGlosses(viewer: Viewer, pageIds: readonly string[], limit: number): Promise<Map<string, LineGloss[]>> {
    const reader = this.entries.reader(viewer);
    const moved = await this.placing.moved(viewer, pageIds);
    const shown = new Map<string, Referring[]>();
    for (const pageId of pageIds) {
      const all = await this.referring.among(viewer, pageId, reader);
      if (all.length === 0) continue;
      await this.place(viewer, pageId, all, moved.get(pageId));
      shown.set(pageId, all.sort(ORDERS.newest).slice(0, limit));
    }
    return readLineGlosses(this.database.reading(viewer), shown, await this.kinds.tree(viewer));
  }

  /** All that refers to a page, each with the line that it stands beside. */
  private async placed(viewer: Viewer, pageId: string) {
    const { all, reader } = await this.referring.to(viewer, pageId);
    if (all.length > 0) {
      await this.place(viewer, pageId, all, (await this.placing.moved(viewer, [pageId])).get(pageId));
    }
    return { all, reader };
  }

  /** Finds the line of the page that each stands beside, where that is not known. */
  private async place(viewer: Viewer, pageId: string, all: readonly Referring[], moved: MovedOnPage | undefined) {
    const unknown = all.filter(
      ({ row, targetBlockId }) => targetBlockId === null && row.score === null && row.ofField === 0,
    );
    if (unknown.length === 0 && !moved) return;
    const referring = new Map(all.map((each) => [`${each.row.id}/${each.row.blockId}`, each]));
    for (const { documentId, blockId, lineId, score } of await this.placing.find(viewer, pageId, unknown.map(asLine))) {
      Object.assign(referring.get(`${documentId}/${blockId}`)!, { lineId, score });
    }
    for (const [key, lineId] of moved ?? []) {
      const each = referring.get(key);
      if (each) Object.assign(each, { lineId, isMoved: true, score: Infinity });
    }
  }
}

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

const most = <T extends { count: number }>(found: Iterable<T>): T[] =>
  [...found].sort((one, other) => other.count - one.count);

/** The kinds of the pages that lines come from, most first. */
export function countedKinds(all: readonly Referring[], tree: KindTree, kindsOf: KindsOf): MarginFacets['kinds'] {
  const kinds = new Map<string, MarginFacets['kinds'][number]>();
  for (const { row } of all) {
    for (const kind of kindsOf.get(row.id) ?? []) {
      const name = tree.get(kind)?.name;
      if (name !== undefined) kinds.set(kind, { kind, name, count: (kinds.get(kind)?.count ?? 0) + 1 });
    }
  }
  return most(kinds.values());
}

/**
 * What there is to filter by, most first.
 *
 * @param wornBy the tags that count for a line
 */
export function facetsOf(
  all: readonly Referring[],
  wornBy: (row: ReferringRow) => readonly string[],
  tagTree: TagTree,
  kindTree: KindTree,
  kindsOf: KindsOf,
): MarginFacets {
  const notebooks = new Map<string, MarginFacets['notebooks'][number]>();
  const tags = new Map<string, MarginFacets['tags'][number]>();
  for (const { row, place, notebook } of all) {
    const name = place.day ? 'Journal' : (place.trail[0]?.name ?? place.title);
    const known = notebooks.get(notebook) ?? { id: notebook, name, pigment: place.pigment, count: 0 };
    notebooks.set(notebook, { ...known, count: known.count + 1 });
    for (const tag of presentTags(tagTree, wornBy(row))) {
      tags.set(tag, { tag, name: tagTree.nameOf(tag)!, count: (tags.get(tag)?.count ?? 0) + 1 });
    }
  }
  return {
    notebooks: most(notebooks.values()),
    tags: most(tags.values()).slice(0, 24),
    kinds: countedKinds(all, kindTree, kindsOf),
    aside: all.filter(({ place }) => place.season === 'aside').length,
  };
}

/** The tags that stand for these now, each once; none that is deleted or that the viewer does not see. */
export const presentTags = (tree: TagTree, worn: readonly string[]): Set<string> =>
  new Set(worn.flatMap((tag) => (tree.isGone(tag) ? [] : tree.present(tag)!.id)));
