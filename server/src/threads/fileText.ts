import { wellFormed } from '@glossarion/core/document';
import { fileTextOf, type FileText } from '@glossarion/core/find/files';
import { textOfBytes } from '@glossarion/core/formats/markdown';

/** What a file is, and its content. */
export interface FileToRead {
  media: string;
  bytes: Uint8Array;
}

/** So much of a file is read, in characters: some 400 printed pages. */
const MOST = 1_000_000;

/** Page by page, since one that can't be read costs itself alone, and there may be thousands. */
async function pdf(bytes: Uint8Array): Promise<string> {
  const { getDocumentProxy } = await import('unpdf');
  const document = await getDocumentProxy(bytes, { verbosity: 0 });
  let text = '';
  for (let number = 1; number <= document.numPages && text.length < MOST; number += 1) {
    const page = await document.getPage(number);
    const { items } = await page.getTextContent();
    for (const item of items) if ('str' in item) text += item.str + (item.hasEOL ? '\n' : '');
    text += '\n';
    page.cleanup();
  }
  return text;
}

/** By what a file is: how what is written in it is read. */
const READERS: readonly { media: RegExp; read: (bytes: Uint8Array) => Promise<string> | string }[] = [
  { media: /^application\/pdf$/u, read: pdf },
  { media: /^text\/(?:plain|markdown|csv|calendar)$/u, read: textOfBytes },
];

const readerOf = (media: string) => READERS.find((each) => each.media.test(media))?.read;

/** Whether what is written in a file of a kind can be read. */
export const isReadable = (media: string): boolean => readerOf(media) !== undefined;

/** What is written in a file, as it is kept to be found. */
export async function fileText({ media, bytes }: FileToRead): Promise<FileText> {
  const text = await readerOf(media)!(bytes);
  return fileTextOf(wellFormed(text.slice(0, MOST)));
}
