import { solidKindOf } from './kinds';
import type { NodeJson } from './types';

/** What a node and all that stands in it lead to and carry, in reading order. */

/** A link: what it leads to, and the words it has of its own. */
export interface HeldLink {
  target: string;
  words: string | null;
}

/** A tag: its id, and its name where it is not stored yet. */
export interface HeldTag {
  tag: string | null;
  name: string | null;
}

/** Calls `see` for a node and all within it, in reading order. Bodies are walked at every key: no generators here. */
function walk(node: NodeJson, see: (node: NodeJson) => void): void {
  see(node);
  if (node.content) for (const child of node.content) walk(child, see);
}

function takeLinks(node: NodeJson, take: (link: HeldLink) => void): void {
  const { type, attrs = {} } = node;
  if (type === 'pageLink') {
    if (typeof attrs.target === 'string') {
      take({ target: attrs.target, words: typeof attrs.words === 'string' ? attrs.words : null });
    }
    return;
  }
  const links = solidKindOf(node)?.links;
  if (!links) return;
  for (const target of links(attrs)) if (typeof target === 'string') take({ target, words: null });
}

const orNull = (value: unknown): string | null => (typeof value === 'string' ? value : null);

function takeTag({ type, attrs }: NodeJson, take: (tag: HeldTag) => void): void {
  if (type === 'tag') take({ tag: orNull(attrs?.tag), name: orNull(attrs?.name) });
}

export function linksIn(node: NodeJson): HeldLink[] {
  const links: HeldLink[] = [];
  walk(node, (each) => takeLinks(each, (link) => links.push(link)));
  return links;
}

export function tagsIn(node: NodeJson): HeldTag[] {
  const tags: HeldTag[] = [];
  walk(node, (each) => takeTag(each, (tag) => tags.push(tag)));
  return tags;
}

/** The ids that nodes link to and those of the stored tags they wear, each once. */
export function namedIn(nodes: readonly NodeJson[]): { links: string[]; tags: string[] } {
  const links = new Set<string>();
  const tags = new Set<string>();
  for (const node of nodes) {
    walk(node, (each) => {
      takeLinks(each, ({ target }) => links.add(target));
      takeTag(each, ({ tag, name }) => tag !== null && name === null && tags.add(tag));
    });
  }
  return { links: [...links], tags: [...tags] };
}

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
