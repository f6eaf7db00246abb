import { isId } from '../document/ids';
import { readAttributes as readValues, type Attributes } from '../document/attributes';
import { BLOCK_ATTRIBUTES, OF_TEXT, textKind } from '../document/kinds';

/**
 * What a format has no form of its own for stands in braces after a block: `{#id depth=2 tint=lapis}`. A value with
 * anything but plain letters in it is written as in an address (RFC 3986), so that the group never holds a space, a
 * quote or a brace of its own.
 */
export type BlockAttributes = Record<string, string>;

const KEY = /^[a-zA-Z]+$/u;
export const ATTRIBUTES =
  /\{((?:#[0-9a-fA-F-]{36}|[a-zA-Z]+(?:=[\w.~%/:,-]*)?)(?: (?:[a-zA-Z]+(?:=[\w.~%/:,-]*)?))*)\}/u;

const encoded = (value: string): string =>
  encodeURIComponent(value).replace(/[!'()*]/gu, (character) => `%${character.charCodeAt(0).toString(16)}`);

/** The group for these attributes; an empty text when there are none. */
export function writeAttributes(attributes: Record<string, unknown>): string {
  let group = '';
  for (const name in attributes) {
    const value = attributes[name];
    if (value === null || value === undefined || value === false) continue;
    if (group !== '') group += ' ';
    group += name === 'id' ? `#${String(value)}` : value === true ? name : `${name}=${encoded(String(value))}`;
  }
  return group && `{${group}}`;
}

/** Reads the inside of a group; null when it is none. */
export function readAttributes(group: string): BlockAttributes | null {
  const attributes: BlockAttributes = {};
  for (const part of group.split(' ')) {
    if (part.startsWith('#')) {
      if (!isId(part.slice(1))) return null;
      attributes.id = part.slice(1).toLowerCase();
      continue;
    }
    const [name, ...rest] = part.split('=');
    if (!name || !KEY.test(name)) return null;
    try {
      attributes[name] = rest.length > 0 ? decodeURIComponent(rest.join('=')) : 'true';
    } catch {
      return null;
    }
  }
  return attributes;
}

/** What a group may say of any text: all but what its kind has, and what it is. */
export const OF_ANY: Attributes = Object.fromEntries(
  Object.entries(BLOCK_ATTRIBUTES).filter(([name]) => !(name in OF_TEXT) && name !== 'kind'),
);

/**
 * Reads the inside of a group at the end of a text of a kind; null when it says anything that is not said there: then
 * the braces are the writer's own, as in "uses named export {isNode}".
 */
export function readTextAttributes(
  group: string,
  kind: string,
): { kind: string; attrs: Record<string, unknown> } | null {
  const said = readAttributes(group);
  if (!said) return null;
  const of = textKind(said.kind ?? kind);
  const attrs = readValues({ kind: BLOCK_ATTRIBUTES.kind!, ...OF_ANY, ...of?.attributes }, said);
  if (!of || Object.keys(attrs).length !== Object.keys(said).length) return null;
  // What the form shows is not said beside it: `- [ ] Oak {state=done}`; in a cell, which has no form, it is.
  const shown = said.kind === undefined && of.name !== 'heading' ? (of.markdown.shows?.(attrs) ?? []) : [];
  return shown.some((name) => name in said) ? null : { kind: of.name, attrs };
}
