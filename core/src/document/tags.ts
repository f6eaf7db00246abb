import * as Y from 'yjs';
import { tagsIn, type HeldTag } from './holds';
import type { NodeJson } from './types';

/**
 * Tags in a body that are named as they were typed, and not yet by the id of a tag that is stored. Storing a body finds
 * the tag of each, or makes it, and leaves its id alone.
 */

/** A tag as it was typed: the id it was given there, if any, and its name. */
export interface TypedTag extends HeldTag {
  name: string;
}

const isTyped = (tag: HeldTag): tag is TypedTag => tag.name !== null;

/** Which stored tag a typed one is. */
export type TagOf = (typed: TypedTag) => string;

/** Blocks that hold no typed tag: one that is read again unchanged is the same object. */
const named = new WeakSet<NodeJson>();

/** The tags of these blocks that are named as they were typed, in reading order. */
export function typedTags(nodes: readonly NodeJson[]): TypedTag[] {
  return nodes.flatMap((node) => {
    if (named.has(node)) return [];
    const typed = tagsIn(node).filter(isTyped);
    if (typed.length === 0) named.add(node);
    return typed;
  });
}

/** The nodes with the ids of tags in place of typed names. */
export function withTagIds(nodes: readonly NodeJson[], tagOf: TagOf): NodeJson[] {
  return nodes.map((node) => {
    if (named.has(node)) return node;
    if (node.content) return { ...node, content: withTagIds(node.content, tagOf) };
    if (node.type !== 'tag' || typeof node.attrs?.name !== 'string') return node;
    const tag = tagOf({ tag: (node.attrs.tag as string | undefined) ?? null, name: node.attrs.name });
    const { marks } = node;
    return { type: 'tag', attrs: { tag }, ...(marks && { marks }) };
  });
}

/** The same in a document that windows may have open. */
export function writeTagIds(document: Y.Doc, tagOf: TagOf): void {
  document.transact(() => {
    for (const element of document.getXmlFragment('body').createTreeWalker((each) => isTag(each))) {
      const own = element as Y.XmlElement;
      const name = own.getAttribute('name');
      if (name === undefined) continue;
      const tag = tagOf({ tag: own.getAttribute('tag') ?? null, name });
      if (tag !== own.getAttribute('tag')) own.setAttribute('tag', tag);
      own.removeAttribute('name');
    }
  });
}

const isTag = (each: unknown): boolean => each instanceof Y.XmlElement && each.nodeName === 'tag';

/** Whether a stored node is what was seen of it, where tags may have been typed that have their ids since. */
export function isAsSeen(seen: NodeJson, stored: NodeJson): boolean {
  if (seen.type === 'tag' && typeof seen.attrs?.name === 'string') return stored.type === 'tag';
  const { content: seenContent = [], ...seenSelf } = seen;
  const { content: storedContent = [], ...storedSelf } = stored;
  return (
    JSON.stringify(seenSelf) === JSON.stringify(storedSelf) &&
    seenContent.length === storedContent.length &&
    seenContent.every((each, index) => isAsSeen(each, storedContent[index]!))
  );
}
