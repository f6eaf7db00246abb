import type { NodeJson } from '../../document/types';
import type { LinkReference } from './types';

/** What a link in a text that was read points to: a target, or null when it is not known. */
export type FindTarget = (reference: LinkReference) => string | null;

/** A link without words of its own shows its target's title, so that words that only repeat it are none. */
export const ownWordsOfLink = (words: string | null, target: string, titleOf: (target: string) => string) =>
  words === null || words === titleOf(target) ? null : words;

/** The nodes with every reference turned into a link, or into its words where nothing is known of it. */
export function resolveReferences(
  nodes: readonly NodeJson[],
  find: FindTarget,
  titleOf: (target: string) => string,
): NodeJson[] {
  return nodes.map((node) => {
    const reference = node.type === 'pageLink' ? (node.attrs?.reference as LinkReference | undefined) : undefined;
    if (!reference) return node.content ? { ...node, content: resolveReferences(node.content, find, titleOf) } : node;
    const words = (node.attrs?.words as string | null | undefined) ?? null;
    const target = find(reference);
    const { marks } = node;
    if (target) {
      const attrs = { target, words: ownWordsOfLink(words, target, titleOf) };
      return { type: 'pageLink', attrs, ...(marks && { marks }) };
    }
    const { form, name } = reference;
    const address = form === 'path' && words !== null && words !== name ? ` (${name})` : '';
    const shown = form === 'wiki' ? `[[${name}${words ? `|${words}` : ''}]]` : `${words ?? name}${address}`;
    return { type: 'text', text: shown, ...(marks && { marks }) };
  });
}
