import type { RootContent } from 'mdast';
import { readAttributes as readValues } from '../../document/attributes';
import { SOLID_KINDS, solidBlock, solidKindOf, type MarkdownReading } from '../../document/kinds';
import { MAX_DEPTH, type NodeJson } from '../../document/types';
import { ATTRIBUTES, OF_ANY, readAttributes, type BlockAttributes } from '../attributes';

/** What a comment says of the node that follows it, in the braces of attributes.ts. */
export function saidOf(comment: string): BlockAttributes | null {
  const match = new RegExp(`^<!-- ${ATTRIBUTES.source} -->$`, 'u').exec(comment.trim());
  return match ? readAttributes(match[1]!) : null;
}

/** What every block may have. Depth is as said, or else as found. */
function placeOf(said: BlockAttributes): Record<string, unknown> {
  const { depth, ...place } = readValues(OF_ANY, said);
  return depth === undefined ? place : { ...place, depth: Math.min(Number(depth), MAX_DEPTH) };
}

interface ReadSaid {
  /** Null when the comment says nothing that is understood. */
  node: NodeJson | null;
  takesNext: boolean;
}

/** The block that a comment and the node after it make together. */
export function readSaid(
  said: BlockAttributes,
  next: RootContent | undefined,
  depth: number,
  reading: MarkdownReading,
  readNext: (node: RootContent) => NodeJson[],
): ReadSaid {
  for (const { name, markdown } of SOLID_KINDS) {
    const made = markdown.readSaid?.(said, next, reading);
    if (made) {
      return { node: solidBlock(name, { depth, ...made.attrs, ...placeOf(said) }), takesNext: made.takesNext };
    }
  }
  const read = next ? readNext(next) : [];
  const [only] = read;
  const kind = only && solidKindOf(only);
  if (read.length !== 1 || !kind) return { node: null, takesNext: false };
  const node = { ...only, attrs: { ...only.attrs, ...placeOf(said) } };
  return { node: kind.markdown.withSaid?.(node, said) ?? node, takesNext: true };
}
