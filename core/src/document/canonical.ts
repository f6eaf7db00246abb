import type { Attributes } from './attributes';
import { MARK_ATTRIBUTES } from './marks';
import { NODE_ATTRIBUTES } from './nodes';
import type { NodeJson } from './types';

/** What says more than the defaults; undefined when nothing does. */
function saying(
  attributes: Attributes | undefined,
  attrs: Readonly<Record<string, unknown>> | undefined,
): Record<string, unknown> | undefined {
  if (!attrs) return undefined;
  const said: Record<string, unknown> = {};
  let isSaying = false;
  for (const name in attrs) {
    const value = attrs[name];
    if (value === undefined || value === attributes?.[name]?.default) continue;
    said[name] = value;
    isSaying = true;
  }
  return isSaying ? said : undefined;
}

/**
 * A node in its one form: what is as where nothing is said is left out, so that a new attribute of a kind changes no
 * JSON that is stored, and one that is compared.
 */
export function canonical({ type, attrs, content, marks, text }: NodeJson): NodeJson {
  const node: NodeJson = { type };
  const said = saying(NODE_ATTRIBUTES[type], attrs);
  if (said) node.attrs = said;
  if (content) node.content = content.map(canonical);
  if (marks) {
    node.marks = marks.map((mark) => {
      const ofMark = saying(MARK_ATTRIBUTES[mark.type], mark.attrs);
      return ofMark ? { type: mark.type, attrs: ofMark } : { type: mark.type };
    });
  }
  if (text !== undefined) node.text = text;
  return node;
}

/** A node that says other things of itself, in its one form. */
export const withAttributes = (node: NodeJson, changes: Readonly<Record<string, unknown>>): NodeJson =>
  canonical({ ...node, attrs: { ...node.attrs, ...changes } });
