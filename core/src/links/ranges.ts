import { pageLink } from '../document/build';
import { solidKindOf } from '../document/kinds';
import type { MarkJson, NodeJson } from '../document/types';

/** What stands in a searched text for anything that is no plain text: a link, a tag, code. No name goes over it. */
const ATOM = '\uFFFC';

const isCode = (marks: readonly MarkJson[] | undefined): boolean =>
  marks?.some((mark) => mark.type === 'code' || mark.type === 'webLink') ?? false;

/** The text of a block's inline content in which names are looked for; offsets are those of the content itself. */
export function searchedText(block: NodeJson): string {
  return (block.content ?? [])
    .map((node) => {
      if (node.type === 'hardBreak') return '\n';
      if (node.type !== 'text') return ATOM;
      const text = node.text ?? '';
      return isCode(node.marks) ? ATOM.repeat(text.length) : text;
    })
    .join('');
}

const isCodeBlock = (node: NodeJson): boolean => solidKindOf(node)?.node?.code === true;

/** The blocks with running text that a node of a body is or, for a table, holds; code is none of them. */
export function textBlocks(node: NodeJson): NodeJson[] {
  if (node.type === 'block') return [node];
  if (isCodeBlock(node)) return [];
  return (node.content ?? []).flatMap(textBlocks);
}

/** The same node with each of its blocks of running text changed; itself where nothing was. */
export function mapTextBlocks(node: NodeJson, change: (block: NodeJson) => NodeJson): NodeJson {
  if (node.type === 'block') return change(node);
  if (isCodeBlock(node) || !node.content) return node;
  const content = node.content.map((child) => mapTextBlocks(child, change));
  return content.every((child, index) => child === node.content![index]) ? node : { ...node, content };
}

export interface Range {
  start: number;
  end: number;
}

/**
 * Puts links in the place of words.
 *
 * @param ranges apart from each other, in the order of the text, each within plain text
 * @param words what a link shows in place of these words; null for its target's title
 */
export function linkRanges(
  block: NodeJson,
  ranges: readonly Range[],
  target: string,
  words: (written: string) => string | null,
): NodeJson {
  if (ranges.length === 0) return block;
  const written = searchedText(block);
  const content: NodeJson[] = [];
  let at = 0;
  for (const node of block.content ?? []) {
    const size = node.type === 'text' ? (node.text ?? '').length : 1;
    if (node.type !== 'text') {
      content.push(node);
      at += size;
      continue;
    }
    const text = node.text ?? '';
    let taken = 0;
    for (const { start, end } of ranges) {
      if (end <= at || start >= at + size) continue;
      const from = Math.max(start - at, 0);
      if (from > taken) content.push({ ...node, text: text.slice(taken, from) });
      // A name that is partly bold is one link, which stands where it begins.
      if (start >= at) {
        content.push(pageLink(target, words(written.slice(start, end))));
      }
      taken = Math.min(end - at, size);
    }
    if (taken < size) content.push({ ...node, text: text.slice(taken) });
    at += size;
  }
  return { ...block, content };
}
