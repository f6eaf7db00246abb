import { normalizeTag } from '../tags/normalize';
import { solidKindOf } from './kinds';
import type { NodeJson } from './types';

/** What a node and all that stands in it lead to and carry, in reading order. */

/** A link: what it leads to, and the words it has of its own. */
export interface HeldLink {
  target: string;
  words: string | null;
}

/** Every node within a node, and itself first. */
function* within(node: NodeJson): Generator<NodeJson> {
  yield node;
  for (const child of node.content ?? []) yield* within(child);
}

export function* linksIn(node: NodeJson): Generator<HeldLink> {
  for (const { type, attrs = {}, ...each } of within(node)) {
    for (const target of solidKindOf({ type, ...each })?.links?.(attrs) ?? []) {
      if (typeof target === 'string') yield { target, words: null };
    }
    if (type === 'pageLink' && typeof attrs.target === 'string') {
      yield { target: attrs.target, words: typeof attrs.words === 'string' ? attrs.words : null };
    }
  }
}

/** The names of tags, as they are written. */
export function* tagsIn(node: NodeJson): Generator<string> {
  for (const { type, attrs } of within(node)) if (type === 'tag') yield String(attrs?.name ?? '');
}

/** The ids that nodes link to and the tags they carry, as they are compared, each once. */
export const namedIn = (nodes: readonly NodeJson[]): { links: string[]; tags: string[] } => ({
  links: [...new Set(nodes.flatMap((node) => [...linksIn(node)].map(({ target }) => target)))],
  tags: [...new Set(nodes.flatMap((node) => [...tagsIn(node)].map(normalizeTag)))],
});
