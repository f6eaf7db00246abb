import { block } from '../../document/build';
import { newId } from '../../document/ids';
import { ownWords, shownWords, wellFormed } from '../../document/text';
import { MAX_BLOCK_TEXT, type NodeJson } from '../../document/types';
import { readMarkdown } from './blocks';
import type { FrontMatter, ReadFront } from './frontMatter';
import { slugsOf } from './slug';
import type { LinkReference, MarkdownFile } from './types';

/** The most characters of one file; a larger one is refused by name. */
export const MAX_FILE_TEXT = 4 * 1024 * 1024;
/** A line of a file that is longer than a block may be is parted into pieces of about so many characters. */
const PIECE = 20_000;

/** A file as it was read, in a form that goes from one thread to another at little cost. */
export interface ReadFile {
  path: string;
  front: FrontMatter;
  raw: ReadFront['raw'];
  /** NodeJson[] as JSON; links are references still. */
  blocks: string;
  isBlank: boolean;
  /** What its headings are called in an address, with the ids of their blocks. */
  headings: [slug: string, blockId: string][];
  remarks: string[];
  /** Why it was not read; null when it was. */
  refusal: string | null;
}

/** A file that can't be taken in, with the reason. */
export const refusedFile = (path: string, refusal: string): ReadFile => ({
  path,
  front: {},
  raw: [],
  blocks: '[]',
  isBlank: true,
  headings: [],
  remarks: [],
  refusal,
});

/** Reads one file; the same can be done with each in a thread of its own. */
export function readFile(file: MarkdownFile): ReadFile {
  const path = wellFormed(file.path);
  if (!/\.(md|markdown)$/iu.test(path)) return refusedFile(path, 'A file that is not Markdown.');
  if (file.text.length > MAX_FILE_TEXT) {
    const limit = MAX_FILE_TEXT / 1024 / 1024;
    return refusedFile(path, `The file is larger than ${limit} MB, and was left out.`);
  }
  const remarks = new Set<string>();
  const { front, raw, blocks } = readMarkdown(wellFormed(file.text), (what) => remarks.add(what));
  const read = nodesRead(blocks, [...remarks]);
  return { path, front, raw, refusal: null, ...read };
}

/** What was read as blocks, as far as a file is made of them. */
export function nodesRead(
  blocks: readonly NodeJson[],
  remarks: readonly string[],
): Pick<ReadFile, 'blocks' | 'isBlank' | 'headings' | 'remarks'> {
  const all = new Set(remarks);
  const whole = blocks.flatMap((node) => parted(node, (what) => all.add(what)));
  const headings = whole.filter((node) => node.attrs?.kind === 'heading');
  const slugs = slugsOf(headings.map(headingWords));
  return {
    blocks: JSON.stringify(whole),
    isBlank: whole.length === 0,
    headings: slugs.map((slug, index) => [slug, String(headings[index]!.attrs?.id)]),
    remarks: [...all],
  };
}

/** The words of a heading in which links are still references. */
const headingWords = (node: NodeJson): string => {
  const named = (each: NodeJson): NodeJson => {
    const reference = each.attrs?.reference as LinkReference | undefined;
    if (each.type !== 'pageLink' || !reference) return { ...each, content: each.content?.map(named) };
    return { type: 'text', text: String(each.attrs?.words ?? reference.name) };
  };
  return shownWords(named(node), () => '');
};

const lengthOf = (node: NodeJson): number =>
  (node.text?.length ?? 0) + (node.content ?? []).reduce((sum, child) => sum + lengthOf(child), 0);

/** A block in pieces that blocks can hold. */
function parted(node: NodeJson, remark: (what: string) => void): NodeJson[] {
  if (lengthOf(node) <= MAX_BLOCK_TEXT / 2) return [node];
  remark('A line longer than a block may be; it was parted.');
  if (node.type === 'table') return piecesOf(ownWords(node)).map((piece) => block('paragraph', piece));
  const pieces: NodeJson[][] = [[]];
  let size = 0;
  for (const child of node.content ?? []) {
    const parts = child.type === 'text' ? piecesOf(child.text ?? '').map((text) => ({ ...child, text })) : [child];
    for (const part of parts) {
      const length = Math.max(1, lengthOf(part));
      if (size > 0 && size + length > PIECE) {
        pieces.push([]);
        size = 0;
      }
      pieces.at(-1)!.push(part);
      size += length;
    }
  }
  return pieces.map((content, index) => ({
    ...node,
    attrs: { ...node.attrs, ...(index > 0 && { id: newId() }) },
    content,
  }));
}

/** A text in pieces of at most PIECE characters, parted after white space where there is any. */
function piecesOf(text: string): string[] {
  const pieces: string[] = [];
  for (let start = 0; start < text.length;) {
    let end = Math.min(text.length, start + PIECE);
    if (end < text.length) {
      const space = text.slice(start, end).search(/\s\S*$/u);
      if (space > 0) end = start + space + 1;
      else if (/[\uDC00-\uDFFF]/u.test(text[end]!)) end -= 1;
    }
    pieces.push(text.slice(start, end));
    start = end;
  }
  return pieces;
}
