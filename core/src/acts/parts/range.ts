import { depthOf, idOf, isHeading, levelOf } from '../../document/kinds';
import type { NodeJson } from '../../document/types';

/** Which blocks belong together: a line with what stands beneath it, a heading with its part of the page. */

/** The index after the last block beneath the one at `index`, by depth. */
export function endOfChildren(content: readonly NodeJson[], index: number): number {
  const depth = depthOf(content[index]!);
  let end = index + 1;
  while (end < content.length && depthOf(content[end]!) > depth) end += 1;
  return end;
}

/** The index after the last block of a heading's part: up to the next heading of its level or a higher one. */
export function endOfPart(content: readonly NodeJson[], index: number): number {
  const heading = content[index]!;
  let end = index + 1;
  for (; end < content.length; end += 1) {
    const node = content[end]!;
    if (depthOf(node) < depthOf(heading)) break;
    if (isHeading(node) && depthOf(node) <= depthOf(heading) && levelOf(node) <= levelOf(heading)) break;
  }
  return end;
}

/** The chosen blocks with what belongs to each, in the order of the page. */
export function withBelongings(content: readonly NodeJson[], chosenIds: Iterable<string>): NodeJson[] {
  const chosen = new Set(chosenIds);
  let until = 0;
  return content.filter((node, index) => {
    if (chosen.has(idOf(node))) {
      const end = isHeading(node) ? endOfPart(content, index) : endOfChildren(content, index);
      until = Math.max(until, end);
    }
    return index < until;
  });
}

/** Blocks with the depths they have when they stand by themselves: the outermost at none. */
export function rebased(nodes: readonly NodeJson[], to = 0): { id: string; depth: number }[] {
  let base = 0;
  let previous = -1;
  return nodes.map((node) => {
    const depth = depthOf(node);
    if (previous < 0 || depth < base) base = depth;
    const own = Math.max(0, Math.min(depth - base, previous + 1));
    previous = own;
    return { id: idOf(node), depth: own + to };
  });
}
