import { existsSync, mkdirSync, mkdtempSync, symlinkSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import request from 'supertest';
import { newId } from '@glossarion/core/document';
import type { ImportReport } from '@glossarion/core/formats/markdown';
import type { ImportPreview, Work } from '@glossarion/core/works';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';
import { zipped } from '../testing/zipped';

let server: TestedServer;
let ines: Person;
let tomas: Person;

beforeEach(async () => {
  server = await makeServer();
  ines = await server.person('Ines');
  tomas = await server.person('Tomas');
  await ines.post('/imports', {
    files: [
      { path: 'Mill/Gate.md', text: 'Elm and oak.' },
      { path: 'Mill/Winch.md', text: 'Two tons.' },
    ],
  });
});
afterEach(() => server.stop());

const FILES = {
  'Mill/Gate.md': 'Elm, oak and larch.',
  'Mill/Winch.md': 'Two tons.',
  'Mill/Sill.md': '![sill](sill.png) by [nobody](gone.md)',
  'Mill/sill.png': 'a picture',
  'House/Roof.md': 'Slates.',
};

/** Looks what a zip would make. */
async function look(
  id: string,
  files: Record<string, string> = FILES,
  who = ines,
  notebook?: string,
): Promise<ImportPreview> {
  const sent = request(server.url).post(`/api/imports/looks?id=${id}&name=mill.zip`).query({ notebook });
  const answer = await sent
    .set('Cookie', who.cookie)
    .set('Origin', server.url)
    .type('application/zip')
    .send(await zipped(files));
  expect(answer.status).toBe(200);
  return answer.body as ImportPreview;
}

const take = async (id: string, present: string): Promise<ImportReport> =>
  (await ines.post(`/works/${id}/takingIn`, { present }).expect(200)).body as ImportReport;

const stored = () =>
  server.rows(
    `SELECT (SELECT COUNT(*) FROM entries) AS entries, (SELECT COUNT(*) FROM attachments) AS attachments,
       (SELECT COUNT(*) FROM documents) AS documents, (SELECT COUNT(*) FROM tags) AS tags`,
  );

const wordsOf = (name: string): string[] =>
  server
    .rows<{ words: string }>(
      `SELECT b.words FROM blocks b JOIN entries e ON e.id = b.documentId LEFT JOIN entries p ON p.id = e.parentId
       WHERE e.name = ? AND e.deletedAt IS NULL AND p.deletedAt IS NULL ORDER BY e.row`,
      name,
    )
    .map(({ words }) => words);

test('what stands in no folder comes to a notebook called like what was picked', async () => {
  const loose = { 'Sill.md': 'Oak. [Roof](House/Roof.md)', 'House/Roof.md': 'Slates.' };
  const [id, unnamed] = [newId(), newId()];
  const preview = await look(id, loose, ines, 'Old mill');
  expect(preview.places.map(({ name, pages }) => [name, pages])).toEqual([
    ['House', 1],
    ['Old mill', 1],
  ]);
  await take(id, 'leave');
  expect((await look(unnamed, { 'Sluice.md': 'Elm.' })).places).toMatchObject([{ name: 'Imported', pages: 1 }]);
  const notebooks = (await ines.get('/notebooks')).body as { name: string }[];
  expect(notebooks.map(({ name }) => name).sort()).toEqual(['House', 'Mill', 'Old mill']);
});

test('a heading of a file that is called like a day is a line of the day, and the title of a page', async () => {
  const page = '<h1>Visit</h1><p>Silt.</p>';
  const [days, pages] = [newId(), newId()];
  await look(days, { '2026-03-09.html': page }, ines, 'Journal');
  expect(await take(days, 'leave')).toMatchObject({ days: 1, pages: 0 });
  await look(pages, { 'Letters/2026-03-10.html': page });
  expect(await take(pages, 'leave')).toMatchObject({ days: 0, pages: 1 });
  const linesOf = (where: string) =>
    server
      .rows<{ words: string }>(
        `SELECT b.words FROM blocks b JOIN entries e ON e.id = b.documentId WHERE ${where} ORDER BY b.position`,
      )
      .map(({ words }) => words);
  expect(linesOf("e.day = '2026-03-09'")).toEqual(['Visit', 'Silt.']);
  expect(linesOf("e.name = 'Visit'")).toEqual(['Silt.']);
});

test('links of a file lead to pages that are here and that none of the files is', async () => {
  const { id: winch } = server.rows<{ id: string }>("SELECT id FROM entries WHERE name = 'Winch'")[0]!;
  await ines.post('/acts', { acts: [{ do: 'name', id: winch, name: 'Winch, hand' }] });
  const idOf = (name: string) => server.rows<{ id: string }>('SELECT id FROM entries WHERE name = ?', name)[0]!.id;
  await ines.post('/acts', { acts: [{ do: 'otherNames', id: idOf('Gate'), names: ['Lower gate'] }] });
  const files = [
    { path: 'Yard/Repair.md', text: '[[lower gate]], [[Gate#Leaf]] and [it](../Mill/Winch,%20hand.md), [[Sill]].' },
  ];
  const { body } = await ines.post('/imports', { files }).expect(200);
  expect(body as ImportReport).toMatchObject({ pages: 2, links: 4 });
  const led = server.rows<{ target: string }>(
    'SELECT target FROM links WHERE documentId = ? ORDER BY position',
    idOf('Repair'),
  );
  expect(led.map(({ target }) => target)).toEqual([idOf('Gate'), idOf('Gate'), winch, idOf('Sill')]);
  // What is somebody else's is not here; nor is what two pages are called, or what is in the bin with its notebook.
  await tomas.post('/imports', { files: [{ path: 'Mill/Float.md', text: '[[Sill]]' }] }).expect(200);
  expect(server.rows("SELECT id FROM entries WHERE name = 'Sill'")).toHaveLength(2);
  await ines.post('/imports', { files: [{ path: 'House/Gate.md', text: 'Pickets.' }] }).expect(200);
  await ines.post('/imports', { files: [{ path: 'House/Path.md', text: '[[Gate]]' }] }).expect(200);
  expect(server.rows("SELECT id FROM entries WHERE name = 'Gate'")).toHaveLength(3);
  await ines.post('/acts', { acts: [{ do: 'bin', id: idOf('Mill') }] }).expect(200);
  await ines.post('/imports', { files: [{ path: 'House/Wheel.md', text: '[[Winch, hand]]' }] }).expect(200);
  expect(server.rows("SELECT id FROM entries WHERE name = 'Winch, hand'")).toHaveLength(2);
});

test('looking says what would be made, what is here and what is not understood, and makes nothing', async () => {
  const before = stored();
  const preview = await look(newId());
  expect(preview).toMatchObject({ notebooks: 1, sections: 0, pages: 2, left: 1, presentCount: 1 });
  expect(preview.present).toEqual([{ path: 'Mill/Gate.md', title: 'Gate', by: 'title' }]);
  expect(preview.places).toEqual([
    { name: 'House', pages: 1, isHere: false },
    { name: 'Mill', pages: 1, isHere: true },
  ]);
  expect(preview.remarks.map(({ what }) => what).join(' ')).toContain('gone.md');
  expect(stored()).toEqual(before);
});

test.each([
  ['leave', ['Elm and oak.'], { pages: 2, left: 2, renewed: 0 }],
  ['renew', ['Elm, oak and larch.'], { pages: 2, left: 1, renewed: 1 }],
  ['both', ['Elm and oak.', 'Elm, oak and larch.'], { pages: 3, left: 1, renewed: 0 }],
] as const)('what is here with other words: %s', async (choice, words, made) => {
  const id = newId();
  await look(id);
  expect(await take(id, choice)).toMatchObject({ notebooks: 1, ...made });
  expect(wordsOf('Gate')).toEqual(words);
  expect(wordsOf('Winch')).toEqual(['Two tons.']);
  // Once is enough.
  await ines.post(`/works/${id}/takingIn`, { present: choice }).expect(409);
  const { acts } = (await ines.get(`/works/${id}/takingBack`).expect(200)).body as { acts: object[] };
  await ines.post('/acts', { acts }).expect(200);
  expect(wordsOf('Gate')).toEqual(['Elm and oak.']);
  expect(wordsOf('Roof')).toEqual([]);
});

test('what waits is its owner’s alone, is let go of when it is dropped, and only the last three are kept', async () => {
  const { works } = server.services;
  const ids = [newId(), newId(), newId(), newId()];
  for (const id of ids) await look(id);
  const listed = ((await ines.get('/works')).body as Work[]).filter(({ state }) => state === 'waiting');
  expect(listed.map(({ id }) => id).sort()).toEqual(ids.slice(1).sort());
  expect(ids.map((id) => existsSync(works.sentFor(ines.viewer, id)))).toEqual([false, true, true, true]);
  await tomas.post(`/works/${ids[1]}/takingIn`, { present: 'leave' }).expect(404);
  const answer = await request(server.url)
    .post(`/api/imports/looks?id=${ids[1]}&name=x.zip`)
    .set('Cookie', tomas.cookie)
    .set('Origin', server.url)
    .type('application/zip')
    .send(await zipped({ 'A/B.md': 'Mine' }));
  expect(answer.status).toBe(404);
  expect(existsSync(works.sentFor(ines.viewer, ids[1]!))).toBe(true);
  await request(server.url)
    .delete(`/api/works/${ids[1]}`)
    .set('Cookie', ines.cookie)
    .set('Origin', server.url)
    .expect(204);
  expect(existsSync(works.sentFor(ines.viewer, ids[1]!))).toBe(false);
});

describe('a folder on the server', () => {
  let folder: string;
  let other: TestedServer;
  let joan: Person;
  beforeEach(async () => {
    const root = mkdtempSync(path.join(os.tmpdir(), 'glossarion-'));
    folder = path.join(root, 'imports');
    mkdirSync(path.join(folder, 'Old yard', 'Mill'), { recursive: true });
    writeFileSync(path.join(folder, 'Old yard', 'Mill', 'Gate.md'), 'Elm. See [the roof](../House/Roof.md).');
    mkdirSync(path.join(folder, 'Old yard', 'House'));
    writeFileSync(path.join(folder, 'Old yard', 'House', 'Roof.md'), 'Slates.');
    writeFileSync(path.join(root, 'secret.md'), 'Nobody is to read this.');
    symlinkSync(root, path.join(folder, 'Old yard', 'out'));
    symlinkSync(path.join(root, 'secret.md'), path.join(folder, 'Old yard', 'secret.md'));
    symlinkSync(root, path.join(folder, 'Outside'));
    writeFileSync(path.join(folder, 'roofs.zip'), await zipped({ 'Roofs/Slate.md': 'Blue.' }));
    writeFileSync(path.join(folder, '.hidden.zip'), 'x');
    other = await makeServer(undefined, { GLOSSARION_IMPORTS: folder });
    joan = await other.person('Joan');
  });
  afterEach(() => other.stop());

  test('is chosen by its name, looked at and taken in; nothing outside of it is read', async () => {
    expect((await joan.get('/imports/folders').expect(200)).body).toEqual(['Old yard', 'roofs.zip']);
    for (const name of ['..', 'Outside', 'Old yard/Mill', '.hidden.zip', path.dirname(folder), 'secret.md']) {
      await joan.post('/imports/folders/looks', { id: newId(), name }).expect(404);
    }
    const id = newId();
    const preview = (await joan.post('/imports/folders/looks', { id, name: 'Old yard' }).expect(200))
      .body as ImportPreview;
    expect(preview).toMatchObject({ notebooks: 2, pages: 2, remarkCount: 0 });
    const report = (await joan.post(`/works/${id}/takingIn`, { present: 'leave' }).expect(200)).body as ImportReport;
    expect(report).toMatchObject({ notebooks: 2, pages: 2, links: 1 });
    const zip = (await joan.post('/imports/folders/looks', { id: newId(), name: 'roofs.zip' }).expect(200))
      .body as ImportPreview;
    expect(zip).toMatchObject({ notebooks: 1, pages: 1 });
  });

  test('there is none where nobody has set one', async () => {
    expect((await ines.get('/imports/folders').expect(200)).body).toEqual([]);
    await ines.post('/imports/folders/looks', { id: newId(), name: 'Old yard' }).expect(404);
  });
});
