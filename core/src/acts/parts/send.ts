import { idOf } from '../../document/kinds';
import { withAttributes } from '../../document/canonical';
import { withIds } from '../../document/copy';
import { pageLink, text } from '../../document/build';
import { namedId } from '../../document/ids';
import type { NodeJson } from '../../document/types';
import type { Act } from '../all';
import { PlaceError } from '../../outline/place';
import { endOfPart, rebased, withBelongings } from './range';

/** How blocks go to another page: themselves, as a copy, or as an excerpt that links to where it is from. */
export const SEND_FORMS = ['move', 'copy', 'excerpt'] as const;
export type SendForm = (typeof SEND_FORMS)[number];

export interface SendWish {
  id: string;
  toId: string;
  blockIds: readonly string[];
  /** `head`, `end`, or the id of a heading: at the end of its part. */
  at: string;
  form: SendForm;
  /** The ids of copies are computed from this one. */
  seed: string;
}

function anchorOf(content: readonly NodeJson[], at: string): string | null {
  if (at === 'head') return null;
  if (at === 'end') return content.length > 0 ? idOf(content.at(-1)!) : null;
  const index = content.findIndex((node) => idOf(node) === at);
  if (index < 0) throw new PlaceError('That heading is not on the page any more.');
  return idOf(content[endOfPart(content, index) - 1]!);
}

/** The acts that bring blocks to another page. `title` is the title of the page they stand on. */
export function planSend(
  content: readonly NodeJson[],
  target: readonly NodeJson[],
  wish: SendWish,
  title: string,
): Act[] {
  const { id, toId, form, seed } = wish;
  if (id === toId && form === 'move')
    throw new PlaceError('These lines are on that page already; they can be moved by dragging.');
  const taken = withBelongings(content, wish.blockIds);
  if (taken.length === 0) throw new PlaceError('None of these lines is on the page any more.');
  const anchor = anchorOf(target, wish.at);
  const placed = rebased(taken);
  // A page that nobody has written in yet begins with an empty line, which makes way.
  const only = target.length === 1 && target[0]!.type === 'block' && !target[0]!.content ? target[0]! : null;
  const acts: Act[] = [];
  if (form === 'move') {
    acts.push({
      do: 'moveBlocks',
      id: toId,
      blocks: placed.map((each, index) => ({
        ...each,
        from: id,
        to: toId,
        afterId: index > 0 ? placed[index - 1]!.id : anchor,
      })),
    });
  } else {
    const copies = copied(taken, seed).map((node, index) => withAttributes(node, { depth: placed[index]!.depth }));
    const nodes = form === 'excerpt' ? withSource(copies, idOf(taken[0]!), title) : copies;
    acts.push({ do: 'putBlocks', id: toId, afterId: anchor, nodes });
  }
  if (only) acts.push({ do: 'dropBlocks', id: toId, blockIds: [idOf(only)] });
  return acts;
}

/** Blocks with ids of their own, computed from one; links among them lead to the copies. */
const copied = (nodes: readonly NodeJson[], seed: string): NodeJson[] =>
  withIds({ type: 'doc', content: [...nodes] }, new Map(nodes.map((node) => [idOf(node), namedId(seed, idOf(node))])))
    .content;

/** An excerpt: copies of blocks with what stands beneath them, the last text among them linking to the first block. */
export function excerptOf(content: readonly NodeJson[], blockIds: readonly string[], seed: string, title: string) {
  const taken = withBelongings(content, blockIds);
  const placed = rebased(taken);
  const copies = copied(taken, seed).map((node, index) => withAttributes(node, { depth: placed[index]!.depth }));
  return taken.length === 0 ? [] : withSource(copies, idOf(taken[0]!), title);
}

/** The last text block says where the excerpt is from. */
function withSource(nodes: NodeJson[], sourceId: string, title: string): NodeJson[] {
  const index = nodes.findLastIndex((node) => node.type === 'block');
  const link = [text(' – '), pageLink(sourceId, title)];
  if (index < 0) return nodes;
  return nodes.with(index, { ...nodes[index]!, content: [...(nodes[index]!.content ?? []), ...link] });
}
