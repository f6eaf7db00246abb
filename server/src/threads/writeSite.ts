import { besideOf, type BodyJson } from '@glossarion/core/document';
import { linkIn } from '@glossarion/core/formats/account';
import { writeFrontBeside } from '@glossarion/core/formats/frontBeside';
import { KindTree, wordsOfFields, type Field, type Kind } from '@glossarion/core/kinds';
import { wordsOfPage, writeSitePage, type FoundPage, type SitePage } from '@glossarion/core/formats/site';
import { archiveText, type ArchivedText } from './archivedText';

/** Pages of a site, whose bodies are JSON as they are stored. */
export interface SiteToWrite {
  pages: (Omit<SitePage, 'body' | 'fields'> & { json: string })[];
  kinds: readonly Kind[];
  fields: readonly Field[];
}

/** Writes pages of a site, in their order; each packed, and with what is found of it. */
export function writeSite({ pages, kinds, fields }: SiteToWrite): { archived: ArchivedText; found: FoundPage }[] {
  const tree = new KindTree(kinds, fields);
  return pages.map(({ json, ...said }) => {
    const body = JSON.parse(json) as BodyJson;
    const titleOf = (id: string): string => said.named[id]?.title ?? '';
    const beside = besideOf(body);
    const front = { ...said.front, ...writeFrontBeside(beside, tree, linkIn(said)) };
    const page: SitePage = { ...said, front, body, fields: wordsOfFields(beside, tree, titleOf) };
    return { archived: archiveText(writeSitePage(page)), found: wordsOfPage(page) };
  });
}
