import { block, newId, type NodeJson } from '../../document';
import { nodesRead, type ReadFile } from '../markdown/readFile';
import type { FrontMatter } from '../markdown/frontMatter';
import type { MarkdownFile } from '../markdown/types';

/**
 * A way of reading files that somebody takes in: a file of this folder, entered in index.ts. What a file says becomes
 * pages as Markdown says them (../markdown), so that all that follows is the same whatever it was read from.
 */
export interface Reader {
  /** How the names of such files end. */
  endings: RegExp;
  /** Whether a file holds many pages. One that a text leads to comes along as it is. */
  isCollection?: true;
  /**
   * The pages that a file says.
   *
   * @throws Refusal when it is none such, or can't be read
   */
  read: (file: MarkdownFile) => ReadFile[];
}

/** Thrown for a file that can't be taken in. The message is a sentence for people. */
export class Refusal extends Error {
  override name = 'Refusal';
}

/** A page that was read. */
export function pageRead(
  path: string,
  front: FrontMatter,
  blocks: readonly NodeJson[],
  remarks: readonly string[] = [],
): ReadFile {
  return { path, front, raw: [], refusal: null, ...nodesRead(blocks, remarks) };
}

/** A line of text. */
export const lineOf = (text: string, depth = 0, kind = 'paragraph'): NodeJson =>
  block(kind, text.replaceAll('\u0000', ''), { id: newId(), depth });

/** The path of a file without its ending, as the folder of what is in it. */
export const folderOf = (path: string): string => path.replace(/\.[^./]+$/u, '');
