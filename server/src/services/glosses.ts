import { block, shownWords, type NodeJson } from '@glossarion/core/document';
import type { KindTree } from '@glossarion/core/kinds';
import type { Gloss, GlossAbove } from '@glossarion/core/margin';
import type { ViewerConnection } from '../access';
import type { EntryReader } from './entries';
import { asLine, type Referring } from './referring';
import type { ShownLine, ShownLines } from './shownLines';
import { wholeLines } from './wholeLines';

/** Lines and headings above it that are named. */
const ABOVE = 4;
const ABOVE_WORDS = 80;

/** The lines of what refers to a page, each with what it says and what it stands beneath. */
export class ReadGlosses {
  private lineAt: ReadonlyMap<Referring, ShownLine>;
  private titleOf = (id: string): string => this.reader.title(id);

  constructor(
    private lines: ShownLines,
    private connection: ViewerConnection,
    private reader: EntryReader,
    private tree: KindTree,
    shown: readonly Referring[],
  ) {
    const ofLines = shown.filter(({ row }) => row.ofField === 0);
    const read = lines.read(connection, ofLines.map(asLine));
    const lineAt = new Map<Referring, ShownLine>(ofLines.map((each, index) => [each, read[index]!]));
    for (const each of shown) if (each.row.ofField === 1) lineAt.set(each, lineOfField(each, tree));
    this.lineAt = lineAt;
  }

  of(each: Referring): Gloss {
    return glossOf(each, this.lineAt.get(each)!, this.lineOf, this.tree);
  }

  /** The beginning of its words; of a field, the page it is of too. */
  firstWords(each: Referring): string {
    const words = wordsOf(this.lineAt.get(each)!.node, this.titleOf);
    return each.row.ofField === 1 ? `${each.place.title}: ${words}` : words;
  }

  private lineOf: LineOf = (documentId, blockId) => {
    const [line] = this.lines.read(this.connection, [{ documentId, blockId }]);
    return line ? { ...line, words: wordsOf(line.node, this.titleOf) } : null;
  };
}

/** A gloss as files show it: its line alone. */
export interface LineGloss extends Pick<Gloss, 'pageId' | 'lineId' | 'trail' | 'pigment' | 'node'> {
  /** Null of a field. */
  blockId: string | null;
}

/** Lines that are read in one go. */
const LOT = 500;

/** Glosses as files show them, by the page whose they are. */
export function readLineGlosses(
  connection: ViewerConnection,
  shown: ReadonlyMap<string, readonly Referring[]>,
  tree: KindTree,
): Map<string, LineGloss[]> {
  const asked = [...shown.values()].flat().filter(({ row }) => row.ofField === 0);
  const nodes = new Map<Referring, NodeJson>();
  for (let from = 0; from < asked.length; from += LOT) {
    const lot = asked.slice(from, from + LOT);
    for (const { place, node } of wholeLines(connection, lot.map(asLine)))
      nodes.set(lot[place]!, JSON.parse(node) as NodeJson);
  }
  const glossOf = (each: Referring): LineGloss => ({
    pageId: each.row.id,
    blockId: each.row.ofField === 1 ? null : each.row.blockId,
    lineId: each.lineId,
    trail: each.place.trail,
    pigment: each.place.pigment,
    node: nodes.get(each) ?? lineOfField(each, tree).node,
  });
  return new Map([...shown].map(([pageId, all]) => [pageId, all.map(glossOf)]));
}

/** All that glosses name. */
export function namedInGlosses(glosses: readonly Gloss[]): string[] {
  const named = new Set<string>();
  for (const { links, tags } of glosses) {
    for (const id of links) named.add(id);
    for (const id of tags) named.add(id);
  }
  return [...named];
}

const fieldName = ({ row }: Referring, tree: KindTree): string | null =>
  row.ofField === 1 ? (tree.field(row.blockId)?.name ?? 'A field') : null;

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
