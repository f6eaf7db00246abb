import { besideOf, type NodeJson } from '../../document';
import type { KindTree } from '../../kinds/tree';
import { writeFrontBeside } from '../frontBeside';
import { linkIn, type FileToWrite } from './fileToWrite';

/** How the name of a page's file ends that is JSON, and what it says it is. */
export const PAGE_FILE_ENDING = '.page.json';
export const PAGE_FORMAT = 'glossarion page';
export const PAGE_VERSION = 1;

/** A page, or what an index says of its folder, as JSON (docs/account.schema.json). */
export interface PageFile {
  format: typeof PAGE_FORMAT;
  version: number;
  /** What the head of a Markdown file says, in the same words. */
  front: Readonly<Record<string, unknown>>;
  /** The blocks; left out for an index. */
  content?: NodeJson[];
  /** What is called how that the text leads to and that does not go out, by its id. */
  named?: Record<string, string>;
}

/** A page's file from what its head says, and its blocks. */
export const writePageFile = (
  front: Readonly<Record<string, unknown>>,
  rest: Pick<PageFile, 'content' | 'named'> = {},
): string =>
  `${JSON.stringify({ format: PAGE_FORMAT, version: PAGE_VERSION, front, ...rest } satisfies PageFile, null, 1)}\n`;

/** A page as a file of JSON that says all of it. */
export function writeJson(file: FileToWrite, kinds: KindTree): string {
  const beside = writeFrontBeside(besideOf(file.body), kinds, linkIn(file));
  const outside = Object.entries(file.named).flatMap(([id, { path, title }]) => (path === null ? [[id, title]] : []));
  return writePageFile(
    { ...file.front, ...beside },
    {
      content: file.body.content,
      ...(outside.length > 0 && { named: Object.fromEntries(outside) as Record<string, string> }),
    },
  );
}
