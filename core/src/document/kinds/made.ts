import { newId } from '../ids';
import type { NodeJson } from '../types';

/** A new block that is no text, with an id of its own unless one is given. */
export const solidBlock = (type: string, attrs: Record<string, unknown> = {}, content: NodeJson[] = []): NodeJson => ({
  type,
  attrs: { id: newId(), ...attrs },
  ...(content.length > 0 ? { content } : {}),
});

/** A paragraph of plain text, for words that a format has in places where a page has none. */
export function paragraphOf(words: string, depth = 0): NodeJson {
  // The null character can't be stored.
  const text = words.replaceAll('\u0000', '');
  return { type: 'block', attrs: { id: newId(), depth }, ...(text && { content: [{ type: 'text', text }] }) };
}
