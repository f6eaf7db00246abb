import { newId } from './ids';
import type { BlockKind, BodyJson, MarkJson, NodeJson } from './types';

/** Small makers of body JSON, for templates, importers and tests. */

export const text = (value: string, ...marks: MarkJson[]): NodeJson =>
  marks.length > 0 ? { type: 'text', text: value, marks } : { type: 'text', text: value };

export const pageLink = (target: string, words: string | null = null): NodeJson => ({
  type: 'pageLink',
  attrs: { target, words },
});

export const tag = (name: string): NodeJson => ({ type: 'tag', attrs: { name } });

export interface BlockOptions {
  id?: string;
  depth?: number;
  level?: number | null;
  state?: string | null;
  tint?: string | null;
  folded?: boolean | null;
}

/** One text block. `content` may be a string for plain text. */
export const block = (kind: BlockKind, content: string | NodeJson[] = [], options: BlockOptions = {}): NodeJson => {
  const inline = typeof content === 'string' ? (content === '' ? [] : [text(content)]) : content;
  const node: NodeJson = {
    type: 'block',
    attrs: {
      id: options.id ?? newId(),
      depth: options.depth ?? 0,
      tint: options.tint ?? null,
      kind,
      level: kind === 'heading' ? (options.level ?? 2) : null,
      state: kind === 'todo' ? (options.state ?? 'open') : null,
      formerIds: null,
      folded: options.folded ?? null,
      kept: null,
    },
  };
  return inline.length > 0 ? { ...node, content: inline } : node;
};

export const body = (...content: NodeJson[]): BodyJson => ({ type: 'doc', content });

/** The body of a page nobody has written in yet: one empty paragraph whose id is computed from the page's. */
export const emptyBody = (firstBlockId: string): BodyJson => body(block('paragraph', [], { id: firstBlockId }));
