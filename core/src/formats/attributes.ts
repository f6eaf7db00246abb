import { isId } from '../document/ids';
import { BLOCK_KINDS, HIGHLIGHTS } from '../document/types';

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
  const parts = Object.entries(attributes).flatMap(([name, value]) => {
    if (value === null || value === undefined || value === false) return [];
    if (name === 'id') return [`#${String(value)}`];
    return [value === true ? name : `${name}=${encoded(String(value))}`];
  });
  return parts.length > 0 ? `{${parts.join(' ')}}` : '';
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

const isOneOf = (values: readonly string[]) => (value: string) => values.includes(value);

/** What a group after a text may say. */
const OF_TEXT: Record<string, (value: string) => boolean> = {
  id: isId,
  kind: isOneOf(BLOCK_KINDS),
  level: isOneOf(['1', '2', '3', '4']),
  depth: (value) => /^\d{1,2}$/u.test(value),
  tint: isOneOf(HIGHLIGHTS),
  folded: isOneOf(['true', 'yes', 'no']),
  former: (value) => value.split(' ').every(isId),
  kept: isOneOf(['true']),
};

/**
 * Reads the inside of a group at the end of a text; null when it says anything that is not said there: then the braces
 * are the writer's own, as in "uses named export {isNode}".
 */
export function readTextAttributes(group: string): BlockAttributes | null {
  const attributes = readAttributes(group);
  const isOurs = attributes && Object.entries(attributes).every(([name, value]) => OF_TEXT[name]?.(value) === true);
  return isOurs ? attributes : null;
}
