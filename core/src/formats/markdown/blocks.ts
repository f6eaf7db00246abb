import type { Blockquote, Definition, ListItem, PhrasingContent, RootContent, TableCell } from 'mdast';
import { toString } from 'mdast-util-to-string';
import { block } from '../../document/build';
import {
  depthOf,
  paragraphOf,
  SOLID_KINDS,
  stateOfBox,
  TEXT_KINDS,
  type MarkdownForm,
  type MarkdownReading,
} from '../../document/kinds';
import { MAX_DEPTH, type NodeJson } from '../../document/types';
import { ATTRIBUTES, readTextAttributes } from '../attributes';
import { asWritten, broughtBack, putAway } from './escapes';
import { readFrontMatter, type FrontMatter, type ReadFront } from './frontMatter';
import { readInline, textNodes, type ReadContext } from './inline';
import { HEADS, parseWhatStands } from './parse';
import { readSaid, saidOf } from './said';
import { piecesOf } from './pieces';
import { tame } from './tame';

export interface ReadMarkdown {
  front: FrontMatter;
  /** The head of the file by its keys, as it was written. */
  raw: ReadFront['raw'];
  blocks: NodeJson[];
}

/**
 * Reads a Markdown text as blocks; links in it are references until something resolves them.
 *
 * @param isFile whether it may begin with front matter; what is pasted does not
 */
export function readMarkdown(text: string, remark: (what: string) => void, isFile = true): ReadMarkdown {
  const head = isFile ? (HEAD.exec(text)?.[0] ?? '') : '';
  const tamed = tame(text.slice(head.length));
  tamed.remarks.forEach(remark);
  const read: ReadMarkdown = { front: {}, raw: [], blocks: [] };
  const unused = new Map<string, Definition>();
  const used = new Set<string>();
  for (const [index, piece] of piecesOf(tamed.text).entries()) {
    const tree = parseWhatStands(putAway(index === 0 ? head + piece : piece), isFile && index === 0);
    const definitions = new Map<string, Definition>();
    for (const node of tree.children) {
      if (node.type === 'definition' && !definitions.has(node.identifier)) definitions.set(node.identifier, node);
      if (!isHead(node)) continue;
      const { front, raw, problems } = readFrontMatter(asWritten(node.value), node.type);
      Object.assign(read, { front, raw });
      problems.forEach(remark);
    }
    const context: ReadContext = { isFile, remark, definitions, used };
    read.blocks.push(
      ...readSiblings(
        tree.children.filter((node) => !isHead(node)),
        0,
        context,
      ),
    );
    for (const [identifier, definition] of definitions) unused.set(identifier, definition);
  }
  const left = [...unused.values()].filter(({ identifier }) => !used.has(identifier));
  return { ...read, blocks: [...read.blocks, ...left.map(unusedDefinition)] };
}

const HEAD = /^(---|\+\+\+)[ \t]*\r?\n[\s\S]*?\r?\n\1[ \t]*(?:\r?\n|$)/u;

const isHead = (node: { type: string }): node is { type: 'yaml' | 'toml'; value: string } =>
  HEADS.some((head) => head === node.type);

/** The definition of a link that nothing uses is kept as it is written. */
const unusedDefinition = ({ label, identifier, url, title }: Definition): NodeJson =>
  kept(`[${label ?? identifier}]: ${broughtBack(url)}${title ? ` "${broughtBack(title)}"` : ''}`, 0);

type Handler<T extends RootContent['type']> = (
  node: Extract<RootContent, { type: T }>,
  depth: number,
  context: ReadContext,
) => NodeJson[];

const GROUP_AT_END = new RegExp(`(?:^|[ \\n])${ATTRIBUTES.source}$`, 'u');

/** A text block out of inline Markdown; takes what braces at its end say of it. */
function textBlock(
  kind: string,
  children: readonly PhrasingContent[],
  options: Readonly<Record<string, unknown>>,
  context: ReadContext,
): NodeJson {
  const { rest, said } = withoutGroup(children, kind);
  return block(said.kind, readInline(rest, context), { ...options, ...said.attrs });
}

/** Splits a group of attributes off the end of a line. */
function withoutGroup(
  children: readonly PhrasingContent[],
  kind: string,
): { rest: readonly PhrasingContent[]; said: { kind: string; attrs: Record<string, unknown> } } {
  const last = children.at(-1);
  const match = last?.type === 'text' ? GROUP_AT_END.exec(last.value) : null;
  const said = match ? readTextAttributes(match[1]!, kind) : null;
  if (!match || !said || last?.type !== 'text') return { rest: children, said: { kind, attrs: {} } };
  const value = last.value.slice(0, match.index);
  return { rest: [...children.slice(0, -1), ...(value ? [{ ...last, value }] : [])], said };
}

const kept = paragraphOf;

const readingOf = (context: ReadContext): MarkdownReading => ({
  line: (kind, children, attrs) => textBlock(kind, children, attrs, context),
  cell: (cell) => readCell(cell, context),
  asWritten,
  running: broughtBack,
});

/** How each block of Markdown's syntax tree is read that is a kind of block here. */
const KIND_READERS = Object.assign(
  {},
  ...[...TEXT_KINDS, ...SOLID_KINDS].map(({ markdown }) => markdown.reads ?? {}),
) as NonNullable<MarkdownForm['reads']>;

/** One small reader for each other kind of flow node. */
const HANDLERS: { [T in RootContent['type']]?: Handler<T> } = {
  blockquote: (node, depth, context) => readQuote(node, depth, context),
  list: (node, depth, context) =>
    node.children.flatMap((item) => readItem(item, node.ordered ? 'numbered' : 'bulleted', depth, context)),
  html: (node, depth, context) => {
    const value = asWritten(node.value);
    // An empty comment stands for a line without words.
    if (isEmptyComment(node)) return [kept('', depth)];
    context.remark(`The HTML ${value.slice(0, 40)}.`);
    return [kept(value, depth)];
  },
  footnoteDefinition: (node, depth, context) => {
    context.remark(`The footnote ${node.identifier}.`);
    return [kept(`[^${node.label ?? node.identifier}]: ${broughtBack(toString(node))}`, depth)];
  },
  // What it defines stands where it is used.
  definition: () => [],
};

const isEmptyComment = (node: RootContent | undefined): boolean =>
  node?.type === 'html' && /^<!--[\s-]*-->$/u.test(node.value);

function readFlow(node: RootContent, depth: number, context: ReadContext): NodeJson[] {
  const within = Math.min(depth, MAX_DEPTH);
  const reads = KIND_READERS[node.type];
  if (reads) return reads(node as never, within, readingOf(context));
  const handler = HANDLERS[node.type] as Handler<typeof node.type> | undefined;
  if (handler) return handler(node as never, within, context);
  context.remark(`A ${node.type}.`);
  return [kept(broughtBack(toString(node)), within)];
}

/** Reads siblings in turn; a comment that says something of the next node is taken together with it. */
function readSiblings(nodes: readonly RootContent[], depth: number, context: ReadContext): NodeJson[] {
  const blocks: NodeJson[] = [];
  for (let index = 0; index < nodes.length; index += 1) {
    const node = nodes[index]!;
    const said = node.type === 'html' ? saidOf(asWritten(node.value)) : null;
    if (!said) {
      blocks.push(...readFlow(node, depth, context));
      continue;
    }
    const next = nodes[index + 1];
    const { node: whole, takesNext } = readSaid(said, next, depth, readingOf(context), (each) =>
      readFlow(each, depth, context),
    );
    if (!whole) blocks.push(...readFlow(node, depth, context));
    else blocks.push(whole);
    if (takesNext) index += 1;
  }
  return blocks;
}

const NOTE = /^\[!(\w+)\][ \t]*(?:\n|$)/u;

function readQuote(node: Blockquote, depth: number, context: ReadContext): NodeJson[] {
  let kind = 'quote';
  return node.children.flatMap((child, index) => {
    if (child.type !== 'paragraph') return readSiblings([child], depth, context);
    const head = child.children[0];
    let { children } = child;
    if (index === 0 && head?.type === 'text' && NOTE.test(head.value)) {
      kind = 'note';
      children = [{ ...head, value: head.value.replace(NOTE, '') }, ...children.slice(1)];
      // A note is a note; what other kind of alert it is, it says itself.
      const alert = NOTE.exec(head.value)![1]!;
      if (alert.toUpperCase() !== 'NOTE') {
        const box = textBlock(kind, children, { depth }, context);
        const said = textNodes(alert, [{ type: 'bold' }]);
        return [{ ...box, content: [...said, ...(box.content ? textNodes(' ', []) : []), ...(box.content ?? [])] }];
      }
    }
    return [textBlock(kind, children, { depth }, context)];
  });
}

/** A box at the start of a line and the line without it. */
function withoutBox(children: readonly PhrasingContent[]): { state: string | null; rest: PhrasingContent[] } {
  const [head, ...rest] = children;
  const match = head?.type === 'text' ? /^(\[[ xX/-]\])(?:\s|$)/u.exec(head.value) : null;
  if (!match || head?.type !== 'text') return { state: null, rest: [...children] };
  const value = head.value.slice(match[0].length);
  return { state: stateOfBox(match[1]!), rest: value ? [{ ...head, value }, ...rest] : rest };
}

function readItem(item: ListItem, listKind: string, depth: number, context: ReadContext): NodeJson[] {
  const within = Math.min(depth, MAX_DEPTH);
  const [first, ...rest] = item.children;
  const isText = first?.type === 'paragraph' || isEmptyComment(first);
  let children: PhrasingContent[] = first?.type === 'paragraph' ? first.children : [];
  let state: string | null = null;
  if (typeof item.checked === 'boolean') state = item.checked ? 'done' : 'open';
  else if (isText) ({ state, rest: children } = withoutBox(children));
  const head = textBlock(state ? 'todo' : listKind, children, { depth: within, state }, context);
  const own = depthOf(head);
  return [head, ...readSiblings((isText ? rest : item.children) as RootContent[], own + 1, context)];
}

/** The lines of a cell, which a rule parts. */
function readCell(cell: TableCell, context: ReadContext): NodeJson[] {
  const lines: PhrasingContent[][] = [[]];
  for (const child of cell.children) {
    if (child.type === 'html' && /^<hr\s*\/?>$/iu.test(child.value)) lines.push([]);
    else lines.at(-1)!.push(child);
  }
  return lines.map((line) => {
    const { state, rest } = withoutBox(line);
    return textBlock(state ? 'todo' : 'paragraph', rest, { state }, context);
  });
}
