import type { RootContent, Blockquote, ListItem, PhrasingContent, Root } from 'mdast';
import { toString } from 'mdast-util-to-string';
import remarkFrontmatter from 'remark-frontmatter';
import remarkGfm from 'remark-gfm';
import remarkParse from 'remark-parse';
import { unified } from 'unified';
import { block, type BlockOptions } from '../../document/build';
import { isId, newId } from '../../document/ids';
import { MAX_DEPTH, type BlockKind, type NodeJson } from '../../document/types';
import { readFrontMatter, type FrontMatter } from './frontMatter';
import { readInline, type ReadContext } from './inline';

const processor = unified().use(remarkParse).use(remarkGfm).use(remarkFrontmatter, ['yaml']);

/** Parses Markdown with tables, to-do items and front matter into its syntax tree. */
export const parseMarkdown = (text: string): Root => processor.parse(text);

export interface ReadMarkdown {
  front: FrontMatter;
  blocks: NodeJson[];
}

/** Reads a Markdown text as blocks; links in it are references until a plan resolves them. */
export function readMarkdown(text: string, remark: (what: string) => void): ReadMarkdown {
  const tree = parseMarkdown(text);
  let front: FrontMatter = {};
  const blocks: NodeJson[] = [];
  for (const node of tree.children) {
    if (node.type === 'yaml') {
      const read = readFrontMatter(node.value);
      front = read.front;
      read.problems.forEach(remark);
    } else {
      blocks.push(...readFlow(node, 0, { remark }));
    }
  }
  return { front, blocks };
}

type Handler<T extends RootContent['type']> = (
  node: Extract<RootContent, { type: T }>,
  depth: number,
  context: ReadContext,
) => NodeJson[];

const BLOCK_ID = /\s*\{#([0-9a-f-]{36})\}\s*$/u;

/** A text block out of inline Markdown; takes the id that may be written at its end. */
function textBlock(
  kind: BlockKind,
  children: readonly PhrasingContent[],
  options: BlockOptions,
  context: ReadContext,
): NodeJson {
  const content = readInline(children, [], context);
  const last = content[content.length - 1];
  const written = last?.type === 'text' ? BLOCK_ID.exec(last.text ?? '') : null;
  if (written && isId(written[1])) {
    const rest = (last!.text ?? '').slice(0, written.index);
    content.pop();
    if (rest) content.push({ ...last!, text: rest });
    return block(kind, content, { ...options, id: written[1] });
  }
  return block(kind, content, options);
}

const solid = (type: string, depth: number, attrs: Record<string, unknown>, content?: NodeJson[]): NodeJson => ({
  type,
  attrs: { id: newId(), depth, ...attrs },
  ...(content && content.length > 0 ? { content } : {}),
});

const kept = (words: string, depth: number): NodeJson => block('paragraph', words.replaceAll('\u0000', ''), { depth });

/** One small reader for each kind of flow node. */
const HANDLERS: { [T in RootContent['type']]?: Handler<T> } = {
  paragraph: (node, depth, context) => [textBlock('paragraph', node.children, { depth }, context)],
  heading: (node, depth, context) => [
    textBlock('heading', node.children, { depth, level: Math.min(node.depth, 4) }, context),
  ],
  thematicBreak: (_node, depth) => [solid('divider', depth, {})],
  code: (node, depth) => [
    solid(
      'codeBlock',
      depth,
      { language: node.lang?.slice(0, 60) ?? null },
      node.value ? [{ type: 'text', text: node.value.replaceAll('\u0000', '') }] : [],
    ),
  ],
  blockquote: (node, depth, context) => readQuote(node, depth, context),
  list: (node, depth, context) =>
    node.children.flatMap((item) => readItem(item, node.ordered ? 'numbered' : 'bulleted', depth, context)),
  table: (node, depth, context) => [
    solid(
      'table',
      depth,
      {},
      node.children.map((row, index) => ({
        type: 'tableRow',
        content: row.children.map((cell, column) => ({
          type: index === 0 ? 'tableHeader' : 'tableCell',
          attrs: { align: node.align?.[column] ?? null },
          content: [textBlock('paragraph', cell.children, {}, context)],
        })),
      })),
    ),
  ],
  html: (node, depth, context) => {
    context.remark(`The HTML ${node.value.slice(0, 40)}.`);
    return [kept(node.value, depth)];
  },
  footnoteDefinition: (node, depth, context) => {
    context.remark(`The footnote ${node.identifier}.`);
    return [kept(`[^${node.identifier}]: ${toString(node)}`, depth)];
  },
  definition: (node, depth, context) => {
    context.remark(`The link definition ${node.identifier}.`);
    return [kept(`[${node.identifier}]: ${node.url}`, depth)];
  },
};

function readFlow(node: RootContent, depth: number, context: ReadContext): NodeJson[] {
  const within = Math.min(depth, MAX_DEPTH);
  const handler = HANDLERS[node.type] as Handler<typeof node.type> | undefined;
  if (handler) return handler(node as never, within, context);
  context.remark(`A ${node.type}.`);
  return [kept(toString(node), within)];
}

function readQuote(node: Blockquote, depth: number, context: ReadContext): NodeJson[] {
  return node.children.flatMap((child) =>
    child.type === 'paragraph'
      ? [textBlock('quote', child.children, { depth }, context)]
      : readFlow(child, depth, context),
  );
}

/** States that GitHub's to-do items lack: begun and dropped. */
const OTHER_STATES: Record<string, string> = { '[/] ': 'begun', '[-] ': 'dropped' };

function readItem(item: ListItem, listKind: BlockKind, depth: number, context: ReadContext): NodeJson[] {
  const within = Math.min(depth, MAX_DEPTH);
  const [first, ...rest] = item.children;
  const isText = first?.type === 'paragraph';
  const children = isText ? first.children : [];
  let kind = listKind;
  let state: string | null = null;
  if (typeof item.checked === 'boolean') {
    kind = 'todo';
    state = item.checked ? 'done' : 'open';
  }
  const head = children[0];
  const other = head?.type === 'text' ? OTHER_STATES[head.value.slice(0, 4)] : undefined;
  if (other && head?.type === 'text') {
    kind = 'todo';
    state = other;
    head.value = head.value.slice(4);
  }
  return [
    textBlock(kind, children, { depth: within, state }, context),
    ...(isText ? rest : item.children).flatMap((child) => readFlow(child as RootContent, depth + 1, context)),
  ];
}
