import { besideOf, type BodyJson } from '@glossarion/core/document';
import { KindTree, wordsOfFields, type Field, type Kind } from '@glossarion/core/kinds';
import { writeBookPage, type BookPage } from '@glossarion/core/formats/book';
import { archiveText, type ArchivedText } from './archivedText';

/** Pages of a book, whose bodies are JSON as they are stored. */
export interface BookToWrite {
  pages: (Omit<BookPage, 'body' | 'fields'> & { json: string })[];
  kinds: readonly Kind[];
  fields: readonly Field[];
}

/** Writes pages of a book, in their order, packed. */
export function writeBook({ pages, kinds, fields }: BookToWrite): ArchivedText[] {
  const tree = new KindTree(kinds, fields);
  return pages.map(({ json, ...said }) => {
    const body = JSON.parse(json) as BodyJson;
    const titleOf = (id: string): string => said.named[id]?.title ?? '';
    return archiveText(writeBookPage({ ...said, body, fields: wordsOfFields(besideOf(body), tree, titleOf) }));
  });
}
