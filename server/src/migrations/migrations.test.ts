import BetterSqlite3 from 'better-sqlite3';
import { mkdtempSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { DataSource } from 'typeorm';
import * as Y from 'yjs';
import {
  bodyFacts,
  type BodyJson,
  newId,
  ownWords,
  readBody,
  seedDocument,
  tagsIn,
  writeBody,
} from '@glossarion/core/document';
import { indexedWords } from '@glossarion/core/words';
import { dayId } from '@glossarion/core/journal';
import { ownView } from '../access';
import { checkData } from '../services/checkData';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';
import { Foundations1790000000000 } from './1790000000000-foundations';

/** Data as the first version stored it has to open in this one, with nothing lost. */

const ids = Object.fromEntries(
  ['account', 'mill', 'water', 'gate', 'pintle', 'lost', 'line', 'task', 'pin', 'dead'].map((name) => [name, newId()]),
) as Record<string, string>;
const DAY = '2026-03-09';
const THEN = '2026-03-09T08:00:00.000Z';

/** A block with the attributes that the first version knew. */
const oldBlock = (id: string, kind: string, content: object[], state: string | null = null) => ({
  type: 'block',
  attrs: { id, depth: 0, kind, level: null, state, formerIds: null },
  content,
});
const words = (text: string) => ({ type: 'text', text });
const oldBody = (...content: object[]) => ({ type: 'doc', content }) as BodyJson;

const bodies: Record<string, BodyJson> = {
  gate: oldBody(
    oldBlock(ids.line!, 'paragraph', [
      words('The leaf has dropped. See '),
      { type: 'pageLink', attrs: { target: ids.pintle, words: null } },
    ]),
    oldBlock(ids.task!, 'todo', [words('Measure the bore')], 'begun'),
  ),
  pintle: oldBody(
    oldBlock(ids.pin!, 'paragraph', [words('Worn, not bent. '), { type: 'tag', attrs: { name: 'Iron' } }]),
  ),
  lost: oldBody(oldBlock(ids.dead!, 'paragraph', [words('Thrown away.')])),
};

async function makeOldData(folder: string): Promise<void> {
  const file = path.join(folder, 'glossarion.sqlite');
  const source = new DataSource({ type: 'better-sqlite3', database: file, migrations: [Foundations1790000000000] });
  await source.initialize();
  await source.runMigrations();
  await source.destroy();
  const database = new BetterSqlite3(file);
  const entry = database.prepare(
    `INSERT INTO entries (id, ownerId, kind, parentId, orderKey, name, pigment, day, firstWords, wordCount, begunAt, changedAt, deletedAt)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
  );
  database
    .prepare('INSERT INTO accounts (id, name, foldedName, passphraseHash, createdAt) VALUES (?, ?, ?, ?, ?)')
    .run(ids.account, 'Ines', 'ines', 'no passphrase', THEN);
  const put = (
    id: string,
    kind: string,
    parentId: string | null,
    orderKey: string,
    name: string,
    deletedAt: string | null = null,
  ) => {
    const facts = bodies[id] ? bodyFacts(bodies[id]) : { firstWords: '', wordCount: 0 };
    const pigment = kind === 'notebook' ? 'plum' : null;
    entry.run(
      ids[id],
      ids.account,
      kind,
      parentId,
      orderKey,
      name,
      pigment,
      null,
      facts.firstWords,
      facts.wordCount,
      THEN,
      THEN,
      deletedAt,
    );
  };
  put('mill', 'notebook', null, 'a0', 'Mill');
  put('water', 'section', ids.mill!, 'a0', 'Waterworks');
  put('gate', 'page', ids.water!, 'a0', 'Sluice gate');
  put('pintle', 'page', ids.gate!, 'a0', 'Pintle');
  put('lost', 'page', ids.water!, 'a1', 'Old plan', THEN);
  const named = database.prepare(
    'INSERT INTO findIndex (rowid, title, body) SELECT row, ?, ? FROM entries WHERE id = ?',
  );
  for (const [id, name] of [
    [ids.mill, 'Mill'],
    [ids.water, 'Waterworks'],
  ])
    named.run(indexedWords(name!), '', id);
  for (const [name, body] of Object.entries(bodies)) putBody(database, ids[name]!, body, name === 'pintle');
  const day = oldBody(oldBlock(newId(), 'paragraph', [words('Rang about the Sluice gate.')]));
  const facts = bodyFacts(day);
  const today = dayId(ids.account!, DAY);
  entry.run(today, ids.account, 'page', null, DAY, '', null, DAY, facts.firstWords, facts.wordCount, THEN, THEN, null);
  putBody(database, today, day, false);
  database.prepare('INSERT INTO sessions VALUES (?, ?, ?, ?)').run('x', ids.account, THEN, THEN);
  database.close();
}

/** Stores a body with its facts as the first version did. */
function putBody(database: BetterSqlite3.Database, pageId: string, body: BodyJson, isWrittenIn: boolean): void {
  const { row, name } = database.prepare('SELECT row, name FROM entries WHERE id = ?').get(pageId) as {
    row: number;
    name: string;
  };
  const facts = bodyFacts(body);
  const state = isWrittenIn ? seedDocument(pageId, name, body) : null;
  database
    .prepare('INSERT INTO bodies (pageId, json, state) VALUES (?, ?, ?)')
    .run(pageId, JSON.stringify(body), state);
  for (const each of facts.blocks) {
    database
      .prepare('INSERT INTO blocks VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)')
      .run(
        pageId,
        each.id,
        each.parentId,
        each.headingId,
        each.position,
        each.depth,
        each.kind,
        each.state,
        each.words,
        JSON.stringify(each.node),
      );
  }
  for (const each of facts.links)
    database
      .prepare('INSERT INTO links VALUES (?, ?, ?, ?, ?)')
      .run(pageId, each.position, each.blockId, each.target, each.words);
  const tags = facts.blocks.flatMap(({ id, node }) => tagsIn(node).map(({ name }) => ({ blockId: id, name })));
  for (const [position, { blockId, name: tagName }] of tags.entries())
    database
      .prepare('INSERT INTO tags VALUES (?, ?, ?, ?, ?)')
      .run(pageId, position, blockId, tagName, tagName!.toLowerCase());
  const text = facts.blocks.map((each) => each.words).join('\n');
  database
    .prepare('INSERT INTO findIndex (rowid, title, body) VALUES (?, ?, ?)')
    .run(row, indexedWords(name), indexedWords(text));
}

let folder: string;
let server: TestedServer;
/** Whoever made the old notes has no passphrase here: the session is made for them. */
let ines: Person;

beforeAll(async () => {
  folder = mkdtempSync(path.join(os.tmpdir(), 'glossarion-'));
  await makeOldData(folder);
  server = await makeServer(folder);
  const person = await server.person('Another');
  await server.services.database.write((manager) =>
    manager.query('UPDATE sessions SET accountId = ? WHERE accountId = ?', [ids.account, person.id]),
  );
  ines = person;
});
afterAll(() => server.stop());

test('what is stored follows from what was written, in the present form', async () => {
  expect(await checkData(server.services.database)).toEqual([]);
});

test('notebooks, places and the bin are what they were, counted', async () => {
  const notebooks = (await ines.get('/notebooks')).body as object[];
  expect(notebooks).toMatchObject([
    { id: ids.mill, name: 'Mill', pigment: 'plum', pagesBeneath: 2, sectionsBeneath: 1, season: null },
  ]);
  const { entries } = (await ines.get(`/entries/${ids.mill}/contents`)).body as {
    entries: { name: string; pagesBeneath: number }[];
  };
  expect(entries.map(({ name, pagesBeneath }) => [name, pagesBeneath])).toEqual([
    ['Waterworks', 2],
    ['Sluice gate', 1],
    ['Pintle', 0],
  ]);
  expect(((await ines.get('/bin')).body as { title: string }[]).map((each) => each.title)).toEqual(['Old plan']);
});

test('every text is there word for word, found, and points where it pointed', async () => {
  const read = async (id: string) => (await ines.get(`/pages/${id}`)).body as { body: BodyJson };
  const { body } = await read(ids.gate!);
  expect(body.content.map(ownWords)).toEqual(bodies.gate!.content.map(ownWords));
  expect(body.content[1]!.attrs).toMatchObject({ id: ids.task, kind: 'todo', state: 'begun' });
  const margin = (await ines.get(`/pages/${ids.pintle}/margin`)).body.glosses as { pageId: string; blockId: string }[];
  expect(margin).toMatchObject([{ pageId: ids.gate, blockId: ids.line }]);
  const found = (await ines.get('/find?q=dropped')).body.findings as { title: string }[];
  expect(found.map((each) => each.title)).toEqual(['Sluice gate']);
  expect((await ines.get(`/journal/days/${DAY}`)).body.wordCount).toBe(5);
});

test('what names a page is found in the old texts too', async () => {
  await server.services.background.idle();
  const { lines } = (await ines.get(`/pages/${ids.gate}/alsoNamed`)).body as { lines: { pageId: string }[] };
  expect(lines.map((each) => each.pageId)).toEqual([dayId(ids.account!, DAY)]);
});

test.each(['gate', 'pintle'])('%s, whose text was stored either way, is written on', async (name) => {
  const { documents } = server.services;
  const opened = await documents.open(ownView(ids.account!), ids[name]!, null, null);
  const document = new Y.Doc();
  Y.applyUpdate(document, opened.update);
  const before = Y.encodeStateVector(document);
  const body = readBody(document);
  writeBody(document, {
    ...body,
    content: [...body.content, { ...body.content[0]!, attrs: { ...body.content[0]!.attrs, id: newId() } }],
  });
  await documents.receive(
    ownView(ids.account!),
    ids[name]!,
    opened.epoch,
    Y.encodeStateAsUpdate(document, before),
    null,
  );
  const { body: stored } = (await ines.get(`/pages/${ids[name]}`)).body as { body: BodyJson };
  expect(stored.content).toHaveLength(bodies[name]!.content.length + 1);
  expect(await checkData(server.services.database)).toEqual([]);
});

test('opened again, it is as it was left', async () => {
  const before = (await ines.get(`/pages/${ids.gate}`)).body as object;
  await server.stop();
  server = await makeServer(folder);
  expect(await checkData(server.services.database)).toEqual([]);
  const { json } = server.row<{ json: string }>('SELECT json FROM documents WHERE id = ?', ids.gate)!;
  expect({ body: JSON.parse(json) as object }).toMatchObject({ body: (before as { body: object }).body });
});
