import { namedIn } from '../document/holds';
import { isHeading } from '../document/kinds';
import { shownWords } from '../document/text';
import type { NodeJson } from '../document/types';
import type { MarginLine } from './placement';

/**
 * A line as placing sees it: with the words of its links, but without the name of the page itself, which every gloss
 * names. `nodes` are the line and what stands beneath it.
 */
export function marginLine(pageId: string, nodes: readonly NodeJson[], titleOf: (id: string) => string): MarginLine {
  const words = nodes
    .map((node) => shownWords(withoutTags(node), (id) => (id === pageId ? '' : titleOf(id))))
    .join(' ');
  const [first] = nodes;
  return { id: String(first?.attrs?.id), words, isHeading: first !== undefined && isHeading(first), ...namedIn(nodes) };
}

/** Tags count for themselves, not as words once more. */
function withoutTags(node: NodeJson): NodeJson {
  if (node.type === 'tag') return { type: 'text', text: '' };
  return node.content ? { ...node, content: node.content.map(withoutTags) } : node;
}
