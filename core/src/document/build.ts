import { canonical } from './canonical';
import { newId } from './ids';
import { textAttributes } from './kinds';
import type { BodyJson, MarkJson, NodeJson } from './types';

/** Small makers of body JSON, for templates, importers and tests. */

export const text = (value: string, ...marks: MarkJson[]): NodeJson =>
  marks.length > 0 ? { type: 'text', text: value, marks } : { type: 'text', text: value };

export const pageLink = (target: string, words: string | null = null): NodeJson => ({
  type: 'pageLink',
  attrs: words === null ? { target } : { target, words },
});

/** A tag that is stored. */
export const tag = (id: string): NodeJson => ({ type: 'tag', attrs: { tag: id } });

/** A tag as it is typed, before it is stored. */
export const typedTag = (name: string): NodeJson => ({ type: 'tag', attrs: { name } });

export interface BlockOptions {
  id?: string;
  depth?: number;
  level?: number | null;
  state?: string | null;
  tint?: string | null;
  folded?: boolean | null;
  [name: string]: unknown;
}

/**
 * One text block in its canonical form. `content` may be a string for plain text.
 *
 * @throws Error when there is no such kind
 */
export const block = (kind: string, content: string | NodeJson[] = [], options: BlockOptions = {}): NodeJson => {
  const inline = typeof content === 'string' ? (content === '' ? [] : [text(content)]) : content;
  const { id = newId(), depth = 0, tint = null, formerIds = null, kept = null, ...own } = options;
  return canonical({
    type: 'block',
    attrs: { id, depth, tint, ...textAttributes(kind, own), formerIds, kept },
    ...(inline.length > 0 ? { content: inline } : {}),
  });
};

export const body = (...content: NodeJson[]): BodyJson => ({ type: 'doc', content });

/** The body of a page nobody has written in yet: one empty paragraph whose id is computed from the page's. */
export const emptyBody = (firstBlockId: string): BodyJson => body(block('paragraph', [], { id: firstBlockId }));
