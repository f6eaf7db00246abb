import { solidBlock } from '../../document/kinds/made';
import { MAX_CAPTION, MAX_NAME } from '../../document/kinds/attachments';
import type { MarkJson, NodeJson } from '../../document/types';
import { pathFrom } from './paths';

/** A file that came along with the texts that show it, or lead to it. */
export interface FileAlong {
  id: string;
  name: string;
  media: string;
  /** Bytes. */
  size: number;
}

/** Where a text shows or leads to a file, until it is known whether that came along. */
interface FileReference {
  /** As the text has it. */
  address: string;
  /** What the text says of it where it did not come along. */
  written: string;
  alt?: string;
  caption?: string;
  /** The block that this product wrote for it, which shows what came along. */
  own?: NodeJson;
}

/** Such a place in a line. */
export const fileReference = (attrs: FileReference, marks: readonly MarkJson[]): NodeJson => ({
  type: 'fileReference',
  attrs: { ...attrs },
  ...(marks.length > 0 && { marks: [...marks] }),
});

const referenceOf = (node: NodeJson): FileReference => node.attrs as unknown as FileReference;

const PICTURES = /^image\/(?:png|jpeg|gif|webp|avif|apng|svg\+xml)$/u;

/** The paths of the files that blocks show or lead to. */
export const filesNamed = (blocks: readonly NodeJson[], from: string): string[] =>
  blocks.flatMap((node) =>
    node.type === 'fileReference'
      ? [pathFrom(from, referenceOf(node).address)]
      : node.content
        ? filesNamed(node.content, from)
        : [],
  );

/**
 * A block with the files it names after it, each as a picture or a file; what did not come along is told, and stays as it
 * is written.
 */
export function withFiles(
  node: NodeJson,
  from: string,
  fileAt: (path: string) => FileAlong | null,
  missing: (address: string) => void,
): NodeJson[] {
  const { own } = node.type === 'fileReference' ? referenceOf(node) : {};
  if (own) {
    const { address } = referenceOf(node);
    const file = fileAt(pathFrom(from, address));
    if (!file) missing(address);
    return [file ? { ...own, attrs: { ...own.attrs, file: file.id } } : own];
  }
  const shown: NodeJson[] = [];
  const walk = (each: NodeJson): NodeJson[] => {
    if (each.type !== 'fileReference') return [each.content ? { ...each, content: each.content.flatMap(walk) } : each];
    const { address, written, alt = '', caption = '' } = referenceOf(each);
    const file = fileAt(pathFrom(from, address));
    if (!file) {
      missing(address);
      return [{ type: 'text', text: written, ...(each.marks && { marks: each.marks }) }];
    }
    shown.push(blockOf(file, alt.slice(0, MAX_CAPTION), caption.slice(0, MAX_CAPTION), Number(node.attrs?.depth ?? 0)));
    return [];
  };
  const [block] = walk(node);
  // A line that says nothing but what it shows is not needed beside it.
  const isOnlyShown = shown.length > 0 && node.type === 'block' && (block!.content ?? []).every(isBlank);
  return isOnlyShown ? shown : [block!, ...shown];
}

const isBlank = ({ type, text }: NodeJson): boolean => type === 'hardBreak' || (type === 'text' && text!.trim() === '');

function blockOf({ id, name, media, size }: FileAlong, alt: string, caption: string, depth: number): NodeJson {
  const own = { file: id, name: name.slice(0, MAX_NAME), depth };
  return PICTURES.test(media)
    ? solidBlock('picture', { ...own, alt, caption })
    : solidBlock('file', { ...own, media, size, caption: caption || alt });
}
