import { depthOf, idOf, isHeading, levelOf } from '../../document/kinds';
import { block } from '../../document/build';
import { namedId } from '../../document/ids';
import type { NodeJson } from '../../document/types';
import type { Act } from '../all';
import { rebased } from './range';

/** Whether a block is nothing but a link to a page. */
export function isLinkLine(node: NodeJson, pageId: string): boolean {
  if (node.type === 'card') return node.attrs?.target === pageId;
  const inline = (node.content ?? []).filter((each) => each.type !== 'text' || (each.text ?? '').trim() !== '');
  return node.type === 'block' && inline.length === 1 && inline[0]!.attrs?.target === pageId;
}

const isBlank = (node: NodeJson): boolean => node.type === 'block' && (node.content ?? []).length === 0;

export interface FoldedPage {
  id: string;
  title: string;
  content: readonly NodeJson[];
}

/**
 * The acts that set a page's blocks back into the page above: in place of the line that links to it, else at the end.
 * Its title becomes a heading, links to the page lead there, and the page goes to the bin, empty; without a title it is gone.
 */
export function planFoldBack(into: { id: string; content: readonly NodeJson[] }, page: FoldedPage): Act[] {
  const index = into.content.findIndex((node) => isLinkLine(node, page.id));
  const line = index >= 0 ? into.content[index]! : null;
  const depth = line ? depthOf(line) : 0;
  const beforeIndex = line ? index - 1 : into.content.length - 1;
  const before = beforeIndex >= 0 ? idOf(into.content[beforeIndex]!) : null;
  const title = page.title.trim();
  const hasWords = page.content.some((node) => !isBlank(node));
  const moved = hasWords ? rebased(page.content, depth) : [];
  const acts: Act[] = [];
  let afterId = before;
  if (title !== '') {
    const heading = block('heading', title, {
      id: namedId(page.id, 'heading'),
      depth,
      level: levelFor(into.content, beforeIndex),
    });
    acts.push({ do: 'putBlocks', id: into.id, afterId, nodes: [heading] });
    afterId = idOf(heading);
  }
  const firstId = title === '' ? moved[0]?.id : afterId;
  acts.push({
    do: 'moveBlocks',
    id: into.id,
    blocks: moved.map((each, place) => ({
      ...each,
      from: page.id,
      to: into.id,
      afterId: place > 0 ? moved[place - 1]!.id : afterId,
    })),
  });
  if (firstId) acts.push({ do: 'addFormer', id: into.id, blockId: firstId, formerIds: [page.id] });
  if (line) acts.push({ do: 'dropBlocks', id: into.id, blockIds: [idOf(line)] });
  // Without a title and its lines, nothing is left of it that the bin could show.
  acts.push({ do: title === '' ? 'unmake' : 'bin', id: page.id });
  return acts;
}

/** The level of the nearest heading above, so that what comes back is its equal; the second when there is none. */
function levelFor(content: readonly NodeJson[], from: number): number {
  for (let index = from; index >= 0; index -= 1) {
    if (isHeading(content[index]!)) return levelOf(content[index]!);
  }
  return 2;
}
