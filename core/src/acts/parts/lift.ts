import { depthOf, idOf, isHeading } from '../../document/kinds';
import { block, pageLink } from '../../document/build';
import { namedId } from '../../document/ids';
import type { NodeJson } from '../../document/types';
import type { Act } from '../all';
import { PlaceError } from '../../outline/place';
import { rebased, withBelongings } from './range';

export interface LiftWish {
  /** The page the blocks stand on. */
  id: string;
  blockIds: readonly string[];
  /** The id of the page that is made. */
  pageId: string;
  /** What it is to stand in; a page stands beneath the one it came from. */
  parentId: string;
  /** The block it stands after among pages made together. */
  afterId?: string | null;
}

export type ShownWords = (node: NodeJson) => string;

/** The first line of a page that was just made, which goes when others come. */
export const firstLineId = (pageId: string): string => namedId(pageId, 'first');

/** The link that stands where a page's blocks stood. */
export const linkLineId = (pageId: string): string => namedId(pageId, 'link line');

/**
 * The acts that make a page of some blocks and leave a link in their place. A heading that they begin with becomes the
 * page's title, and links to it lead to the first block of the page.
 */
export function planLift(content: readonly NodeJson[], wish: LiftWish, shown: ShownWords): Act[] {
  const taken = withBelongings(content, wish.blockIds);
  const first = taken[0];
  if (!first) throw new PlaceError('None of these lines is on the page any more.');
  const index = content.indexOf(first);
  const before = index > 0 ? idOf(content[index - 1]!) : null;
  const link = block('paragraph', [pageLink(wish.pageId)], {
    id: linkLineId(wish.pageId),
    depth: depthOf(first),
  });
  return [...planPart(taken, wish, shown), { do: 'putBlocks', id: wish.id, afterId: before, nodes: [link] }];
}

/** The acts that make a page of these blocks, without a link. */
export function planPart(taken: readonly NodeJson[], wish: LiftWish, shown: ShownWords): Act[] {
  const { id, pageId, parentId, afterId } = wish;
  const head = taken[0]!;
  const title = isHeading(head) ? shown(head).replace(/\s+/gu, ' ').trim() : '';
  const isTitled = title !== '';
  const moved = rebased(isTitled ? taken.slice(1) : taken);
  const acts: Act[] = [{ do: 'make', id: pageId, kind: 'page', parentId, afterId: afterId ?? null, name: title }];
  if (moved.length > 0) {
    acts.push({
      do: 'moveBlocks',
      id: pageId,
      blocks: moved.map(({ id: blockId, depth }, index) => ({
        id: blockId,
        from: id,
        to: pageId,
        afterId: index > 0 ? moved[index - 1]!.id : null,
        depth,
      })),
    });
    acts.push({ do: 'dropBlocks', id: pageId, blockIds: [firstLineId(pageId)] });
  }
  if (isTitled) {
    const firstId = moved[0]?.id ?? firstLineId(pageId);
    acts.push({ do: 'dropBlocks', id, blockIds: [idOf(head)] });
    acts.push({ do: 'addFormer', id: pageId, blockId: firstId, formerIds: formerOf(head) });
  }
  return acts;
}

/** A block's own id and those of the blocks that were joined into it. */
export const formerOf = (node: NodeJson): string[] => [
  idOf(node),
  ...(typeof node.attrs?.formerIds === 'string' ? node.attrs.formerIds.split(' ') : []),
];
