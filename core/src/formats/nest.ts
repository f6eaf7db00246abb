import { depthOf, isItem, textKindOf } from '../document/kinds';
import type { NodeJson } from '../document/types';

/** A block with what a format that nests can set inside it. */
export interface Nested {
  node: NodeJson;
  children: Nested[];
  /** The depth a reader finds by where it is set; when the block's own differs it has to be said. */
  readDepth: number;
}

/** Sets flat blocks inside the items they stand beneath. */
export function nest(blocks: readonly NodeJson[]): Nested[] {
  const roots: Nested[] = [];
  const open: Nested[] = [];
  for (const node of blocks) {
    const depth = depthOf(node);
    while (open.length > 0 && depthOf(open.at(-1)!.node) >= depth) open.pop();
    const holder = open.at(-1);
    const nested: Nested = {
      node,
      children: [],
      readDepth: holder ? depthOf(holder.node) + 1 : 0,
    };
    (holder?.children ?? roots).push(nested);
    if (isItem(node)) open.push(nested);
  }
  return roots;
}

/** Runs of siblings that make one list, and the blocks between them. */
export function runs(siblings: readonly Nested[]): { list: 'ordered' | 'unordered' | null; members: Nested[] }[] {
  const found: { list: 'ordered' | 'unordered' | null; members: Nested[] }[] = [];
  for (const each of siblings) {
    const list = textKindOf(each.node)?.list ?? null;
    const last = found.at(-1);
    if (list !== null && last?.list === list) last.members.push(each);
    else found.push({ list, members: [each] });
  }
  return found;
}
