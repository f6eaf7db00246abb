import BetterSqlite3 from 'better-sqlite3';
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { gunzipSync } from 'node:zlib';
import * as Y from 'yjs';
import {
  bodyFacts,
  namedIn,
  readBody,
  shownWords,
  typedTags,
  type BodyJson,
  type NodeJson,
} from '@glossarion/core/document';
import { TagTree, type Tag } from '@glossarion/core/tags';
import { ownView } from '../access';
import { checkData } from '../services/checkData';
import { temporaryFolder } from '../testing/builtServer';
import { makeServer } from '../testing/makeServer';

/** Databases as earlier versions wrote them, each named by its last migration: they open in this one, all in them equal. */
const folder = path.join(__dirname, 'databases');
const versions = readdirSync(folder).map((name) => name.replace('.sqlite.gz', ''));

function unpacked(version: string): string {
  const data = temporaryFolder();
  mkdirSync(data, { recursive: true });
  writeFileSync(
    path.join(data, 'glossarion.sqlite'),
    gunzipSync(readFileSync(path.join(folder, `${version}.sqlite.gz`))),
  );
  return data;
}

interface EntryRow {
  id: string;
  json: string | null;
}

/** A line as people know it: its address, kind and depth, its words with those of tags, and what it links to. */
function lineOf(node: NodeJson, tagOf: (node: NodeJson) => string) {
  const tags: string[] = [];
  const walk = (each: NodeJson): NodeJson => {
    if (each.type === 'tag') {
      tags.push(tagOf(each));
      return { type: 'text', text: tagOf(each) };
    }
    return each.content ? { ...each, content: each.content.map(walk) } : each;
  };
  const words = shownWords(walk(node), (target) => `<${target}>`);
  const { id, depth = 0, kind = 'paragraph', state = null, level = null } = node.attrs ?? {};
  return { id, depth, type: node.type, kind, state, level, words, tags };
}

/** All that is in a database, in a form that does not depend on how it is stored. */
function contentsOf(database: BetterSqlite3.Database, tagOf: (node: NodeJson) => string) {
  const all = <T>(sql: string) => database.prepare(sql).all() as T[];
  const has = (table: string) =>
    database.prepare('SELECT 1 FROM sqlite_master WHERE name = ?').get(table) !== undefined;
  const entries = all<EntryRow & Record<string, unknown>>(
    `SELECT e.id, e.kind, e.parentId, e.orderKey, e.name, e.pigment, e.ornament, e.description, e.day,
       e.begunAt, e.changedAt, e.deletedAt, b.json
     FROM entries e LEFT JOIN ${has('documents') ? 'documents b ON b.id' : 'bodies b ON b.pageId'} = e.id ORDER BY e.id`,
  );
  const known = (table: string, columns: string) =>
    has(table) ? all<Record<string, unknown>>(`SELECT ${columns} FROM ${table} ORDER BY ${columns}`) : [];
  return {
    accounts: all('SELECT id, name, passphraseHash FROM accounts ORDER BY id'),
    entries: entries.map(({ json: _json, ...entry }) => entry),
    pages: entries.flatMap(({ id, json }) => {
      if (json === null) return [];
      const body = JSON.parse(json) as BodyJson;
      const links = bodyFacts(body).links.map(({ blockId, target, words }) => [blockId, target, words]);
      return [{ id, lines: body.content.map((node) => lineOf(node, tagOf)), links }];
    }),
    pins: known('pins', 'ownerId, entryId, orderKey'),
    folds: known('folds', 'ownerId, key, isOpen'),
    visits: known('visits', 'ownerId, entryId, visitedAt'),
    settings: known('settings', 'ownerId, key, value').filter(({ key }) => key !== 'margins'),
    tombstones: known('tombstones', 'id, title'),
    attachments: known('attachments', 'id, ownerId, hash, name, media, size'),
    otherNames: known('otherNames', 'pageId, position, name'),
  };
}

/** A tag by its row; in a database from before tags had rows, as it stands in its line. */
function tagOfRow(database: BetterSqlite3.Database): (node: NodeJson) => string {
  const hasRows =
    database.prepare("SELECT 1 FROM sqlite_master WHERE name = 'tags' AND sql LIKE '%parentId%'").get() !== undefined;
  if (!hasRows) return (node) => String(node.attrs?.name);
  const rows = database.prepare('SELECT id, parentId, name, pigment FROM tags').all() as Tag[];
  const tree = new TagTree(rows);
  return (node) => tree.nameOf(String(node.attrs?.tag)) ?? 'no tag';
}

test.each(versions)('a database as the version of %s wrote it opens with everything in it equal', async (version) => {
  const data = unpacked(version);
  const file = path.join(data, 'glossarion.sqlite');
  const old = new BetterSqlite3(file, { readonly: true });
  const before = contentsOf(old, tagOfRow(old));
  old.close();
  expect(before.pages.length).toBeGreaterThan(30);

  let server = await makeServer(data);
  const { reader } = server.services.database;
  expect(contentsOf(reader, tagOfRow(reader))).toEqual(before);
  await server.services.background.idle();
  expect(await checkData(server.services.database)).toEqual([]);
  await server.stop();

  // What it was renewed from is kept until it has been opened once more, as it is now.
  const copies = () => readdirSync(data).filter((name) => name.includes('before-renewal'));
  expect(copies()).toHaveLength(1);
  const copy = new BetterSqlite3(path.join(data, copies()[0]!), { readonly: true });
  expect(contentsOf(copy, tagOfRow(copy))).toEqual(before);
  copy.close();
  server = await makeServer(data);
  expect(copies()).toEqual([]);
  await server.stop();
});

test('tags that were names are rows, and are found, filtered by and written on as before', async () => {
  const data = unpacked('canonical');
  const old = new BetterSqlite3(path.join(data, 'glossarion.sqlite'), { readonly: true });
  const before = old
    .prepare('SELECT documentId, blockId, name, tag FROM tagUses ORDER BY documentId, position')
    .all() as { documentId: string; blockId: string; name: string; tag: string }[];
  const { documentId: written } = old
    .prepare('SELECT documentId FROM tagUses JOIN documents d ON d.id = documentId WHERE d.state IS NOT NULL')
    .get() as { documentId: string };
  const epochs = old.prepare('SELECT id, epoch FROM documents ORDER BY id').all();
  const margins = JSON.parse(
    (old.prepare("SELECT value FROM settings WHERE key = 'margins'").get() as { value: string }).value,
  ) as Record<string, { tag: string }>;
  const { ownerId } = old.prepare('SELECT ownerId FROM entries').get() as { ownerId: string };
  old.close();
  expect(before.length).toBeGreaterThan(100);

  const server = await makeServer(data);
  const viewer = ownView(ownerId);
  const tree = new TagTree(server.services.tags.list(viewer));
  const uses = server.rows<{ documentId: string; blockId: string; tag: string }>(
    'SELECT documentId, blockId, tag FROM tagUses ORDER BY documentId, position',
  );
  expect(uses.map(({ tag, ...use }) => ({ ...use, tag: tree.nameOf(tag)!.toLowerCase() }))).toEqual(
    before.map(({ documentId, blockId, tag }) => ({ documentId, blockId, tag })),
  );
  expect(server.rows("SELECT id, epoch FROM documents WHERE holder = 'page' ORDER BY id")).toEqual(epochs);
  const settings = (await server.services.settings.all(viewer)) as { margins: Record<string, { tag: string }> };
  for (const [pageId, { tag }] of Object.entries(margins))
    expect(tree.nameOf(settings.margins[pageId]!.tag)?.toLowerCase()).toBe(tag);
  const wearing = before.filter(({ tag }) => tag === 'waterworks/gate');
  const found = new Set((await server.services.find.find(viewer, 'waterworks gate ')).findings.map(({ id }) => id));
  expect(wearing.length).toBeGreaterThan(0);
  for (const { documentId } of wearing.slice(0, 20)) expect(found).toContain(documentId);
  // What a window opens now holds ids, as the stored text does.
  const { update } = await server.services.documents.open(viewer, written, null, null);
  const document = new Y.Doc();
  Y.applyUpdate(document, update);
  const { content } = readBody(document);
  expect(typedTags(content)).toEqual([]);
  expect(namedIn(content).tags.map((tag) => tree.nameOf(tag))).toEqual(expect.arrayContaining([expect.any(String)]));
  await server.stop();
});

test('words of files that were read before their words were counted are found with a slip', async () => {
  const server = await makeServer(unpacked('files'));
  await server.services.background.idle();
  const { ownerId } = server.row<{ ownerId: string }>('SELECT ownerId FROM entries')!;
  const { findings, also } = await server.services.find.find(ownView(ownerId), 'eflorescence ');
  expect(findings.map(({ lines }) => lines[0]!.pieces.map(({ text }) => text).join(''))).toEqual([
    expect.stringContaining('Culvert report.pdf: '),
  ]);
  expect(also).toEqual(['efflorescence']);
  await server.stop();
});
