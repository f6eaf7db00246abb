import { In } from 'typeorm';
import * as Y from 'yjs';
import { bodyFacts, readBody, readTitle, typedTags, type BodyFacts, type BodyJson } from '@glossarion/core/document';
import { indexedWords } from '@glossarion/core/words';
import { foldTag, tagKey, tagPath, TagTree } from '@glossarion/core/tags';
import { accountOf } from '../access';
import { AlsoNamedSearch } from '../background/alsoNamed';
import { prepared, type RawDatabase } from '../sqlite/prepared';
import {
  AlsoNamedDueEntity,
  AlsoNamedEntity,
  BlockEntity,
  DocumentEntity,
  EntryEntity,
  ImportUnderWayEntity,
  LINE_FACT_NAMES,
  LINE_FACT_TABLES,
  NameDueEntity,
  OtherNameEntity,
  TagEntity,
  UpdateEntity,
  type Entry,
  type StoredDocument,
  type Tag,
} from '../entities';
import { INDEXED } from '../entities/find.queries';
import { WRONGLY_COUNTED } from './checkData.queries';
import type { CheckedData, Disagreement } from './checkedData';
import { checkHappenings } from './checkHappenings';
import { checkPlaces } from './checkPlaces';
import { checkVocabulary } from './checkVocabulary';
import { fileNamesOf, foundInFiles, foundText, foundTitle } from './foundWords';

/** Documents that are looked at together. */
const AT_ONCE = 200;

/**
 * Rebuilds all facts from the bodies and compares them with the tables, row by row. Changes nothing. What an import
 * under way has brought is left out: it is not whole, and goes at the next start.
 */
export async function checkData(data: CheckedData): Promise<Disagreement[]> {
  const { manager, reader } = data;
  const found: Disagreement[] = [];
  const underWay = new Set((await manager.find(ImportUnderWayEntity)).map(({ id }) => id));
  const isWhole = ({ importId }: Pick<Entry, 'importId'>) => importId === null || !underWay.has(importId);
  const entries = (await manager.find(EntryEntity)).filter(isWhole);
  const pages = entries.filter(({ kind }) => kind === 'page');
  const tags = (await manager.find(TagEntity)).filter(isWhole);
  const holders: Holding[] = [
    ...pages.map((page) => ({ id: page.id, page })),
    ...tags.map(({ id }) => ({ id, page: null })),
  ];
  for (let from = 0; from < holders.length; from += AT_ONCE) {
    found.push(...(await checkDocuments(data, holders.slice(from, from + AT_ONCE))));
  }
  found.push(...checkTags(reader, tags));
  for (const { id, row, name } of entries.filter(({ kind }) => kind !== 'page')) {
    const indexed = prepared(reader, INDEXED).get(row) as { title: string } | undefined;
    if (indexed?.title !== indexedWords(name)) found.push({ pageId: id, what: 'The name for finding differs.' });
  }
  for (const { id } of prepared(reader, WRONGLY_COUNTED).all() as { id: string }[]) {
    found.push({ pageId: id, what: 'The number of pages and sections beneath differs.' });
  }
  found.push(...(await checkPlaces(manager)), ...(await checkHappenings(manager)), ...(await checkVocabulary(data)));
  return [...found, ...(await checkAlsoNamed(data, pages))];
}

/** Rows by the document they are a fact of. */
function byDocument<T extends { documentId: string }>(rows: readonly T[]): (id: string) => T[] {
  const lists = new Map<string, T[]>();
  for (const row of rows) {
    const list = lists.get(row.documentId);
    if (list) list.push(row);
    else lists.set(row.documentId, [row]);
  }
  return (id) => lists.get(id) ?? [];
}

/** What a document hangs under: a page, or something that is not found by its words. */
interface Holding {
  id: string;
  page: Entry | null;
}

/** Beneath one tag, each has another name, and what tags stand beneath or were merged into is there. */
function checkTags(reader: RawDatabase, tags: readonly Tag[]): Disagreement[] {
  const known = new Set(tags.map(({ id }) => id));
  const ofOwner = new Map<string | undefined, Tag[]>();
  for (const tag of tags) {
    const owner = accountOf(reader, tag.id);
    ofOwner.set(owner, [...(ofOwner.get(owner) ?? []), tag]);
  }
  const isTwice = new Set<string>();
  for (const own of ofOwner.values()) {
    const taken = new Set<string>();
    for (const { id, path } of new TagTree(own).all()) {
      const key = tagKey(tagPath(path));
      if (taken.has(key)) isTwice.add(id);
      taken.add(key);
    }
  }
  return tags.flatMap(({ id, parentId, mergedInto, name, folded }) => [
    ...(isTwice.has(id) ? [{ pageId: id, what: `There are two tags “${name}” beneath one.` }] : []),
    ...(folded === foldTag(name) ? [] : [{ pageId: id, what: 'The name of a tag is compared by another.' }]),
    ...[parentId, mergedInto].flatMap((other) =>
      other === null || known.has(other) ? [] : [{ pageId: id, what: 'A tag stands beneath one that is not there.' }],
    ),
  ]);
}

async function checkDocuments({ manager, reader }: CheckedData, holdings: readonly Holding[]): Promise<Disagreement[]> {
  const ids = holdings.map(({ id }) => id);
  const where = { documentId: In(ids) };
  const documents = new Map(
    (await manager.findBy(DocumentEntity, { id: In(ids) })).map((document) => [document.id, document]),
  );
  const stored = {
    blocks: byDocument(await manager.find(BlockEntity, { where, order: { position: 'ASC' } })),
    updates: byDocument(await manager.find(UpdateEntity, { where, order: { number: 'ASC' } })),
    names: byDocument(
      (await manager.find(OtherNameEntity, { where: { pageId: In(ids) }, order: { position: 'ASC' } })).map((row) => ({
        ...row,
        documentId: row.pageId,
      })),
    ),
  };
  const ofLines = await Promise.all(
    LINE_FACT_NAMES.map(async (name) => {
      const { entity, order } = LINE_FACT_TABLES[name];
      const rows = await manager.find(entity, { where, order: { [order]: 'ASC' } });
      return { name, order, stored: byDocument(rows as { documentId: string }[]) };
    }),
  );
  const found: Disagreement[] = [];
  for (const { id, page } of holdings) {
    const expect = (what: string, held: unknown, derived: unknown) => {
      if (canonical(held) !== canonical(derived)) found.push({ pageId: id, what: `${what} differ from the body.` });
    };
    const document = documents.get(id);
    if (!document) {
      found.push({ pageId: id, what: 'There is no body.' });
      continue;
    }
    const facts = bodyFacts(JSON.parse(document.json) as BodyJson);
    if (typedTags(facts.blocks.map(({ node }) => node)).length > 0) {
      found.push({ pageId: id, what: 'A tag was stored by its name.' });
    }
    expect(
      'Blocks',
      stored.blocks(id).map(ofDocument),
      facts.blocks.map((block) => ({ ...block, node: JSON.stringify(block.node) })),
    );
    for (const { name, order, stored: rowsOf } of ofLines) {
      const derived = sortedBy(facts[name] as unknown as Record<string, unknown>[], order);
      expect(`Facts: ${name}`, rowsOf(id).map(ofDocument), derived);
    }
    if (page) {
      expect('The first words and the count', [page.firstWords, page.wordCount], [facts.firstWords, facts.wordCount]);
      const names = stored.names(id).map(({ name }) => name);
      const indexed = prepared(reader, INDEXED).get(page.row);
      expect('Words for finding', indexed, {
        title: foundTitle(page.name, names),
        body: foundText(facts, fileNamesOf(reader, id)),
      });
      const inFiles = prepared(reader, INDEXED).get(-page.row) as { body: string } | undefined;
      expect(
        'Words for finding what is in files',
        inFiles?.body ?? '',
        foundInFiles(reader, id, foundTitle(page.name, names)),
      );
    }
    const updates = stored.updates(id).map(({ data }) => data);
    const written = writtenIn(document, updates);
    if (written) {
      if (page) expect('The document’s title', page.name, written.title);
      expect('The document’s words', facts, written.facts);
    }
  }
  return found;
}

/** What a document says that somebody has written in. */
function writtenIn({ state }: StoredDocument, updates: readonly Buffer[]): { title: string; facts: BodyFacts } | null {
  if (!state) return null;
  const document = new Y.Doc({ gc: false });
  for (const update of [state, ...updates]) Y.applyUpdate(document, update);
  return { title: readTitle(document), facts: bodyFacts(readBody(document)) };
}

const ofDocument = <T extends { documentId: string }>({ documentId: _documentId, ...fact }: T) => fact;

const sortedBy = (rows: readonly Record<string, unknown>[], key: string) =>
  [...rows].sort((one, other) => ((one[key] as string) < (other[key] as string) ? -1 : 1));

/** The same text for things that differ in the order of their keys alone. */
const canonical = (value: unknown): string =>
  JSON.stringify(value, (_key, each: unknown) =>
    each && typeof each === 'object' && !Array.isArray(each) && !Buffer.isBuffer(each)
      ? Object.fromEntries(Object.entries(each).sort(([one], [other]) => (one < other ? -1 : 1)))
      : each,
  ) ?? '';

/** Compares what names what with the texts, where nothing is waiting to be looked through. */
async function checkAlsoNamed({ manager, reader }: CheckedData, pages: readonly Entry[]): Promise<Disagreement[]> {
  if (await manager.exists(NameDueEntity)) return [];
  const due = new Set((await manager.find(AlsoNamedDueEntity)).map(({ documentId }) => documentId));
  const stored = byDocument(await manager.find(AlsoNamedEntity));
  const search = new AlsoNamedSearch(reader);
  const key = (rows: readonly { name: string; blockId: string; places: unknown }[]) =>
    rows
      .map((row) => JSON.stringify([row.name, row.blockId, row.places]))
      .sort()
      .join('\n');
  return pages.flatMap(({ id }) => {
    if (due.has(id)) return [];
    const lines = search.lookThrough(id, accountOf(reader, id)!);
    const derived = lines.map((each) => ({ ...each, places: JSON.stringify(each.places) }));
    return key(stored(id)) === key(derived) ? [] : [{ pageId: id, what: 'What it names differs from its text.' }];
  });
}
