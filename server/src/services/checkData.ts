import * as Y from 'yjs';
import { bodyFacts, readBody, readTitle, type BodyJson } from '@glossarion/core/document';
import { indexedWords } from '@glossarion/core/find';
import { NOT_DUE } from '../access';
import { AlsoNamedSearch } from '../background/alsoNamed';
import type { RawDatabase } from '../database/database';
import { prepared } from '../database/prepared';
import { NAMED_IN } from '../entities/alsoNamed.queries';
import { UPDATES } from '../entities/document.queries';
import type { FactTable } from '../entities/fact.queries';
import { ANY_NAME_DUE, BLOCKS, DOCUMENTS, FACTS, INDEXED, NAMES, WRONGLY_COUNTED } from './checkData.queries';
import { checkPlaces } from './checkPlaces';
import { foundTitle } from './facts';
import { HOLDERS } from './holders';

/** One place where what is stored of a page does not follow from its body. */
export interface Disagreement {
  pageId: string;
  what: string;
}

/**
 * Rebuilds all facts from the bodies and compares them with the tables, row by row. Changes nothing. What an import
 * under way has brought is left out: it is not whole, and goes at the next start.
 */
export function checkData(database: RawDatabase): Disagreement[] {
  const found: Disagreement[] = [];
  const rows = (sql: string, documentId: string) => prepared(database, sql).all(documentId);
  for (const held of prepared(database, DOCUMENTS).all() as DocumentRow[]) {
    const report = (what: string) => found.push({ pageId: held.id, what });
    if (held.json === null) {
      report('The page has no body.');
      continue;
    }
    const body = JSON.parse(held.json) as BodyJson;
    const facts = bodyFacts(body);
    const expect = (what: string, stored: unknown, derived: unknown) => {
      if (JSON.stringify(stored) !== JSON.stringify(derived)) report(`${what} differ from the body.`);
    };
    expect('The first words and the count', [held.firstWords, held.wordCount], [facts.firstWords, facts.wordCount]);
    expect(
      'Blocks',
      rows(BLOCKS, held.id),
      facts.blocks.map((block) => ({ ...block, node: JSON.stringify(block.node) })),
    );
    const fact = (what: string, table: FactTable, columns: readonly string[], derived: readonly object[]) => {
      const [key] = columns as [string];
      const byKey = (one: object, other: object) => {
        const [mine, others] = [one, other].map((each) => (each as Record<string, string | number>)[key]!);
        return mine! < others! ? -1 : 1;
      };
      const picked = derived.map((each) =>
        Object.fromEntries(columns.map((column) => [column, (each as Record<string, unknown>)[column]])),
      );
      expect(what, rows(FACTS(table, columns), held.id), picked.sort(byKey));
    };
    fact('Links', 'links', ['position', 'blockId', 'target', 'words'], facts.links);
    fact('Tags', 'tagUses', ['position', 'blockId', 'name', 'tag'], facts.tags);
    fact('Attachments', 'fileUses', ['blockId', 'fileId'], facts.files);
    fact('Former ids', 'formerIds', ['formerId', 'blockId'], facts.formerIds);
    const words = facts.blocks.map((block) => block.words).join('\n');
    const title = foundTitle(held.name, HOLDERS.page.otherNames(database, held.id));
    const indexed = prepared(database, INDEXED).get(held.row);
    expect('Words for finding', indexed, { title, body: indexedWords(words) });
    if (held.state) {
      const document = new Y.Doc({ gc: false });
      Y.applyUpdate(document, held.state);
      for (const { data } of rows(UPDATES, held.id) as { data: Buffer }[]) Y.applyUpdate(document, data);
      expect('The document’s title', held.name, readTitle(document));
      expect('The document’s words', facts, bodyFacts(readBody(document)));
    }
  }
  for (const { id } of prepared(database, WRONGLY_COUNTED).all() as { id: string }[]) {
    found.push({ pageId: id, what: 'The number of pages and sections beneath differs.' });
  }
  for (const { id, name, title } of prepared(database, NAMES).all() as { id: string; name: string; title: string }[]) {
    if (title !== indexedWords(name)) found.push({ pageId: id, what: 'The name for finding differs.' });
  }
  return [...found, ...checkPlaces(database), ...checkAlsoNamed(database)];
}

/** Compares what names what with the texts, where nothing is waiting to be looked through. */
function checkAlsoNamed(database: RawDatabase): Disagreement[] {
  if (prepared(database, ANY_NAME_DUE).get()) return [];
  const search = new AlsoNamedSearch(database);
  const documents = prepared(database, NOT_DUE).all() as { id: string; accountId: string }[];
  return documents.flatMap(({ id, accountId }) => {
    const key = (rows: { name: string; blockId: string; places: unknown }[]) =>
      rows
        .map((row) => JSON.stringify([row.name, row.blockId, row.places]))
        .sort()
        .join('\n');
    const derived = search.lookThrough(id, accountId).map((each) => ({ ...each, places: JSON.stringify(each.places) }));
    const isSame = key(prepared(database, NAMED_IN).all(id) as typeof derived) === key(derived);
    return isSame ? [] : [{ pageId: id, what: 'What it names differs from its text.' }];
  });
}

interface DocumentRow {
  row: number;
  id: string;
  name: string;
  firstWords: string;
  wordCount: number;
  json: string | null;
  state: Buffer | null;
}
