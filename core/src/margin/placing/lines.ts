import { namedIn } from '../../document/holds';
import { isHeading } from '../../document/kinds';
import { shownWords } from '../../document/text';
import type { NodeJson } from '../../document/types';
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
  const named = namedIn(nodes);
  const names = named.links
    .filter((id) => id !== pageId)
    .map(titleOf)
    .join(' ');
  return { id: String(first?.attrs?.id), words, names, isHeading: first !== undefined && isHeading(first), ...named };
}

/** Tags count for themselves, not as words once more. */
function withoutTags(node: NodeJson): NodeJson {
  if (node.type === 'tag') return { type: 'text', text: '' };
  return node.content ? { ...node, content: node.content.map(withoutTags) } : node;
}

/** Where a gloss stands, as far as placing needs it: the lines before and after it, and its heading. */
export interface GlossPlace {
  before: NodeJson | null;
  after: NodeJson | null;
  heading: NodeJson | null;
}

/** What is said around a gloss: a heading before or after it is of something else. */
export const wordsAround = (
  pageId: string,
  { before, after, heading }: GlossPlace,
  titleOf: (id: string) => string,
): string =>
  [before && isHeading(before) ? null : before, after && isHeading(after) ? null : after, heading]
    .flatMap((node) => (node ? [marginLine(pageId, [node], titleOf).words] : []))
    .join(' ');
