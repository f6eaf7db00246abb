import { prosemirrorJSONToYXmlFragment } from '@tiptap/y-tiptap';
import * as Y from 'yjs';
import { canonical } from './canonical';
import { besideOf, writeField, writeKinds } from './fields';
import { hash } from './hash';
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
  const { kinds, fields } = besideOf(body);
  const held = Object.entries(fields);
  // What a page without them is seeded with has always been computed from the first three.
  const beside = kinds.length > 0 || held.length > 0 ? [{ kinds, fields }] : [];
  document.clientID = hash(JSON.stringify([pageId, title, body.content.map(canonical), ...beside]));
  if (title) document.getText('title').insert(0, title);
  prosemirrorJSONToYXmlFragment(schema, body, document.getXmlFragment('body'));
  if (kinds.length > 0) writeKinds(document, kinds);
  for (const [id, content] of held) writeField(document, id, content);
  return Y.encodeStateAsUpdate(document);
}
