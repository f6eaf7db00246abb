import type { Element } from 'hast';
import { readAttributes } from '../../document/attributes';
import { OF_TEXT, SOLID_KINDS, solidBlock, textKind } from '../../document/kinds';
import { MAX_DEPTH, type NodeJson } from '../../document/types';
import { OF_ANY } from '../attributes';

/** What the data attributes of an element say of its block. */
export function sharedData({ properties }: Element): Record<string, unknown> {
  const texts = Object.fromEntries(
    Object.entries(properties)
      .filter(([name]) => /^data[A-Z]/u.test(name))
      .map(([name, value]) => [`${name[4]!.toLowerCase()}${name.slice(5)}`, String(value)]),
  );
  const { depth, ...said } = readAttributes({ ...OF_ANY, ...OF_TEXT }, texts);
  const kind = textKind(texts.kind ?? '')?.name;
  return { ...said, ...(kind && { kind }), ...(depth !== undefined && { depth: Math.min(Number(depth), MAX_DEPTH) }) };
}

/** The address of the attachment that a block of this product's shows; null for any other block. */
export function attachedTo({ properties, children }: Element): string | null {
  if (properties.dataPicture === undefined && properties.dataFile === undefined) return null;
  for (const child of children) {
    if (child.type !== 'element') continue;
    const { src, href } = child.properties;
    if (child.tagName === 'img' && typeof src === 'string') return src;
    if (child.tagName === 'a' && typeof href === 'string') return href;
  }
  return null;
}

/** Reads a block that HTML has no element for, as the product writes it; null for any other element. */
export function readOwn(element: Element, depth: number): NodeJson | null {
  for (const { name, html } of SOLID_KINDS) {
    const attrs = html.readOwn?.(element);
    if (attrs) return solidBlock(name, { depth, ...sharedData(element), ...attrs });
  }
  return null;
}
