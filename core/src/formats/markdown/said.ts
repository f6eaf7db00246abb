import type { RootContent } from 'mdast';
import { isId, newId } from '../../document/ids';
import { HIGHLIGHTS, MAX_DEPTH, type NodeJson } from '../../document/types';
import { overviewNode, overviewOf } from '../../overview/overview';
import { ATTRIBUTES, readAttributes, type BlockAttributes } from '../attributes';
import { broughtBack } from './escapes';

/** What a comment says of the node that follows it, in the braces of attributes.ts. */
export function saidOf(comment: string): BlockAttributes | null {
  const match = new RegExp(`^<!-- ${ATTRIBUTES.source} -->$`, 'u').exec(comment.trim());
  return match ? readAttributes(match[1]!) : null;
}

/** The attributes that every block may have. Depth is as said, or else as found. */
export function shared({ id, depth, tint }: BlockAttributes): Record<string, unknown> {
  const level = Number(depth);
  return {
    ...(id && { id }),
    ...(depth && Number.isInteger(level) && level >= 0 && { depth: Math.min(level, MAX_DEPTH) }),
    ...(tint && (HIGHLIGHTS as readonly string[]).includes(tint) && { tint }),
  };
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
  readNext: (node: RootContent) => NodeJson[],
): ReadSaid {
  const placed = { id: newId(), depth, tint: null, ...shared(said) };
  const overview = readOverview(said, placed);
  if (overview) return { node: overview, takesNext: false };
  const made = readPicture(said, next, placed) ?? readFile(said, next, placed) ?? readCard(said, next, placed);
  if (made) return { node: made, takesNext: true };
  const read = next ? readNext(next) : [];
  if (read.length !== 1 || read[0]!.type === 'block') return { node: null, takesNext: false };
  return { node: withSaid(read[0]!, said), takesNext: true };
}

function readOverview(said: BlockAttributes, placed: Record<string, unknown>): NodeJson | null {
  if (!said.overview) return null;
  const { chosen, ...rest } = overviewOf({
    ...said,
    subject: said.overview,
    levels: Number(said.levels ?? 0),
    chosen: said.chosen ?? null,
  });
  const node = overviewNode(String(placed.id), { ...rest, chosen });
  return { ...node, attrs: { ...node.attrs, ...placed } };
}

const onlyChild = (node: RootContent | undefined) =>
  node?.type === 'paragraph' && node.children.length === 1 ? node.children[0]! : null;

function readPicture(
  { picture, name = '', width }: BlockAttributes,
  next: RootContent | undefined,
  placed: Record<string, unknown>,
): NodeJson | null {
  const image = onlyChild(next);
  if (!isId(picture) || image?.type !== 'image') return null;
  const attrs = {
    file: picture,
    name,
    alt: broughtBack(image.alt ?? ''),
    caption: broughtBack(image.title ?? ''),
    width: width ? Number(width) : null,
  };
  return { type: 'picture', attrs: { ...placed, ...attrs } };
}

function readFile(
  { file, name = '', media = 'application/octet-stream', size, caption = '' }: BlockAttributes,
  next: RootContent | undefined,
  placed: Record<string, unknown>,
): NodeJson | null {
  if (!isId(file) || onlyChild(next)?.type !== 'link') return null;
  return { type: 'file', attrs: { ...placed, file, name, media, size: Number(size ?? 0), caption } };
}

function readCard(
  { card }: BlockAttributes,
  next: RootContent | undefined,
  placed: Record<string, unknown>,
): NodeJson | null {
  const link = onlyChild(next);
  if (!card || link?.type !== 'link') return null;
  const target = /([0-9a-f-]{36})$/u.exec(link.url)?.[1];
  return isId(target) ? { type: 'card', attrs: { ...placed, target } } : null;
}

/** A divider, code or table with what was said of it. */
function withSaid(node: NodeJson, said: BlockAttributes): NodeJson {
  const attrs: Record<string, unknown> = { ...node.attrs, ...shared(said) };
  if (node.type === 'codeBlock' && said.language !== undefined) attrs.language = said.language;
  const whole = { ...node, attrs };
  return node.type === 'table' ? withColumns(whole, said) : whole;
}

/** A table with the headers and widths that were said. Markdown's own first row is empty when no row is a header. */
function withColumns(table: NodeJson, { headers = 'row', widths }: BlockAttributes): NodeJson {
  const sizes = widths?.split(',').map((width) => (Number(width) > 0 ? [Number(width)] : null));
  const rows = headers === 'column' || headers === 'none' ? table.content?.slice(1) : table.content;
  const isHeader = (row: number, column: number) =>
    (row === 0 && (headers === 'row' || headers === 'both')) ||
    (column === 0 && (headers === 'column' || headers === 'both'));
  return {
    ...table,
    content: rows?.map((row, index) => ({
      ...row,
      content: row.content?.map((cell, column) => ({
        ...cell,
        type: isHeader(index, column) ? 'tableHeader' : 'tableCell',
        attrs: { ...cell.attrs, colwidth: sizes?.[column] ?? null },
      })),
    })),
  };
}
