import type { Found } from '@glossarion/core/find';
import BetterSqlite3 from 'better-sqlite3';
import path from 'node:path';
import * as Y from 'yjs';
import {
  block,
  depthOf,
  kindOf,
  newId,
  readBody,
  seedDocument,
  text,
  writeBody,
  type BodyJson,
} from '@glossarion/core/document';
import { dayId } from '@glossarion/core/journal';
import { EntryEntity } from '../entities';
import type { ImportReport } from '@glossarion/core/formats/markdown';
import { makeServer, notes, type Person, type TestedServer } from '../testing/makeServer';
import { openToRead } from '../database/reading';
import { temporaryFolder } from '../testing/builtServer';
import { checkData } from './checkData';

let server: TestedServer;
let ines: Person;

beforeEach(async () => {
  server = await makeServer();
  ines = await server.person();
  await ines.post('/imports', { files: notes }).expect(200);
});
afterEach(() => server.stop());

const idOf = async (name: string): Promise<string> =>
  ((await ines.get(`/names?q=${encodeURIComponent(name)}`)).body as { id: string; title: string }[]).find(
    (each) => each.title === name,
  )!.id;

const act = (...acts: object[]) => ines.post('/acts', { acts });

const disagreements = () => checkData(server.services.database);

/** A window's document of a page, and a way to send what was changed in it. */
async function windowOn(pageId: string, day: string | null = null) {
  const { documents } = server.services;
  const opened = await documents.open(ines.viewer, pageId, day, null);
  const document = new Y.Doc();
  Y.applyUpdate(document, opened.update);
  const send = (before: Uint8Array, epoch = opened.epoch) =>
    documents.receive(ines.viewer, pageId, epoch, Y.encodeStateAsUpdate(document, before), day);
  const change = async (edit: (body: BodyJson) => BodyJson) => {
    const before = Y.encodeStateVector(document);
    writeBody(document, edit(readBody(document)));
    return send(before);
  };
  return { document, change, send, epoch: opened.epoch };
}

const stored = async (pageId: string): Promise<string> =>
  JSON.stringify((await ines.get(`/pages/${pageId}`)).body.body);

test('an import keeps order, resolves links, makes unwritten pages, and says what it did not understand', async () => {
  const [notebook] = (await ines.get('/notebooks')).body as {
    id: string;
    name: string;
    pigment: string;
    pagesBeneath: number;
  }[];
  expect(notebook).toMatchObject({ name: 'Mill', pigment: 'plum', pagesBeneath: 4 });
  const { entries } = (await ines.get(`/entries/${notebook!.id}/contents`)).body as { entries: { name: string }[] };
  expect(entries.map((entry) => entry.name)).toEqual([
    'Waterworks',
    'Money',
    'Sluice gate',
    'Lift plan',
    'Budget',
    'Pintle',
  ]);
  const page = (await ines.get(`/pages/${await idOf('Sluice gate')}`)).body;
  expect(page.targets.map((target: { title: string; state: string }) => [target.title, target.state])).toEqual([
    ['Budget', 'written'],
    ['Lift plan', 'unwritten'],
    ['iron', 'written'],
  ]);
  const { content } = page.body as BodyJson;
  expect(content.map((node) => [kindOf(node), depthOf(node), node.attrs?.state])).toEqual([
    ['paragraph', 0, undefined],
    ['todo', 0, 'open'],
    ['todo', 1, 'done'],
  ]);
  const report = await ines.post('/imports', {
    files: [
      { path: 'x/y.md', text: 'a <blink>c</b> ![p](q.png)' },
      { path: 'z.bin', text: '' },
    ],
  });
  expect(report.body.remarks.map((remark: { what: string }) => remark.what)).toEqual(
    expect.arrayContaining([
      'The HTML <blink>.',
      'The file q.png, which is not among the files.',
      'A file of a kind that is not read.',
    ]),
  );
  expect(await disagreements()).toEqual([]);
});

test('what comes in under an id that is in use gets one of its own, and leaves what has it alone', async () => {
  const id = await idOf('Budget');
  const files = [
    { path: 'New/One.md', text: 'fine' },
    { path: 'New/Two.md', text: `---\nid: ${id}\n---\nsecond helping` },
  ];
  const { remarks } = (await ines.post('/imports', { files }).expect(200)).body as ImportReport;
  expect(remarks).toEqual([{ path: 'New/Two.md', what: 'Its id is in use already; it came in under another.' }]);
  expect((await ines.get(`/pages/${id}`)).body.title).toBe('Budget');
  expect((await ines.get('/find?q=helping')).body.findings[0].title).toBe('Two');
});

test('an import that fails halfway leaves nothing', async () => {
  const before = (await ines.get('/notebooks')).body;
  const prepare = jest.spyOn(server.services.documents, 'makeDay').mockImplementation(() => {
    throw new Error('halfway');
  });
  const files = [
    { path: 'New/One.md', text: 'fine' },
    { path: 'Journal/2026-05-05.md', text: 'rain' },
  ];
  await ines.post('/imports', { files }).expect(500);
  prepare.mockRestore();
  expect((await ines.get('/notebooks')).body).toEqual(before);
  await ines.post('/imports', { files }).expect(200);
});

test('the Margin has every line that points here, with its children, trail and day, newest first', async () => {
  const { glosses } = (await ines.get(`/pages/${await idOf('Sluice gate')}/margin`)).body;
  expect(glosses.map((gloss: { pageTitle: string; day: string | null }) => [gloss.pageTitle, gloss.day])).toEqual([
    ['Budget', null],
    ['Monday 9 March 2026', '2026-03-09'],
  ]);
  const holder = await idOf('Budget');
  await act({ do: 'bin', id: holder }).expect(200);
  expect((await ines.get(`/pages/${await idOf('Sluice gate')}/margin`)).body.glosses).toHaveLength(1);
  await act({ do: 'restore', id: holder }).expect(200);
  expect((await ines.get(`/pages/${await idOf('Sluice gate')}/margin`)).body.glosses).toHaveLength(2);
});

test('renaming touches one page, and every link shows the new title', async () => {
  const id = await idOf('Sluice gate');
  const holder = await idOf('Budget');
  const before = (await ines.get(`/pages/${holder}`)).body.changedAt;
  await act({ do: 'name', id, name: 'Sluice gate no. 2' }).expect(200);
  const page = (await ines.get(`/pages/${holder}`)).body;
  expect(page.targets[0].title).toBe('Sluice gate no. 2');
  expect(page.changedAt).toBe(before);
  expect(await idOf('Sluice gate no. 2')).toBe(id);
  expect((await ines.get('/find?q=gate%20no')).body.findings[0].id).toBe(id);
  expect(await disagreements()).toEqual([]);
});

test('finding folds accents and scripts, marks the words, and leaves out what is in the bin', async () => {
  const files = [
    { path: 'R/a.md', text: 'Młyny pływowe i żłób' },
    { path: 'R/b.md', text: '京都の水車についての論文' },
    { path: 'R/c.md', text: 'Παλιρροϊκός μύλος' },
    { path: 'R/d.md', text: 'قصيدة المدّ' },
  ];
  await ines.post('/imports', { files });
  for (const [typed, name] of [
    ['mlyny', 'a'],
    ['ZLOB', 'a'],
    ['水車', 'b'],
    ['μυλος', 'c'],
    ['المد', 'd'],
  ]) {
    const { findings } = (await ines.get(`/find?q=${encodeURIComponent(typed!)}`)).body as Found;
    expect([typed, findings[0]?.title]).toEqual([typed, name]);
    expect(findings[0]!.lines[0]!.pieces.some((piece) => piece.isMarked)).toBe(true);
  }
  await act({ do: 'bin', id: await idOf('Budget') });
  expect((await ines.get('/find?q=oak')).body.findings).toEqual([]);
  expect((await ines.get('/names?q=sluce')).body[0].title).toBe('Sluice gate');
});

test('an update is stored before it counts, and is there after the server has started again', async () => {
  const id = await idOf('Budget');
  const window = await windowOn(id);
  await window.change((body) => ({ ...body, content: [...body.content, block('paragraph', 'Typed now.')] }));
  expect(await stored(id)).toContain('Typed now.');
  await server.stop();
  server = await makeServer(server.folder);
  const opened = await server.services.documents.open(ines.viewer, id, null, null);
  const document = new Y.Doc();
  Y.applyUpdate(document, opened.update);
  expect(JSON.stringify(readBody(document))).toContain('Typed now.');
});

test('what breaks the shape is refused with a reason and changes nothing', async () => {
  const id = await idOf('Budget');
  const before = await stored(id);
  const breaking: ((document: Y.Doc) => void)[] = [
    (document) => (document.getXmlFragment('body').get(0) as Y.XmlElement).setAttribute('kind', 'script'),
    (document) => document.getXmlFragment('body').insert(0, [new Y.XmlElement('iframe')]),
    (document) => document.getXmlFragment('body').insert(0, [new Y.XmlText('loose')]),
    (document) => document.getMap('more').set('a', 1),
    (document) => (document.getXmlFragment('body').get(0) as Y.XmlElement).setAttribute('id', 'b-1'),
  ];
  for (const act of breaking) {
    const window = await windowOn(id);
    const vector = Y.encodeStateVector(window.document);
    act(window.document);
    await expect(window.send(vector)).rejects.toThrow(/./);
    expect(await stored(id)).toBe(before);
  }
  await expect(server.services.documents.receive(ines.viewer, id, 1, new Uint8Array([9, 9, 9]), null)).rejects.toThrow(
    /not an update/,
  );
  const window = await windowOn(id);
  await window.change((body) => ({ ...body, content: [...body.content, block('paragraph', 'Still works.')] }));
  expect(await stored(id)).toContain('Still works.');
  expect(await disagreements()).toEqual([]);
});

test('what honest windows cause is mended: an id twice, an impossible depth, an id of another page', async () => {
  const id = await idOf('Budget');
  const elsewhere = (await ines.get(`/pages/${await idOf('Pintle')}`)).body.body.content[0].attrs.id as string;
  const window = await windowOn(id);
  const twice = newId();
  const accepted = await window.change((body) => ({
    ...body,
    content: [
      ...body.content,
      block('bulleted', 'one', { id: twice, depth: 7 }),
      block('bulleted', 'other', { id: twice }),
      block('bulleted', 'pasted', { id: elsewhere }),
    ],
  }));
  expect(accepted.mended).not.toBeNull();
  const { content } = (await ines.get(`/pages/${id}`)).body.body as BodyJson;
  expect(content.slice(1).map((node) => [node.content![0]!.text, depthOf(node)])).toEqual([
    ['one', 1],
    ['other', 0],
    ['pasted', 0],
  ]);
  const ids = content.map((node) => node.attrs!.id);
  expect(new Set(ids).size).toBe(ids.length);
  expect(ids).not.toContain(elsewhere);
  Y.applyUpdate(window.document, accepted.mended!);
  expect(readBody(window.document).content.map((node) => node.attrs!.id)).toEqual(ids);
  expect(await disagreements()).toEqual([]);
});

test('words typed in a line that another window deleted stand again, even after a restart between', async () => {
  const id = await idOf('Pintle');
  const typing = await windowOn(id);
  const deleting = await windowOn(id);
  await deleting.change(() => ({ type: 'doc', content: [block('paragraph', 'Other line.')] }));
  await server.stop();
  server = await makeServer(server.folder);
  const vector = Y.encodeStateVector(typing.document);
  const body = readBody(typing.document);
  writeBody(typing.document, { ...body, content: [{ ...body.content[0]!, content: [text('Worn, not very bent.')] }] });
  const update = Y.encodeStateAsUpdate(typing.document, vector);
  await server.services.documents.receive(ines.viewer, id, 1, update, null);
  const { json: said } = server.row<{ json: string }>('SELECT json FROM documents WHERE id = ?', id)!;
  expect(said).toContain('Worn, not very bent.');
  expect(said).toContain('"kept":true');
});

test('a rebuilt page starts a new epoch and takes no update of the old one', async () => {
  const id = await idOf('Budget');
  const window = await windowOn(id);
  await server.services.documents.rebuild(ines.viewer, id);
  await expect(
    window.change((body) => ({ ...body, content: [...body.content, block('paragraph', 'late')] })),
  ).rejects.toThrow(/built anew/);
  expect((await windowOn(id)).epoch).toBe(2);
});

test('a day is made by its first line, alike for every device, and only under its own id', async () => {
  const day = '2026-11-24';
  const id = dayId(ines.id, day);
  const shown = (await ines.get(`/journal/days/${day}`)).body;
  expect([shown.isStored, shown.pageId]).toEqual([false, id]);
  const [one, other] = [await windowOn(id, day), await windowOn(id, day)];
  const add = (words: string) => (body: BodyJson) => ({
    ...body,
    content: [...body.content, block('paragraph', words)],
  });
  await one.change(add('early'));
  await other.change(add('late'));
  const after = (await ines.get(`/journal/days/${day}`)).body;
  const words = JSON.stringify(after.body);
  expect(words).toContain('early');
  expect(words).toContain('late');
  expect(words.split('On waking')).toHaveLength(2);
  const forged = newId();
  const update = seedDocument(forged, '', after.body);
  await expect(server.services.documents.receive(ines.viewer, forged, 1, update, day)).rejects.toThrow(/nothing here/);
  expect(await disagreements()).toEqual([]);
});

test('two transactions started at once, one of which fails, leave the other whole', async () => {
  const { database } = server.services;
  const make = (name: string) =>
    server.services.acts.perform(ines.viewer, [{ do: 'make', id: newId(), kind: 'notebook', parentId: null, name }]);
  const failing = database.write(async (manager) => {
    await manager.update(EntryEntity, { ownerId: ines.id }, { description: 'lost' });
    await new Promise((resolve) => setTimeout(resolve, 30));
    throw new Error('fails on purpose');
  });
  const results = await Promise.allSettled([make('Before'), failing, make('After')]);
  expect(results.map((result) => result.status)).toEqual(['fulfilled', 'rejected', 'fulfilled']);
  const notebooks = (await ines.get('/notebooks')).body as { name: string; description: string }[];
  expect(notebooks.map((notebook) => notebook.name)).toEqual(expect.arrayContaining(['Before', 'After']));
  expect(notebooks.filter((notebook) => notebook.description === 'lost')).toEqual([]);
});

test('check-data finds a fact row that was tampered with by hand', async () => {
  expect(await disagreements()).toEqual([]);
  const tampering = [
    ['UPDATE blocks SET words = words || 1 WHERE rowid = (SELECT MIN(rowid) FROM blocks)', 'Blocks'],
    ['UPDATE links SET target = documentId WHERE position = 0', 'Facts: links'],
    [
      "UPDATE findIndex SET body = 'nothing' WHERE rowid = (SELECT MAX(row) FROM entries WHERE kind = 'page')",
      'Words for finding',
    ],
    ["UPDATE entries SET wordCount = wordCount + 1 WHERE kind = 'page'", 'The first words'],
  ] as const;
  for (const [sql, what] of tampering) {
    const copy = path.join(temporaryFolder(), 'tampered.sqlite');
    server.services.database.reader.prepare('VACUUM INTO ?').run(copy);
    const raw = new BetterSqlite3(copy);
    raw.exec(sql);
    raw.close();
    const { source, reader } = await openToRead(copy);
    const found = await checkData({ manager: source.manager, reader });
    await source.destroy();
    expect(found.some((each) => each.what.startsWith(what))).toBe(true);
  }
});

test('titles and text of any kind are kept exactly or refused with a sentence', async () => {
  const id = await idOf('Budget');
  for (const words of [
    'x'.repeat(10_000),
    'שלום عربي',
    'e\u0301\u0323',
    '👩🏽‍🔧',
    '<script>alert(1)</script>',
    `"'\\;--`,
  ]) {
    await act({ do: 'name', id, name: words }).expect(200);
    expect((await ines.get(`/pages/${id}`)).body.name).toBe(words);
  }
  const refused = await act({ do: 'name', id, name: 'null\u0000' });
  expect(refused.status).toBe(400);
  expect(refused.body.detail).toContain('not text');
  const window = await windowOn(id);
  await window.change((body) => ({ ...body, content: [block('paragraph', [text('null \u0000 byte')])] }));
  expect((await ines.get(`/pages/${id}`)).body.body.content[0].content[0].text).toBe('null \u0000 byte');
  expect(await disagreements()).toEqual([]);
});
