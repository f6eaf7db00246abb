import type { NodeJson } from '../document/types';

/** A block with what a format that nests can set inside it. */
export interface Nested {
  node: NodeJson;
  children: Nested[];
  /** The depth a reader finds by where it is set; when the block's own differs it has to be said. */
  readDepth: number;
}

const HOLDERS = new Set(['bulleted', 'numbered', 'todo', 'fold']);

/** Whether a block is an item of a list, which alone can hold other blocks in Markdown and HTML. */
export const isListItem = (node: NodeJson): boolean => node.type === 'block' && HOLDERS.has(String(node.attrs?.kind));

/** Sets flat blocks inside the items they stand beneath. */
export function nest(blocks: readonly NodeJson[]): Nested[] {
  const roots: Nested[] = [];
  const open: Nested[] = [];
  for (const node of blocks) {
    const depth = Number(node.attrs?.depth ?? 0);
    while (open.length > 0 && Number(open.at(-1)!.node.attrs?.depth) >= depth) open.pop();
    const holder = open.at(-1);
    const nested: Nested = {
      node,
      children: [],
      readDepth: holder ? Number(holder.node.attrs?.depth) + 1 : 0,
    };
    (holder?.children ?? roots).push(nested);
    if (isListItem(node)) open.push(nested);
  }
  return roots;
}

/** Runs of siblings that make one list, and the blocks between them. */
export function runs(siblings: readonly Nested[]): { list: 'ordered' | 'unordered' | null; members: Nested[] }[] {
  const found: { list: 'ordered' | 'unordered' | null; members: Nested[] }[] = [];
  for (const each of siblings) {
    const list = !isListItem(each.node) ? null : each.node.attrs?.kind === 'numbered' ? 'ordered' : 'unordered';
    const last = found.at(-1);
    if (list !== null && last?.list === list) last.members.push(each);
    else found.push({ list, members: [each] });
  }
  return found;
}
