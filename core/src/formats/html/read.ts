import type { Element, ElementContent, Root, RootContent } from 'hast';
import { fromHtml } from 'hast-util-from-html';
import { block } from '../../document/build';
import {
  paragraphOf,
  SOLID_KINDS,
  TEXT_KINDS,
  type HtmlForm,
  type HtmlPlace,
  type HtmlReading,
} from '../../document/kinds';
import { ownWords } from '../../document/text';
import { MAX_DEPTH, type MarkJson, type NodeJson } from '../../document/types';
import { attachedTo, readOwn, sharedData } from './data';
import { isWordSign, wordItem } from './wordLists';
import { readInlineElement, textNodes, type ReferenceOf } from './readInline';
import { joinedText } from '../markTree';

/** What reading HTML needs to know of where it is. */
export interface HtmlContext {
  /** Whether spaces count as they stand: in what this product wrote itself. */
  isOwn: boolean;
  /** What stands for a picture; null leaves a link or its words. */
  pictureOf: (src: string, alt: string) => NodeJson | null;
  referenceOf: ReferenceOf;
  /** What stands for a block that shows an attachment, as this product wrote it, with the address of that. */
  attachmentOf: (node: NodeJson, address: string) => NodeJson;
}

/** Collects blocks; words that stand in no block of their own become one. */
class BlockReader implements HtmlReading {
  readonly blocks: NodeJson[] = [];
  private line: NodeJson[] = [];
  private isLineOpen = false;
  /** The attributes of the block whose words are collected. */
  private attrs: Record<string, unknown> = {};
  /** Whether an item was begun that has no words yet. */
  private isItemEmpty = false;

  readonly isOwn: boolean;
  readonly pictureOf: HtmlContext['pictureOf'];
  readonly referenceOf: HtmlContext['referenceOf'];
  readonly attachmentOf: HtmlContext['attachmentOf'];

  constructor(private context: HtmlContext) {
    this.isOwn = context.isOwn;
    this.pictureOf = context.pictureOf;
    this.referenceOf = context.referenceOf;
    this.attachmentOf = context.attachmentOf;
  }

  readonly saidOf = sharedData;
  readonly words = textNodes;

  children(children: readonly (ElementContent | RootContent)[], place: HtmlPlace, marks: MarkJson[]): void {
    readChildren(children, this, place, marks);
  }

  /** The lines of a table's cell, which holds text alone: what else was in it leaves its words. */
  lines(cell: Element): NodeJson[] {
    const reader = new BlockReader(this.context);
    reader.children(cell.children, { depth: 0, kind: 'paragraph', list: null }, []);
    reader.end();
    return reader.blocks.flatMap((node) => {
      if (node.type === 'block') return [{ ...node, attrs: { ...node.attrs, depth: 0 } }];
      const words = ownWords(node).trim();
      return words ? [paragraphOf(words.replace(/\s*\n\s*/gu, ' '))] : [];
    });
  }

  /** Begins a block that is there even if no words follow. */
  begin(attrs: Record<string, unknown>, isItem = false): void {
    this.end();
    this.isLineOpen = true;
    this.attrs = attrs;
    this.isItemEmpty = isItem;
  }

  /** Whether a paragraph that begins here is the line of the item that it stands in; said once for an item. */
  joinsItem(): boolean {
    const joins = this.isItemEmpty;
    this.isItemEmpty = false;
    return joins;
  }

  /** Adds to the present line; opens a plain one when there is none. */
  add(nodes: NodeJson[], place: HtmlPlace): void {
    if (nodes.length === 0) return;
    const isBlank = nodes.every((node) => node.type === 'text' && node.text!.trim() === '');
    if (!this.isLineOpen) {
      if (isBlank) return;
      this.begin({ kind: place.kind, depth: place.depth });
    }
    if (!isBlank) this.isItemEmpty = false;
    this.line.push(...nodes);
  }

  end(): void {
    if (!this.isLineOpen) return;
    const content = this.isOwn ? joinedText(this.line) : trimmed(joinedText(this.line));
    const { kind, ...attrs } = this.attrs;
    const node = block(String(kind), content, attrs);
    this.line = [];
    this.isLineOpen = false;
    this.isItemEmpty = false;
    // Word processors part paragraphs by empty ones.
    const isBlank = content.every((each) => each.type === 'text' && each.text!.trim() === '');
    if (!this.isOwn && kind === 'paragraph' && isBlank) return;
    this.push(node);
  }

  push(node: NodeJson): void {
    this.end();
    this.blocks.push(node);
  }
}

/** Spaces as a browser shows them: none at the ends of a line, one between words. */
function trimmed(nodes: NodeJson[]): NodeJson[] {
  const kept: NodeJson[] = [];
  let afterSpace = true;
  for (const node of nodes) {
    if (node.type !== 'text') {
      kept.push(node);
      afterSpace = node.type === 'hardBreak';
      continue;
    }
    let text = node.text!;
    if (afterSpace) text = text.replace(/^ +/u, '');
    if (text === '') continue;
    afterSpace = text.endsWith(' ');
    kept.push({ ...node, text });
  }
  for (let last = kept.at(-1); last; last = kept.at(-1)) {
    if (last.type === 'hardBreak') kept.pop();
    else if (last.type === 'text' && last.text!.endsWith(' ')) {
      const text = last.text!.trimEnd();
      kept.pop();
      if (text) kept.push({ ...last, text });
    } else break;
  }
  return joinedText(kept);
}

const IGNORED = new Set(
  'script style head meta title link template noscript svg iframe object embed button select textarea canvas map'.split(
    ' ',
  ),
);

type Handler = (element: Element, reader: BlockReader, place: HtmlPlace, marks: MarkJson[]) => void;

const list =
  (kind: string): Handler =>
  (element, reader, place, marks) => {
    reader.end();
    // A list that stands right in another, beside its items, belongs to the item before it.
    const depth = Math.min(place.list === null ? place.depth : place.depth + 1, MAX_DEPTH);
    const hasItems = element.children.some((each) => each.type === 'element' && each.tagName === 'li');
    readChildren(element.children, reader, { depth, kind: 'paragraph', list: hasItems ? kind : null }, marks);
    reader.end();
  };

const boxOf = (element: Element): Element | undefined => {
  for (const child of element.children) {
    if (child.type !== 'element') continue;
    if (child.tagName === 'input' && child.properties.type === 'checkbox') return child;
    if (child.tagName === 'label' || child.tagName === 'p') return boxOf(child);
    return undefined;
  }
  return undefined;
};

/** One small reader for each other element that is a block: what a line is depends on where it stands. */
const HANDLERS: Record<string, Handler> = {
  p: (element, reader, place, marks) => {
    const own = sharedData(element);
    const item = reader.isOwn ? null : wordItem(element);
    if (item) {
      reader.begin({ kind: item.kind, depth: Math.min(place.depth + item.level, MAX_DEPTH) });
    } else if (reader.isOwn || !reader.joinsItem()) reader.begin({ kind: place.kind, depth: place.depth, ...own });
    readChildren(element.children, reader, place, marks);
    reader.end();
  },
  ul: list('bulleted'),
  ol: list('numbered'),
  menu: list('bulleted'),
  li: (element, reader, place, marks) => {
    const box = boxOf(element);
    const own = sharedData(element);
    const kind = own.kind ?? (box ? 'todo' : (place.list ?? 'bulleted'));
    const state = kind === 'todo' ? (own.state ?? (box?.properties.checked ? 'done' : 'open')) : null;
    const depth = Number(own.depth ?? place.depth);
    reader.begin({ depth, ...own, kind, state }, true);
    readChildren(
      element.children,
      reader,
      { depth: Math.min(depth + 1, MAX_DEPTH), kind: 'paragraph', list: null },
      marks,
    );
    reader.end();
  },
  blockquote: (element, reader, place, marks) => {
    reader.end();
    const kind = element.properties.dataKind === 'note' ? 'note' : 'quote';
    readChildren(element.children, reader, { ...place, kind, list: null }, marks);
    reader.end();
  },
};

const BLOCKS = new Set(
  'address article aside body center dd div dl dt fieldset figcaption figure footer form header html main nav section summary caption tr td th'.split(
    ' ',
  ),
);

/** How each element is read that is a kind of block here. */
const KIND_READERS = Object.assign(
  {},
  ...[...TEXT_KINDS, ...SOLID_KINDS].map(({ html }) => html.reads ?? {}),
) as NonNullable<HtmlForm['reads']>;

function readChildren(
  children: readonly (ElementContent | RootContent)[],
  reader: BlockReader,
  place: HtmlPlace,
  marks: MarkJson[],
): void {
  for (const node of children) {
    if (node.type === 'text') {
      const value = reader.isOwn ? node.value : node.value.replace(/[ \t\r\n\f]+/gu, ' ');
      reader.add(textNodes(value, marks), place);
    }
    // What a site shows beside a line is of other pages.
    if (node.type === 'element' && node.properties.dataGlosses !== undefined) continue;
    if (node.type !== 'element' || IGNORED.has(node.tagName) || (!reader.isOwn && isWordSign(node))) continue;
    const own = reader.isOwn ? readOwn(node, place.depth) : null;
    if (own) {
      const address = attachedTo(node);
      reader.push(address === null ? own : reader.attachmentOf(own, address));
      continue;
    }
    const handler = KIND_READERS[node.tagName] ?? HANDLERS[node.tagName];
    if (handler) {
      handler(node, reader, place, marks);
    } else if (BLOCKS.has(node.tagName)) {
      if (!reader.joinsItem()) reader.end();
      readChildren(node.children, reader, place, marks);
      reader.end();
    } else {
      const inline = readInlineElement(node, marks, reader.referenceOf);
      if (inline.leaf) reader.add([inline.leaf], place);
      else readChildren(node.children, reader, place, inline.marks);
    }
  }
}

/** What the product wrote, wherever in a file it stands. */
function ownForm({ children }: Root | Element): Element | undefined {
  for (const child of children) {
    if (child.type !== 'element') continue;
    const found = child.properties.dataForm === 'glossarion' ? child : ownForm(child);
    if (found) return found;
  }
  return undefined;
}

export interface ReadHtmlOptions {
  pictureOf?: HtmlContext['pictureOf'];
  /** What a link leads to that is no web address. */
  referenceOf?: HtmlContext['referenceOf'];
  attachmentOf?: HtmlContext['attachmentOf'];
}

/**
 * Reads HTML of any origin as blocks: what the product has a form for keeps it, all other words are kept as text, and
 * nothing of it is ever run. What the product wrote itself reads as it was.
 */
export function readHtml(
  html: string,
  { pictureOf = () => null, referenceOf = () => null, attachmentOf = (node) => node }: ReadHtmlOptions = {},
): NodeJson[] {
  const tree: Root = fromHtml(html, { fragment: true });
  const own = ownForm(tree);
  const reader = new BlockReader({ isOwn: own !== undefined, pictureOf, referenceOf, attachmentOf });
  const place: HtmlPlace = { depth: 0, kind: 'paragraph', list: null };
  readChildren((own ?? tree).children, reader, place, []);
  reader.end();
  return reader.blocks;
}
