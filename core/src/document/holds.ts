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

/** A tag: its id, and its name where it is not stored yet. */
export interface HeldTag {
  tag: string | null;
  name: string | null;
}

const orNull = (value: unknown): string | null => (typeof value === 'string' ? value : null);

export function* tagsIn(node: NodeJson): Generator<HeldTag> {
  for (const { type, attrs } of within(node))
    if (type === 'tag') yield { tag: orNull(attrs?.tag), name: orNull(attrs?.name) };
}

/** The ids that nodes link to and those of the stored tags they wear, each once. */
export const namedIn = (nodes: readonly NodeJson[]): { links: string[]; tags: string[] } => ({
  links: [...new Set(nodes.flatMap((node) => [...linksIn(node)].map(({ target }) => target)))],
  tags: [
    ...new Set(
      nodes.flatMap((node) => [...tagsIn(node)].flatMap(({ tag, name }) => (tag !== null && name === null ? tag : []))),
    ),
  ],
});

/** The ids of all whose present titles are shown in these nodes, each once. */
export const shownIn = (nodes: readonly NodeJson[]): string[] => Object.values(namedIn(nodes)).flat();

/** Whether a line says nothing but tags. */
const isOfTags = ({ type, content = [] }: NodeJson): boolean =>
  type === 'block' &&
  content.some((node) => node.type === 'tag') &&
  content.every((node) => node.type === 'tag' || node.text?.trim() === '');

/** The tags of a page: its own, which its first line names and nothing else, and those of its other lines. */
export function wornTags(nodes: readonly NodeJson[]): { own: string[]; others: string[] } {
  const [first, ...rest] = nodes;
  const own = first && isOfTags(first) ? namedIn([first]).tags : [];
  return { own, others: namedIn(own.length > 0 ? rest : nodes).tags };
}
