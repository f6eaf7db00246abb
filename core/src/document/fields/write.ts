import * as Y from 'yjs';
import { hash } from '../hash';
import { writeText } from '../writeText';
import type { Content } from './content';
import { FIELDS, atomKey, kindKey, namedBy, pageKey, textKey } from './stored';

const mapOf = (document: Y.Doc): Y.Map<unknown> => document.getMap(FIELDS);

/**
 * The text of a field, begun when there is none. It is begun with the same bytes on every device: two windows that type
 * the first words of a field while apart type into one text. Such a text is emptied, never taken away.
 *
 * @throws Error within a transaction when there is none yet: Yjs would take what was written before it in the same
 * transaction for another's
 */
export function fieldText(document: Y.Doc, fieldId: string): Y.Text {
  const key = textKey(fieldId);
  const known = mapOf(document).get(key);
  if (known instanceof Y.Text) return known;
  if (document._transaction) throw new Error('A text of a field is begun in no transaction.');
  const beginning = new Y.Doc({ gc: false });
  beginning.clientID = hash(`text of the field ${fieldId}`);
  mapOf(beginning).set(key, new Y.Text());
  Y.applyUpdate(document, Y.encodeStateAsUpdate(beginning));
  return mapOf(document).get(key) as Y.Text;
}

/** Sets ids in an order, each under its key, leaving what stands as it should. */
function writePlaced(
  map: Y.Map<unknown>,
  keyOf: (id: string) => string,
  old: readonly string[],
  ids: readonly string[],
) {
  const wanted = new Set(ids);
  for (const id of old) if (!wanted.has(id)) map.delete(keyOf(id));
  let last = -Infinity;
  for (const id of wanted) {
    const place = map.get(keyOf(id));
    if (typeof place === 'number' && place > last) {
      last = place;
      continue;
    }
    last = last === -Infinity ? 0 : Math.floor(last) + 1;
    map.set(keyOf(id), last);
  }
}

/** Makes a field of a page hold what is said, and nothing else. */
export function writeField(document: Y.Doc, fieldId: string, content: Content, origin?: unknown): void {
  const map = mapOf(document);
  const key = atomKey(fieldId);
  const text = content.text || map.has(textKey(fieldId)) ? fieldText(document, fieldId) : null;
  document.transact(() => {
    if (content.atom === undefined) map.delete(key);
    else if (map.get(key) !== content.atom) map.set(key, content.atom);
    if (text) writeText(text, content.text ?? '');
    const old = [...map.keys()].flatMap((each) => {
      const named = namedBy(each);
      return named.part === 'pages' && named.fieldId === fieldId ? [named.pageId] : [];
    });
    writePlaced(map, (pageId) => pageKey(fieldId, pageId), old, content.pages ?? []);
  }, origin);
}

/** Makes a page be of these kinds, in this order. */
export function writeKinds(document: Y.Doc, kinds: readonly string[], origin?: unknown): void {
  document.transact(() => {
    const map = mapOf(document);
    const old = [...map.keys()].flatMap((key) => {
      const named = namedBy(key);
      return named.part === 'kind' ? [named.kindId] : [];
    });
    writePlaced(map, kindKey, old, kinds);
  }, origin);
}
