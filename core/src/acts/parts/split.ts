import { depthOf, idOf, isHeading, levelOf } from '../../document/kinds';
import { block } from '../../document/build';
import { namedId } from '../../document/ids';
import type { NodeJson } from '../../document/types';
import type { Act } from '../all';
import { PlaceError } from '../../outline/place';
import { overviewNode } from '../../overview/overview';
import { planPart, type ShownWords } from './lift';
import { endOfPart } from './range';

/** The headings a page would be split at: the outermost ones of the highest level in use. */
export function splitHeadings(content: readonly NodeJson[]): NodeJson[] {
  const headings = content.filter((node) => isHeading(node) && depthOf(node) === 0);
  const level = Math.min(...headings.map((node) => levelOf(node)));
  return headings.filter((node) => levelOf(node) === level);
}

export interface SplitWish {
  /** The page to be split. */
  id: string;
  /** What the parts are to stand in: the page itself, or elsewhere for a day. */
  parentId: string;
  /** The ids of all that is made are computed from this one, so that doing it again makes the same. */
  seed: string;
}

/** The acts that make a page of each part of a page, and an overview in their place. */
export function planSplit(content: readonly NodeJson[], wish: SplitWish, shown: ShownWords): Act[] {
  const headings = splitHeadings(content);
  if (headings.length === 0) throw new PlaceError('There is no heading on this page to split it at.');
  const { id, parentId, seed } = wish;
  let afterId: string | null = null;
  const parts = headings.map((heading) => {
    const index = content.indexOf(heading);
    const pageId = namedId(seed, idOf(heading));
    const part = content.slice(index, endOfPart(content, index));
    const acts = planPart(part, { id, blockIds: [], pageId, parentId, afterId }, shown);
    afterId = pageId;
    return { pageId, acts };
  });
  const acts = gathered(
    parts.flatMap((part) => part.acts),
    id,
  );
  const pageIds = parts.map(({ pageId }) => pageId);
  const start = content.indexOf(headings[0]!);
  const before = start > 0 ? idOf(content[start - 1]!) : null;
  const isBeneath = parentId === id;
  const overview = overviewNode(
    namedId(seed, 'overview'),
    isBeneath ? { subject: 'beneath', target: id, levels: 1 } : { subject: 'chosen', chosen: pageIds },
  );
  const after = block('paragraph', [], { id: namedId(seed, 'after') });
  return [...acts, { do: 'putBlocks', id, afterId: before, nodes: [overview, after] }];
}

/** The same acts with all moves as one and all that leaves the page as one, so that the page is written once for each. */
function gathered(acts: readonly Act[], id: string): Act[] {
  const moves = acts.flatMap((act) => (act.do === 'moveBlocks' ? act.blocks : []));
  const dropped = acts.flatMap((act) => (act.do === 'dropBlocks' && act.id === id ? act.blockIds : []));
  const others = acts.filter((act) => act.do !== 'moveBlocks' && !(act.do === 'dropBlocks' && act.id === id));
  return [
    ...others.filter((act) => act.do === 'make'),
    { do: 'moveBlocks', id, blocks: moves },
    { do: 'dropBlocks', id, blockIds: dropped },
    ...others.filter((act) => act.do !== 'make'),
  ];
}
