import type { KindTree } from '../../kinds/tree';
import type { FileToWrite } from './fileToWrite';
import { writeFile } from './markdownFile';
import { writeLines } from '../opml';
import { writeJson } from './pageFile';

/** How a page is written, by what it is written as; OPML has all of them in one file, of which this is a page's part. */
export const FILE_WRITERS = {
  markdown: writeFile,
  json: writeJson,
  opml: ({ body, named }) => writeLines(body.content, (id) => named[id]?.title ?? ''),
} satisfies Record<string, (file: FileToWrite, kinds: KindTree) => string>;

export type FilesToWriteAs = keyof typeof FILE_WRITERS;
