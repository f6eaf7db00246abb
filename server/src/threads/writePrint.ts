import { besideOf, type BodyJson } from '@glossarion/core/document';
import { KindTree, wordsOfFields, type Field, type Kind } from '@glossarion/core/kinds';
import { printPage, type PrintedPage } from '@glossarion/core/formats/print';

/** Pages of a printed book, whose bodies are JSON as they are stored. */
export interface PrintToWrite {
  pages: (Omit<PrintedPage, 'body' | 'fields'> & { json: string })[];
  kinds: readonly Kind[];
  fields: readonly Field[];
}

/** Writes pages of a printed book, in their order. */
export function writePrint({ pages, kinds, fields }: PrintToWrite): string[] {
  const tree = new KindTree(kinds, fields);
  return pages.map(({ json, ...said }) => {
    const body = JSON.parse(json) as BodyJson;
    const titleOf = (id: string): string => said.named[id]?.title ?? '';
    return printPage({ ...said, body, fields: wordsOfFields(besideOf(body), tree, titleOf) });
  });
}
