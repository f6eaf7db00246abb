import { execFile } from 'node:child_process';
import { copyFileSync, mkdtempSync, readFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { promisify } from 'node:util';
import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { EPub } from 'epub2';
import ICAL from 'ical.js';
import Papa from 'papaparse';
import { newId, shownWords, type BodyJson } from '@glossarion/core/document';
import type { FoundPage } from '@glossarion/core/formats/site';
import { dayId } from '@glossarion/core/journal';
import type { ExportForm } from '@glossarion/core/works';
import { ownView, type Viewer } from '../../access';
import { Search } from '../../siteScript/search';
import { makeServer, type TestedServer } from '../../testing/makeServer';
import { ended, ORIGIN, written } from '../../testing/writtenExport';
import { DEMO_NAME } from '../accounts';
import { checkData } from '../checkData';
import { makeDemo } from '../demo';
import { contentOf, readZip } from '../importZip';

const run = promisify(execFile);

let server: TestedServer;
let viewer: Viewer;

beforeAll(async () => {
  server = await makeServer();
  await makeDemo(server.services, path.resolve(__dirname, '../../../../demo/notes'), '2026-03-09', false);
  viewer = ownView((await server.services.accounts.byName(DEMO_NAME))!.id);
}, 120_000);
afterAll(() => server.stop());

/** The texts of an archive by their paths; of what is no text, that it is there. */
async function filesOf(form: ExportForm, of: string | null = null): Promise<Map<string, string>> {
  const archive = await readZip(await written(server, viewer, of, form), new AbortController().signal);
  const files = new Map<string, string>();
  if (archive.account !== null) files.set('account.json', archive.account);
  for (const [name, entry] of [...archive.pages, ...archive.others]) {
    const isText = /\.(?:html|json|js|css|csv)$/u.test(name);
    files.set(name, isText ? Buffer.from((await contentOf(archive.zip, entry, 50_000_000))!).toString('utf8') : '');
  }
  archive.zip.close();
  return files;
}

const textOf = async (form: ExportForm, of: string | null = null): Promise<string> =>
  readFileSync(await written(server, viewer, of, form), 'utf8');

const idOf = (title: string): string =>
  server.row<{ id: string }>('SELECT id FROM entries WHERE ownerId = ? AND name = ?', viewer.accountId, title)!.id;

/** Pages that are not in the bin, nor in what is. */
const pagesHere = (): { id: string; name: string; json: string }[] =>
  server.rows(
    `WITH RECURSIVE here(id) AS (
       SELECT id FROM entries WHERE parentId IS NULL AND deletedAt IS NULL AND ownerId = ?
       UNION ALL SELECT e.id FROM entries e JOIN here h ON e.parentId = h.id WHERE e.deletedAt IS NULL)
     SELECT e.id, e.name, d.json FROM entries e JOIN here ON here.id = e.id JOIN documents d ON d.id = e.id
     WHERE e.kind = 'page'`,
    viewer.accountId,
  );

test('every file of JSON is in the form that is published, and what is not so is refused by it', async () => {
  const ajv = new Ajv2020({ strict: true, strictTypes: false, allErrors: true });
  addFormats(ajv);
  const schema = JSON.parse(
    readFileSync(path.resolve(__dirname, '../../../../docs/account.schema.json'), 'utf8'),
  ) as object;
  const isFitting = ajv.compile(schema);
  const files = await filesOf('json');
  const texts = [...files].filter(([name]) => name.endsWith('.json'));
  expect(texts.length).toBeGreaterThan(300);
  for (const [name, text] of texts) {
    isFitting(JSON.parse(text));
    expect([name, isFitting.errors]).toEqual([name, null]);
  }
  const [, page] = texts.find(([name]) => name.endsWith('Sluice gate no. 2.page.json'))!;
  const whole = JSON.parse(page) as { content: { attrs: object }[] };
  expect(isFitting({ ...whole, version: 2 })).toBe(false);
  expect(isFitting({ ...whole, content: [{ ...whole.content[0], type: 'drawing' }] })).toBe(false);
  expect(isFitting({ ...whole, content: [{ ...whole.content[0], attrs: { id: 'x' } }] })).toBe(false);
});

test('an outline has every page and line, and comes in as the same pages', async () => {
  const outline = await textOf('opml');
  const ids = [...outline.matchAll(/ g:id="([^"]+)" g:kind="page"/gu)].map(([, id]) => id);
  expect(ids.sort()).toEqual(
    pagesHere()
      .map(({ id }) => id)
      .sort(),
  );
  const other = await makeServer();
  const tomas = await other.person('Tomas');
  const notebook = idOf('Saltmere Tide Mill');
  await tomas.post('/imports', {
    files: [{ path: 'mill.opml', text: await textOf('opml', notebook) }],
  });
  const linesOf = (from: TestedServer, ownerId: string): Map<string, Set<string>> => {
    const reader = from.services.entries.reader(ownView(ownerId));
    const lines = new Map<string, Set<string>>();
    const rows = from.rows<{ name: string; json: string }>(
      `SELECT e.name, d.json FROM entries e JOIN documents d ON d.id = e.id WHERE e.ownerId = ? AND e.kind = 'page'`,
      ownerId,
    );
    for (const { name, json } of rows) {
      const own = lines.get(name) ?? new Set();
      lines.set(name, own);
      for (const node of (JSON.parse(json) as BodyJson).content) {
        // A row of a table is a line of an outline.
        for (const row of node.type === 'table' ? (node.content ?? []) : []) {
          const cells = (row.content ?? []).map((cell) => shownWords(cell, (id) => reader.title(id)).trim());
          own.add(`${String(node.attrs?.depth ?? 0)} ${cells.join(' | ')}`);
        }
        const words = shownWords(node, (id) => reader.title(id));
        own.add(`${String(node.attrs?.depth ?? 0)} ${words.replaceAll(/\s+/gu, ' ').trim()}`);
      }
    }
    return lines;
  };
  const here = linesOf(other, tomas.id);
  const before = linesOf(server, viewer.accountId);
  expect(here.size).toBeGreaterThan(40);
  const strange = [...here].flatMap(([name, lines]) =>
    [...lines].filter((line) => !before.get(name)?.has(line)).map((line) => `${name}: ${line}`),
  );
  expect(strange).toEqual([]);
  expect([...here.values()].reduce((sum, { size }) => sum + size, 0)).toBeGreaterThan(150);
  const sectionsOf = (from: TestedServer, ownerId: string) =>
    from.rows<{ name: string }>(
      `SELECT name FROM entries WHERE ownerId = ? AND kind = 'section' AND deletedAt IS NULL ORDER BY name`,
      ownerId,
    );
  expect(sectionsOf(server, viewer.accountId)).toEqual(expect.arrayContaining(sectionsOf(other, tomas.id)));
  await other.stop();
});

test('tables have a row for each page of a kind, with its fields, and come in as pages of that kind', async () => {
  const files = await filesOf('csv');
  const persons = Papa.parse<Record<string, string>>(files.get('person.csv')!, { header: true, skipEmptyLines: true });
  expect(persons.errors).toEqual([]);
  expect(persons.data.find((row) => row.Title === 'Tomas Wren')).toMatchObject({ Trade: expect.any(String) as string });
  const other = await makeServer();
  const tomas = await other.person('Tomas');
  await tomas.post('/imports', { files: [{ path: 'Contacts/person.csv', text: files.get('person.csv')! }] });
  const titles = other.rows<{ name: string }>(
    `SELECT e.name FROM entries e JOIN kindUses k ON k.documentId = e.id WHERE e.ownerId = ? ORDER BY e.name`,
    tomas.id,
  );
  expect(titles.map(({ name }) => name)).toEqual(persons.data.map((row) => row.Title).sort());
  await other.stop();
});

test('a calendar has the tasks that are due of what goes out, and leads to their lines', async () => {
  const uids = (text: string) =>
    new ICAL.Component(ICAL.parse(text) as never)
      .getAllSubcomponents('vtodo')
      .map((each) => String(each.getFirstPropertyValue('uid')));
  const whole = await textOf('calendar');
  expect(uids(whole).length).toBeGreaterThan(3);
  expect(whole.replaceAll('\r\n ', '')).toContain(`URL:${ORIGIN}/b/`);
  const part = uids(await textOf('calendar', idOf('House & Garden')));
  expect(part.length).toBeLessThan(uids(whole).length);
  expect(uids(whole)).toEqual(expect.arrayContaining(part));
});

test('a book is what its specification asks for, is opened by a reader, and leads only to what is in it', async () => {
  const file = await written(server, viewer, null, 'epub');
  const named = path.join(mkdtempSync(path.join(os.tmpdir(), 'glossarion-')), 'notes.epub');
  copyFileSync(file, named);
  const checker = path.resolve(__dirname, '../../../../node_modules/@likecoin/epubcheck-ts/bin/epubcheck.js');
  const { stdout } = await run(process.execPath, [checker, named, '--quiet', '--json', '-']);
  const report = JSON.parse(stdout.slice(stdout.indexOf('{'))) as { messages: { severity: string }[] };
  expect(report.messages.filter(({ severity }) => severity !== 'usage' && severity !== 'info')).toEqual([]);

  const book = await EPub.createAsync(named);
  expect(book.metadata.title).toBe('Notes');
  expect(book.flow.length).toBeGreaterThan(300);
  expect(book.toc.map(({ title }: { title: string }) => title)).toEqual(
    expect.arrayContaining(['Sluice gate no. 2', 'Index']),
  );
  const chapter = book.toc.find(({ title }: { title: string }) => title === 'Sluice gate no. 2')!;
  expect(await book.getChapterAsync(chapter.id)).toContain('The lower leaf has dropped');
  const index = book.flow.find(({ href }: { href?: string }) => href?.endsWith('text/index.xhtml'))!;
  expect(await book.getChapterAsync(index.id)).toMatch(/Callum Frayne<\/a><\/span> · .*Sluice gate no\. 2/u);
}, 60_000);

test('what a query line finds is taken out, each page by itself', async () => {
  const archive = await readZip(
    await written(server, viewer, null, 'markdown', 'pintle gudgeon'),
    new AbortController().signal,
  );
  const contents = await Promise.all(archive.files.map(({ content }) => content()));
  archive.zip.close();
  const { findings } = await server.services.find.find(viewer, 'pintle gudgeon', 100);
  const pages = findings.filter(({ kind }) => kind === 'page');
  expect(archive.files.filter(({ path: each }) => each !== 'index.md')).toHaveLength(pages.length);
  const found = contents.map((bytes) => Buffer.from(bytes).toString('utf8')).join('\n');
  for (const { id } of pages) expect(found).toContain(`id: ${id}`);
  const book = readFileSync(await written(server, viewer, null, 'print', 'pintle gudgeon'), 'utf8');
  expect(book).toContain('Found: pintle gudgeon');
});

describe('the site', () => {
  let files: Map<string, string>;
  let pages: [string, string][];
  beforeAll(async () => {
    files = await filesOf('site');
    pages = [...files].filter(([name]) => name.endsWith('.html'));
  });

  test('every link and every file in it leads to something in it, and to a line that is there', () => {
    const anchors = new Map(
      pages.map(([name, text]) => [name, new Set([...text.matchAll(/\sid="?([^"\s>]+)/gu)].map(([, id]) => id))]),
    );
    const dead: string[] = [];
    for (const [name, text] of pages) {
      for (const [, address] of text.matchAll(/\s(?:href|src)="?([^"\s>]+)/gu)) {
        if (/^(?:https?|mailto|tel):/u.test(address!)) continue;
        const [file, anchor] = address!.replaceAll('&#x26;', '&').replaceAll('&amp;', '&').split('#');
        const there = file === '' ? name : path.posix.join(path.posix.dirname(name), decodeURI(file!));
        const isKnown = there.startsWith('site/') || files.has(there);
        if (!isKnown || (anchor && !anchors.get(there)?.has(anchor))) dead.push(`${name}: ${address}`);
      }
    }
    expect(dead).toEqual([]);
    expect(pages.length).toBeGreaterThan(300);
  });

  test('what is in the bin is not in it, and every other page is, with what leads to it beside its lines', () => {
    const titles = new Set(pages.map(([, text]) => /<h1>([^<]*)<\/h1>/u.exec(text)?.[1]));
    for (const { name } of pagesHere()) if (/^[\w .]+$/u.test(name)) expect(titles).toContain(name);
    const binned = server.rows<{ name: string }>(
      "SELECT name FROM entries WHERE ownerId = ? AND deletedAt IS NOT NULL AND name != ''",
      viewer.accountId,
    );
    const shown = new Set(pagesHere().map(({ name }) => name));
    for (const { name } of binned) if (!shown.has(name)) expect(titles).not.toContain(name);
    const gate = files.get([...files.keys()].find((name) => name.endsWith('Sluice gate no. 2.html'))!)!;
    expect(gate).toMatch(/<details class="?glosses/u);
    expect(gate).toContain('Open day plan</a>');
  });

  test('its search finds what Find finds, for forty words and pairs of words', async () => {
    const search = new Search();
    const found = (list: readonly FoundPage[]) => search.add(list);
    for (const [name, text] of files) {
      if (/site\/words-\d+\.js$/u.test(name)) new Function('found', text)(found);
    }
    const places = new Map<string, string>();
    for (const [name, text] of pages) {
      const id = /<meta name="?front"? content="([^"]*)"/u
        .exec(text)?.[1]
        ?.replaceAll('&#x22;', '"')
        .replaceAll('&quot;', '"');
      if (id) places.set(name, (JSON.parse(id) as { id: string }).id);
    }
    const words = SEARCHES.map((typed) => ({ typed }));
    const different: unknown[] = [];
    for (const { typed } of words) {
      const here = search.find(`${typed} `).results.map((each) => places.get(each.path)!);
      const { findings } = await server.services.find.find(viewer, quoted(typed), 100);
      const there = findings.map(({ id }) => id);
      const missing = there.filter((id) => !here.includes(id));
      if (here.length === 0 || missing.length > 0) different.push({ typed, here: here.length, missing });
    }
    expect(different).toEqual([]);
    expect(search.find('zzzz').count).toBe(0);
  });
});

test('a first notebook that is in the bin is in no site and no book, and one that was asked for by itself is', async () => {
  const other = await makeServer();
  const tomas = await other.person('Tomas');
  await tomas.post('/imports', {
    files: [
      { path: 'Attic/Beams.md', text: 'Elm.' },
      { path: 'Mill/Gate.md', text: 'Oak.' },
    ],
  });
  const { id } = other.row<{ id: string }>("SELECT id FROM entries WHERE name = 'Attic'")!;
  await other.services.acts.perform(tomas.viewer, [{ do: 'bin', id }]);
  for (const form of ['print', 'opml'] as const) {
    const whole = readFileSync(await written(other, tomas.viewer, null, form), 'utf8');
    expect(whole).toContain('Gate');
    expect(whole).not.toContain('Beams');
    expect(readFileSync(await written(other, tomas.viewer, id, form), 'utf8')).toContain('Beams');
  }
  await other.stop();
});

/** Exactly these words, each of them. */
const quoted = (typed: string): string =>
  typed
    .split(' ')
    .map((word) => `"${word}"`)
    .join(' ');

const SEARCHES = [
  ...['gudgeon', 'pintle', 'sluice', 'elm', 'oak', 'winch', 'tailrace', 'culvert', 'mortar', 'lime', 'licence', 'rota'],
  ...['flour', 'tea', 'insurance', 'silt', 'gauge', 'bore', 'leaf', 'apron', 'stove', 'budget', 'grant', 'quotes'],
  ...['Callum', 'Tomas', 'Petra', 'harbour', 'tide', 'mill', 'hot lime', 'tide pool', 'time sheets', 'sluice gate'],
  ...['Callum Frayne', 'Tomas Wren', 'marine licence', 'open day', 'lower leaf', 'staff readings'],
];

/** Pages and days of somebody, with all that is on them; what has other ids in another account, by its name. */
async function pagesOf(from: TestedServer, ownerId: string): Promise<Map<string, unknown>> {
  const { kinds, fields } = (await from.services.kinds.tree(ownView(ownerId))).everything();
  const named = (sql: string) => from.rows<{ id: string; name: string }>(sql, ownerId);
  const names = new Map(
    [
      ...named('SELECT id, name FROM tags WHERE ownerId = ?'),
      ...[...kinds, ...fields, ...fields.flatMap(({ choices }) => choices)],
      ...named('SELECT id, name FROM attachments WHERE ownerId = ?'),
      // A day that nobody wrote is one too.
      ...server
        .rows<{ name: string }>('SELECT DISTINCT day AS name FROM entries WHERE day IS NOT NULL')
        .map(({ name }) => ({ id: dayId(ownerId, name), name })),
    ].map(({ id, name }) => [id, name]),
  );
  const rows = from.rows<{ id: string; kind: string; day: string | null; json: string }>(
    `SELECT e.id, e.kind, e.name, e.day, e.season, e.begunAt, e.pigment, e.description, d.json,
       (SELECT json_group_array(name) FROM otherNames o WHERE o.pageId = e.id) AS also
     FROM entries e JOIN documents d ON d.id = e.id WHERE e.ownerId = ?`,
    ownerId,
  );
  return new Map(
    rows.map(({ json, ...row }) => {
      const whole = JSON.stringify({ ...row, json: JSON.parse(json) as BodyJson });
      return [row.day ?? row.id, JSON.parse(whole.replaceAll(UUID, (id) => names.get(id) ?? id)) as unknown];
    }),
  );
}
const UUID = /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/gu;

test('a site comes in again with every word, line, link, tag, field, other name and file of it', async () => {
  const other = await makeServer();
  const tomas = await other.person('Tomas');
  const { remarks } = await other.services.imports.takeZip(tomas.viewer, await written(server, viewer, null, 'site'));
  // What makes it look and find as it does is none of the notes, and nothing that is missing.
  expect(remarks.filter(({ path }) => path.startsWith('site/'))).toEqual([]);
  const before = await pagesOf(server, viewer.accountId);
  const after = await pagesOf(other, tomas.id);
  const days = new Set(before.keys());
  const here = [...pagesHere().map(({ id }) => id), ...[...days].filter((key) => key.length === 10)];
  expect(here.length).toBeGreaterThan(300);
  for (const id of here) expect(after.get(id)).toEqual(before.get(id));
  await other.services.background.idle();
  expect(await checkData(other.services.database)).toEqual([]);
  await other.stop();
});

test.each(['site', 'epub', 'json', 'opml', 'csv'] as const)(
  '%s that is stopped at any moment leaves nothing',
  async (form) => {
    const { exports: writing, works } = server.services;
    for (let moment = 0; moment < 8; moment += 1) {
      const id = newId();
      writing.begin(viewer, { of: null }, id, form, ORIGIN);
      await new Promise((resolve) => setTimeout(resolve, moment * moment * 6));
      await works.stop(viewer, id).catch(() => undefined);
      const work = await ended(() => works.of(viewer, id)).catch(() => null);
      if (work?.state === 'done') continue;
      expect(() => readFileSync(works.pathOf(id))).toThrow('ENOENT');
    }
  },
);
