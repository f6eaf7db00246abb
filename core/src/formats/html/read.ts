import type { Element, ElementContent, Root, RootContent } from 'hast';
import { fromHtml } from 'hast-util-from-html';
import { block } from '../../document/build';
import { newId } from '../../document/ids';
import { MAX_DEPTH, type BlockKind, type MarkJson, type NodeJson } from '../../document/types';
import { readOwn, sharedData } from './data';
import { readInlineElement, textNodes } from './readInline';
import { readTable } from './readTable';
import { joinedText } from '../markTree';

/** What reading HTML needs to know of where it is. */
export interface HtmlContext {
  /** Whether spaces count as they stand: in what this product wrote itself. */
  isOwn: boolean;
  /** What stands for a picture; null leaves a link or its words. */
  pictureOf: (src: string, alt: string) => NodeJson | null;
}

/** Where the next block goes. */
export interface Place {
  depth: number;
  kind: BlockKind;
  list: BlockKind | null;
}

/** Collects blocks; words that stand in no block of their own become one. */
export class BlockReader {
  readonly blocks: NodeJson[] = [];
  private line: NodeJson[] = [];
  private isLineOpen = false;
  /** The attributes of the block whose words are collected. */
  private attrs: Record<string, unknown> = {};
  /** Whether an item was begun that has no words yet. */
  private isItemEmpty = false;

  constructor(readonly context: HtmlContext) {}

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
  add(nodes: NodeJson[], place: Place): void {
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
    const content = this.context.isOwn ? joinedText(this.line) : trimmed(joinedText(this.line));
    const { kind, depth, level, state, ...rest } = this.attrs;
    const node = block(kind as BlockKind, content, {
      depth: Number(depth),
      level: level as number | null,
      state: state as string | null,
    });
    this.line = [];
    this.isLineOpen = false;
    this.isItemEmpty = false;
    // Word processors part paragraphs by empty ones.
    const isBlank = content.every((each) => each.type === 'text' && each.text!.trim() === '');
    if (!this.context.isOwn && kind === 'paragraph' && isBlank) return;
    this.push({ ...node, attrs: { ...node.attrs, ...rest } });
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

const solid = (type: string, attrs: Record<string, unknown>): NodeJson => ({
  type,
  attrs: { id: newId(), tint: null, ...attrs },
});

type Handler = (element: Element, reader: BlockReader, place: Place, marks: MarkJson[]) => void;

const heading =
  (level: number): Handler =>
  (element, reader, place, marks) => {
    reader.begin({ kind: 'heading', level, depth: place.depth, ...sharedData(element) });
    readChildren(element.children, reader, place, marks);
    reader.end();
  };

const list =
  (kind: BlockKind): Handler =>
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

/** One small reader for each element that is a block. */
const HANDLERS: Record<string, Handler> = {
  h1: heading(1),
  h2: heading(2),
  h3: heading(3),
  h4: heading(4),
  h5: heading(4),
  h6: heading(4),
  p: (element, reader, place, marks) => {
    const own = sharedData(element);
    if (reader.context.isOwn || !reader.joinsItem()) reader.begin({ kind: place.kind, depth: place.depth, ...own });
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
  details: (element, reader, place, marks) => {
    const summary = element.children.find((each) => each.type === 'element' && each.tagName === 'summary') as
      Element | undefined;
    reader.begin({ kind: 'fold', depth: place.depth, folded: element.properties.open ? null : true });
    readChildren(summary?.children ?? [], reader, place, marks);
    reader.end();
    const rest = element.children.filter((each) => each !== summary);
    readChildren(rest, reader, { depth: Math.min(place.depth + 1, MAX_DEPTH), kind: 'paragraph', list: null }, marks);
    reader.end();
  },
  hr: (element, reader, place) => reader.push(solid('divider', { depth: place.depth, ...sharedData(element) })),
  pre: (element, reader, place) => {
    const code = element.children.find((each) => each.type === 'element' && each.tagName === 'code') as
      Element | undefined;
    const named = [code?.properties.className ?? []]
      .flat()
      .map(String)
      .find((each) => each.startsWith('language-'));
    const language = element.properties.dataLanguage ?? named?.slice('language-'.length) ?? null;
    const value = rawText(element).replaceAll('\u0000', '');
    const listing = value.endsWith('\n') && !reader.context.isOwn ? value.slice(0, -1) : value;
    const node = solid('codeBlock', {
      depth: place.depth,
      language: language && String(language).slice(0, 60),
      ...sharedData(element),
    });
    reader.push(listing ? { ...node, content: [{ type: 'text', text: listing }] } : node);
  },
  table: (element, reader, place) => {
    const table = readTable(element, reader.context);
    if (table) reader.push({ ...table, attrs: { ...table.attrs, depth: place.depth, ...sharedData(element) } });
  },
  img: (element, reader, place, marks) => {
    const src = String(element.properties.src ?? '');
    const alt = String(element.properties.alt ?? '');
    const picture = reader.context.pictureOf(src, alt);
    if (picture) return reader.push({ ...picture, attrs: { ...picture.attrs, depth: place.depth } });
    if (!/^https?:/iu.test(src)) return reader.add(textNodes(alt, marks), place);
    const link: MarkJson = { type: 'webLink', attrs: { href: src } };
    return reader.add(textNodes(alt || src, [...marks, link]), place);
  },
};

const BLOCKS = new Set(
  'address article aside body center dd div dl dt fieldset figcaption figure footer form header html main nav section summary caption tr td th'.split(
    ' ',
  ),
);

function rawText(node: Element | ElementContent): string {
  if (node.type === 'text') return node.value;
  if (node.type !== 'element') return '';
  return node.tagName === 'br' ? '\n' : node.children.map(rawText).join('');
}

export function readChildren(
  children: readonly (ElementContent | RootContent)[],
  reader: BlockReader,
  place: Place,
  marks: MarkJson[],
): void {
  for (const node of children) {
    if (node.type === 'text') {
      const value = reader.context.isOwn ? node.value : node.value.replace(/[ \t\r\n\f]+/gu, ' ');
      reader.add(textNodes(value, marks), place);
    }
    if (node.type !== 'element' || IGNORED.has(node.tagName)) continue;
    const own = reader.context.isOwn ? readOwn(node, place.depth) : null;
    if (own) {
      reader.push(own);
      continue;
    }
    const handler = HANDLERS[node.tagName];
    if (handler) {
      handler(node, reader, place, marks);
    } else if (BLOCKS.has(node.tagName)) {
      if (!reader.joinsItem()) reader.end();
      readChildren(node.children, reader, place, marks);
      reader.end();
    } else {
      const inline = readInlineElement(node, marks);
      if (inline.leaf) reader.add([inline.leaf], place);
      else readChildren(node.children, reader, place, inline.marks);
    }
  }
}

export interface ReadHtmlOptions {
  pictureOf?: HtmlContext['pictureOf'];
}

/**
 * Reads HTML of any origin as blocks: what the product has a form for keeps it, all other words are kept as text, and
 * nothing of it is ever run. What the product wrote itself reads as it was.
 */
export function readHtml(html: string, { pictureOf = () => null }: ReadHtmlOptions = {}): NodeJson[] {
  const tree: Root = fromHtml(html, { fragment: true });
  const own = tree.children.find((node) => node.type === 'element' && node.properties.dataForm === 'glossarion');
  const reader = new BlockReader({ isOwn: own !== undefined, pictureOf });
  const place: Place = { depth: 0, kind: 'paragraph', list: null };
  readChildren(own?.type === 'element' ? own.children : tree.children, reader, place, []);
  reader.end();
  return reader.blocks;
}
