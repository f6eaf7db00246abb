/**
 * How the fields and kinds of a page stand in its document: in one Y.Map named `fields`, under keys that say which part
 * of which field it is, so that two windows that write different things write different keys, and the words of a text,
 * which is a Y.Text of its own, join like any.
 *
 *     <field>            an atom: a string, a number, true or false
 *     <field>/text       a Y.Text
 *     <field>/<page>     a number: where among the pages of the field this one stands
 *     kinds/<kind>       a number: where among the kinds of the page this one stands
 */

export const FIELDS = 'fields';
const TEXT = 'text';
const KINDS = 'kinds';

export const atomKey = (fieldId: string): string => fieldId;
export const textKey = (fieldId: string): string => `${fieldId}/${TEXT}`;
export const pageKey = (fieldId: string, pageId: string): string => `${fieldId}/${pageId}`;
export const kindKey = (kindId: string): string => `${KINDS}/${kindId}`;

/** What a key names. */
export type Named =
  | { part: 'kind'; kindId: string }
  | { part: 'atom' | 'text'; fieldId: string }
  | { part: 'pages'; fieldId: string; pageId: string };

export function namedBy(key: string): Named {
  const slash = key.indexOf('/');
  if (slash < 0) return { part: 'atom', fieldId: key };
  const [first, last] = [key.slice(0, slash), key.slice(slash + 1)];
  if (first === KINDS) return { part: 'kind', kindId: last };
  return last === TEXT ? { part: 'text', fieldId: first } : { part: 'pages', fieldId: first, pageId: last };
}
