import type { Node as DocumentNode } from '@tiptap/pm/model';
import { updateYFragment } from '@tiptap/y-tiptap';
import * as Y from 'yjs';
import { schema } from './schema';
import type { BodyJson } from './types';
import { writeText } from './writeText';

/** Which node each Yjs type stood for when it was last written; y-tiptap's own form. */
export interface BindingMemory {
  mapping: Map<Y.AbstractType<unknown>, DocumentNode | DocumentNode[]>;
  isOMark: Map<unknown, boolean>;
}

export const newMemory = (): BindingMemory => ({ mapping: new Map(), isOMark: new Map() });

/**
 * Writes a changed body into its Yjs fragment, block by block, matched by id.
 *
 * The library's own matching goes by position and likeness, and may turn the element of one block into another's when
 * blocks are moved; what a second window types in the first would then land in the second. Here an element stays its
 * block's for as long as it lives: a block that moved is the one that is taken out and put in again, and all blocks
 * that kept their order (the longest increasing subsequence of old places) are left where they are.
 */
export function writeBlocks(fragment: Y.XmlFragment, document: DocumentNode, memory: BindingMemory): void {
  const elements = fragment.toArray() as Y.XmlElement[];
  const nodes: DocumentNode[] = [];
  document.forEach((node) => nodes.push(node));

  const least = Math.min(elements.length, nodes.length);
  // The very nodes that were written last need not be looked at: most of a long page, while one line is written in.
  const sameStart = sameNodes(least, (index) => isWritten(memory, elements[index]!, nodes[index]!));
  const sameEnd = sameNodes(least - sameStart, (index) =>
    isWritten(memory, elements[elements.length - 1 - index]!, nodes[nodes.length - 1 - index]!),
  );
  let start = sameStart;
  while (start < least - sameEnd && isSameBlock(elements[start]!, nodes[start]!)) start += 1;
  let end = sameEnd;
  while (end < least - start && isSameBlock(elements[elements.length - 1 - end]!, nodes[nodes.length - 1 - end]!)) {
    end += 1;
  }

  if (start + end < Math.max(elements.length, nodes.length))
    writeBetween(fragment, elements, nodes, start, end, memory);
  for (let index = sameStart; index < start; index += 1) writeBlock(fragment, elements[index]!, nodes[index]!, memory);
  for (let index = sameEnd + 1; index <= end; index += 1) {
    writeBlock(fragment, elements[elements.length - index]!, nodes[nodes.length - index]!, memory);
  }
  memory.mapping.set(fragment as unknown as Y.AbstractType<unknown>, document);
}

/** Brings the blocks from `start` up to the last `end` ones into the order of the nodes, and writes them. */
function writeBetween(
  fragment: Y.XmlFragment,
  elements: Y.XmlElement[],
  nodes: DocumentNode[],
  start: number,
  end: number,
  memory: BindingMemory,
): void {
  const stays = stayingBlocks(elements.slice(start, elements.length - end), nodes.slice(start, nodes.length - end));
  for (let index = elements.length - end - 1; index >= start; index -= 1) {
    if (!stays.has(elements[index]!)) fragment.delete(index, 1);
  }
  const kept = fragment.toArray() as Y.XmlElement[];
  let place = start;
  for (let index = start; index < nodes.length - end; index += 1) {
    const node = nodes[index]!;
    const standing = kept[place];
    if (standing && stays.get(standing) === node) {
      writeBlock(fragment, standing, node, memory);
    } else {
      const element = new Y.XmlElement(node.type.name);
      fragment.insert(place, [element]);
      writeBlock(fragment, element, node, memory);
      kept.splice(place, 0, element);
    }
    place += 1;
  }
}

/** How many of the first so many are alike, counted until one is not. */
function sameNodes(most: number, isSame: (index: number) => boolean): number {
  let count = 0;
  while (count < most && isSame(count)) count += 1;
  return count;
}

const isWritten = (memory: BindingMemory, element: Y.XmlElement, node: DocumentNode): boolean =>
  memory.mapping.get(element as unknown as Y.AbstractType<unknown>) === node;

const isSameBlock = (element: Y.XmlElement, node: DocumentNode): boolean =>
  element.nodeName === node.type.name && node.attrs.id !== null && element.getAttribute('id') === node.attrs.id;

function writeBlock(fragment: Y.XmlFragment, element: Y.XmlElement, node: DocumentNode, memory: BindingMemory): void {
  if (isWritten(memory, element, node)) return;
  updateYFragment(fragment.doc as Y.Doc, element, node, memory as never);
}

/** The elements that can stay where they are, each with the node it now stands for. */
function stayingBlocks(elements: Y.XmlElement[], nodes: DocumentNode[]): Map<Y.XmlElement, DocumentNode> {
  const placeOf = new Map(nodes.map((node, index) => [String(node.attrs.id), index]));
  const candidates: { element: Y.XmlElement; place: number }[] = [];
  const used = new Set<number>();
  for (const element of elements) {
    const place = placeOf.get(String(element.getAttribute('id')));
    if (place !== undefined && !used.has(place) && isSameBlock(element, nodes[place]!)) {
      used.add(place);
      candidates.push({ element, place });
    }
  }
  const chain = longestIncreasing(candidates.map((candidate) => candidate.place));
  return new Map(chain.map((index) => [candidates[index]!.element, nodes[candidates[index]!.place]!]));
}

/**
 * The indices of a longest strictly increasing subsequence, by patience sorting in O(n log n).
 * Source: M. L. Fredman, On computing the length of longest increasing subsequences, Discrete Mathematics 11 (1975).
 */
export function longestIncreasing(values: readonly number[]): number[] {
  const tails: number[] = [];
  const previous: number[] = new Array<number>(values.length).fill(-1);
  values.forEach((value, index) => {
    let low = 0;
    let high = tails.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (values[tails[middle]!]! < value) low = middle + 1;
      else high = middle;
    }
    if (low > 0) previous[index] = tails[low - 1]!;
    tails[low] = index;
  });
  const chain: number[] = [];
  for (let index = tails[tails.length - 1] ?? -1; index >= 0; index = previous[index]!) chain.unshift(index);
  return chain;
}

/** Writes body JSON into a page's document, in one transaction. Open windows see it at once. */
export function writeBody(document: Y.Doc, body: BodyJson, origin?: unknown): void {
  document.transact(() => {
    writeBlocks(document.getXmlFragment('body'), schema.nodeFromJSON(body), newMemory());
  }, origin);
}

/** Writes a title into a page's document, changing no more of it than differs. */
export function writeTitle(document: Y.Doc, title: string, origin?: unknown): void {
  document.transact(() => writeText(document.getText('title'), title), origin);
}
