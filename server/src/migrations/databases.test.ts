import BetterSqlite3 from 'better-sqlite3';
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { gunzipSync } from 'node:zlib';
import { bodyFacts, shownWords, type BodyJson, type NodeJson } from '@glossarion/core/document';
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
function contentsOf(database: BetterSqlite3.Database, bodies: string, tagOf: (node: NodeJson) => string) {
  const all = <T>(sql: string) => database.prepare(sql).all() as T[];
  const has = (table: string) =>
    database.prepare('SELECT 1 FROM sqlite_master WHERE name = ?').get(table) !== undefined;
  const entries = all<EntryRow & Record<string, unknown>>(
    `SELECT e.id, e.kind, e.parentId, e.orderKey, e.name, e.pigment, e.ornament, e.description, e.day, e.firstWords,
       e.begunAt, e.changedAt, e.deletedAt, b.json
     FROM entries e LEFT JOIN ${bodies} = e.id ORDER BY e.id`,
  );
  const known = (table: string, columns: string) =>
    has(table) ? all(`SELECT ${columns} FROM ${table} ORDER BY ${columns}`) : [];
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
    settings: known('settings', 'ownerId, key, value'),
    tombstones: known('tombstones', 'id, title'),
    attachments: known('attachments', 'id, ownerId, hash, name, media, size'),
    otherNames: known('otherNames', 'pageId, position, name'),
  };
}

const nameOfTag = (node: NodeJson) => String(node.attrs?.name);

test.each(versions)('a database as the version of %s wrote it opens with everything in it equal', async (version) => {
  const data = unpacked(version);
  const file = path.join(data, 'glossarion.sqlite');
  const old = new BetterSqlite3(file, { readonly: true });
  const before = contentsOf(old, 'bodies b ON b.pageId', nameOfTag);
  old.close();
  expect(before.pages.length).toBeGreaterThan(30);

  let server = await makeServer(data);
  const { reader } = server.services.database;
  expect(contentsOf(reader, 'documents b ON b.id', nameOfTag)).toEqual(before);
  await server.services.background.idle();
  expect(await checkData(server.services.database)).toEqual([]);
  await server.stop();

  // What it was renewed from is kept until it has been opened once more, as it is now.
  const copies = () => readdirSync(data).filter((name) => name.includes('before-renewal'));
  expect(copies()).toHaveLength(1);
  const copy = new BetterSqlite3(path.join(data, copies()[0]!), { readonly: true });
  expect(contentsOf(copy, 'bodies b ON b.pageId', nameOfTag)).toEqual(before);
  copy.close();
  server = await makeServer(data);
  expect(copies()).toEqual([]);
  await server.stop();
});
