import { MAX_FILE_TEXT, refusedFile, type ReadFile } from '../markdown/readFile';
import type { MarkdownFile } from '../markdown/types';
import { calendar } from './calendar';
import { csv } from './csv';
import { html } from './html';
import { markdown } from './markdown';
import { opml } from './opml';
import { page } from './page';
import { Refusal, type Reader } from './reader';
import { text } from './text';
import { vcard } from './vcard';

/** All that is read, the narrowest endings first. */
const READERS: readonly Reader[] = [page, markdown, html, text, opml, csv, vcard, calendar];

const readerOf = (path: string): Reader | undefined => READERS.find(({ endings }) => endings.test(path));

/** Whether a file is one that a page is read from, by its name. */
export const isPage = (path: string): boolean => readerOf(path) !== undefined && !isCollection(path);

/** Whether a file is one that many pages are read from, by its name. */
export const isCollection = (path: string): boolean => readerOf(path)?.isCollection === true;

/** The pages that a file says. One that can't be read is refused by its name. */
export function readIncoming(file: MarkdownFile): ReadFile[] {
  const reader = readerOf(file.path);
  if (!reader) return [refusedFile(file.path, 'A file of a kind that is not read.')];
  if (file.text.length > MAX_FILE_TEXT) {
    const limit = MAX_FILE_TEXT / 1024 / 1024;
    return [refusedFile(file.path, `The file is larger than ${limit} MB, and was left out.`)];
  }
  try {
    return reader.read(file);
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return [refusedFile(file.path, error.message)];
  }
}
