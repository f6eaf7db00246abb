import { prosemirrorJSONToYXmlFragment } from '@tiptap/y-tiptap';
import * as Y from 'yjs';
import { canonical } from './canonical';
import { schema } from './schema';
import type { BodyJson } from './types';

/**
 * Turns a title and a body into the first state of a page's document.
 *
 * The same page id, title and body give the same bytes on every device, so that two devices that both make today's
 * page while apart hold one page when they meet. The Yjs client number is computed from all three: two seeds that
 * differ can never claim the same number.
 */
export function seedDocument(pageId: string, title: string, body: BodyJson): Uint8Array {
  const document = new Y.Doc({ gc: false });
  document.clientID = hash(JSON.stringify([pageId, title, body.content.map(canonical)]));
  if (title) document.getText('title').insert(0, title);
  prosemirrorJSONToYXmlFragment(schema, body, document.getXmlFragment('body'));
  return Y.encodeStateAsUpdate(document);
}

/** FNV-1a, 32 bit (Fowler, Noll, Vo). */
function hash(value: string): number {
  let result = 0x811c9dc5;
  for (let index = 0; index < value.length; index += 1) {
    result ^= value.charCodeAt(index);
    result = Math.imul(result, 0x01000193);
  }
  return result >>> 0;
}
