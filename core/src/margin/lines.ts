import { shownWords } from '../document/text';
import type { NodeJson } from '../document/types';
import { normalizeTag } from '../tags/normalize';
import type { MarginLine } from './placement';

/** The ids a node links to and the tags it carries, in reading order, each once. */
export function namedIn(nodes: readonly NodeJson[]): { links: string[]; tags: string[] } {
  const links = new Set<string>();
  const tags = new Set<string>();
  const walk = (node: NodeJson): void => {
    if (node.type === 'pageLink' || node.type === 'card') links.add(String(node.attrs?.target));
    if (node.type === 'tag') tags.add(normalizeTag(String(node.attrs?.name)));
    node.content?.forEach(walk);
  };
  nodes.forEach(walk);
  return { links: [...links], tags: [...tags] };
}

/**
 * A line as placing sees it: with the words of its links, but without the name of the page itself, which every gloss
 * names. `nodes` are the line and what stands beneath it.
 */
export function marginLine(pageId: string, nodes: readonly NodeJson[], titleOf: (id: string) => string): MarginLine {
  const words = nodes
    .map((node) => shownWords(withoutTags(node), (id) => (id === pageId ? '' : titleOf(id))))
    .join(' ');
  const { id, kind } = nodes[0]?.attrs ?? {};
  return { id: String(id), words, isHeading: kind === 'heading', ...namedIn(nodes) };
}

/** Tags count for themselves, not as words once more. */
function withoutTags(node: NodeJson): NodeJson {
  if (node.type === 'tag') return { type: 'text', text: '' };
  return node.content ? { ...node, content: node.content.map(withoutTags) } : node;
}
