import { randomBytes } from 'node:crypto';
import { mkdtempSync, readdirSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { deflateRawSync } from 'node:zlib';
import request from 'supertest';
import { newId, shownWords, writeBody, type BodyJson } from '@glossarion/core/document';
import type { ImportReport } from '@glossarion/core/formats/markdown';
import type { Target } from '@glossarion/core/links';
import type { Work } from '@glossarion/core/works';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';
import { zipped } from '../testing/zipped';
import { checkData } from './checkData';

let server: TestedServer;
let ines: Person;

beforeEach(async () => {
  server = await makeServer();
  ines = await server.person('Ines');
});
afterEach(async () => {
  await server.services.background.idle();
  expect(await checkData(server.services.database)).toEqual([]);
  await server.stop();
});

/** The same with a path in the place of another as long, as no well-behaved program writes it. */
const renamed = (archive: Buffer, from: string, to: string): Buffer =>
  Buffer.from(archive.toString('latin1').replaceAll(from, to), 'latin1');

const send = (archive: Buffer, id = newId()) =>
  request(server.url)
    .post(`/api/imports/zip?id=${id}&name=notes.zip`)
    .set('Cookie', ines.cookie)
    .set('Origin', server.url)
    .type('application/zip')
    .send(archive);
const taken = async (archive: Buffer) => (await send(archive).expect(200)).body as ImportReport;
const refusal = async (archive: Buffer) => {
  const answer = await send(archive);
  expect(answer.status).toBeGreaterThanOrEqual(400);
  expect(answer.status).toBeLessThan(500);
  return (answer.body as { detail: string }).detail;
};
const named = async (name: string) =>
  ((await ines.get(`/names?q=${encodeURIComponent(name)}`)).body as Target[]).find(({ title }) => title === name);
const bodyOf = async (name: string) =>
  ((await ines.get(`/pages/${(await named(name))!.id}`).expect(200)).body as { body: BodyJson }).body;

const PICTURE = Buffer.from(
  '89504e470d0a1a0a0000000d49484452000000010000000108060000001f15c4890000000d49444154789c6360606060000000050001a5f645400000000049454e44ae426082',
  'hex',
);

test('files that a page of HTML shows and leads to come along too', async () => {
  const report = await taken(
    await zipped({
      'Mill/gate.html':
        '<h1>Gate</h1><p>See <a href="plan%20of%201868.pdf">the plan</a> and <a href="winch.html">it</a>.</p>',
      'Mill/winch.html': '<h1>Winch</h1><p><img src="../pictures/gate.png" alt="The gate"></p>',
      'pictures/gate.png': PICTURE,
      'Mill/plan of 1868.pdf': '%PDF-1.4 no more than that',
    }),
  );
  expect(report).toMatchObject({ pages: 2, links: 1, remarks: [] });
  const types = async (name: string) => (await bodyOf(name)).content.map(({ type }) => type);
  expect(await types('Gate')).toEqual(['block', 'file']);
  expect(await types('Winch')).toContain('picture');
});

test('pictures and files come along with the texts that show them', async () => {
  const report = await taken(
    await zipped({
      'Mill/Gate.md': '![The gate](../pictures/gate.png)\n\nSee [the plan](plan%20of%201868.pdf).\n',
      'pictures/gate.png': PICTURE,
      'Mill/plan of 1868.pdf': '%PDF-1.4 no more than that',
      'Mill/unused.bin': randomBytes(20),
      '__MACOSX/Mill/._Gate.md': 'noise',
    }),
  );
  expect(report.remarks).toEqual([
    { path: 'Mill/unused.bin', what: 'A file of a kind that is not read, and that no text leads to.' },
  ]);
  const { content } = await bodyOf('Gate');
  expect(content.map(({ type }) => type)).toEqual(['picture', 'block', 'file']);
  const picture = await ines.get(`/files/${String(content[0]!.attrs!.file)}`).expect(200);
  expect(Buffer.compare(picture.body as Buffer, PICTURE)).toBe(0);
  expect(content[2]!.attrs).toMatchObject({ name: 'plan of 1868.pdf', media: 'application/pdf' });
});

test('what came in is taken back as one, and that is taken back', async () => {
  await ines.post('/imports', {
    files: [
      { path: 'Mill/Winch.md', text: 'Rated.' },
      { path: 'Journal/2026-03-09.md', text: 'Frost.' },
    ],
  });
  const id = newId();
  await send(
    await zipped({
      'Yard/Oak.md': 'Butt.',
      'Yard/Elm/Board.md': 'Seven.',
      'Journal/2026-03-09.md': 'Thaw.',
      'Journal/2026-03-10.md': 'Rain.',
    }),
    id,
  ).expect(200);
  const { acts } = (await ines.get(`/works/${id}/takingBack`).expect(200)).body as { acts: object[] };
  const { undo } = (await ines.post('/acts', { acts }).expect(200)).body as { undo: object[] };
  const notebooks = async () => ((await ines.get('/notebooks')).body as { name: string }[]).map(({ name }) => name);
  const day = async (date: string) => {
    const { pageId } = (await ines.get(`/journal/days/${date}`)).body as { pageId: string };
    const { body } = (await ines.get(`/pages/${pageId}`)).body as { body: BodyJson };
    return body.content.map((node) => shownWords(node, () => '')).filter(Boolean);
  };
  expect(await notebooks()).toEqual(['Mill']);
  expect(await day('2026-03-09')).toEqual(['Frost.']);
  expect(await day('2026-03-10')).toEqual([]);
  await ines.post('/acts', { acts: undo }).expect(200);
  expect(await notebooks()).toEqual(['Mill', 'Yard']);
  expect(await day('2026-03-09')).toEqual(['Frost.', 'Thaw.']);
  expect(await day('2026-03-10')).toEqual(['Rain.']);
});

test('a page that is here already is left when it is the same; what was written elsewhere comes in beside it', async () => {
  const id = newId();
  const line = newId();
  const said = (words: string, changed: string) =>
    `---\nid: ${id}\ntitle: Gate\nchanged: ${changed}\n---\n${words} {#${line}}\n`;
  const [then, later] = ['2026-03-09T08:00:00.000Z', '2036-03-09T08:00:00.000Z'];
  await taken(await zipped({ 'Mill/Gate.md': said('Seven boards of elm.', then) }));
  expect(await taken(await zipped({ 'Mill/Gate.md': said('Seven boards of elm.', later) }))).toMatchObject({
    left: 1,
    pages: 0,
    remarks: [],
  });
  const other = await taken(await zipped({ 'Mill/Gate.md': said('Eight boards of oak.', later) }));
  expect(other).toMatchObject({ left: 0, pages: 1 });
  expect(other.remarks).toEqual([
    { path: 'Mill/Gate.md', what: 'Its id is in use already; it came in under another.' },
  ]);
  for (const words of ['Seven boards', 'Eight boards']) {
    expect(
      ((await ines.get(`/find?q=${encodeURIComponent(words)}`)).body as { findings: unknown[] }).findings,
    ).toHaveLength(1);
  }
  // What was changed here since is newer than what the file says.
  await server.services.documents.edit(ines.viewer, id, (document) =>
    writeBody(document, {
      type: 'doc',
      content: [{ type: 'block', attrs: { id: line }, content: [{ type: 'text', text: 'Nine boards of ash.' }] }],
    }),
  );
  const earlier = await taken(await zipped({ 'Mill/Gate.md': said('Seven boards of elm.', then) }));
  expect(earlier).toMatchObject({ left: 1, pages: 0 });
  expect(earlier.remarks).toEqual([
    { path: 'Mill/Gate.md', what: 'The page was changed here since; it was left as it is here.' },
  ]);
});

test('what is no archive, or a broken one, is refused in a sentence and leaves nothing', async () => {
  const whole = await zipped({ 'Mill/Gate.md': `${randomBytes(4_000).toString('hex')}\n`, 'Mill/Winch.md': 'Rated.' });
  const broken = Buffer.from(whole);
  broken.fill(0x55, 80, 600);
  const says = [
    await refusal(Buffer.from('no zip')),
    await refusal(whole.subarray(0, whole.length - 30)),
    await refusal(broken),
  ];
  expect(says).toEqual([
    'This is no zip file, or it is broken. Nothing was taken in.',
    'This is no zip file, or it is broken. Nothing was taken in.',
    'This zip file is broken, and can’t be read to its end. Nothing was taken in.',
  ]);
  expect((await ines.get('/notebooks')).body).toEqual([]);
  expect(readdirSync(path.join(server.folder, 'works'))).toEqual([]);
});

test('paths that lead out of the folder are left, by their names; nothing is read or written there', async () => {
  const archive = renamed(
    renamed(
      await zipped({
        'Mill/Gate.md': 'Elm. ![p](../../secret.png)',
        'aa/aa/passwd.md': 'Out.',
        'ab/etc/shadow.md': 'Out.',
      }),
      'aa/aa/',
      '../../',
    ),
    'ab/etc/',
    '/b/etc/',
  );
  const report = await taken(archive);
  expect(report.remarks).toEqual([
    { path: '../../passwd.md', what: 'Its path leads out of the folder, and it was left out.' },
    { path: 'Mill/Gate.md', what: 'The file ../../secret.png, which is not among the files.' },
  ]);
  // From the root is from the root of the zip.
  expect((await named('shadow'))!.trail.map(({ name }) => name)).toEqual(['b', 'etc']);
  expect(await named('passwd')).toBeUndefined();
});

test('zeros that unpack to gigabytes are left, whatever their size is said to be', async () => {
  const many = 300_000_000;
  const zeros = deflateRawSync(Buffer.alloc(many));
  const honest = await zipped({ 'Mill/Zeros.md': Buffer.alloc(20_000_000), 'Mill/Gate.md': 'Elm.' });
  const before = process.memoryUsage().rss;
  expect((await taken(honest)).remarks).toEqual([
    { path: 'Mill/Zeros.md', what: 'The file is larger than 4 MB, and was left out.' },
  ]);
  // One that says it is small: the size it says stands in the place of the one it has.
  const lying = renamedSize(await zippedRaw('Mill/Lie.md', zeros, many), many, 100);
  const answer = await send(lying);
  expect([200, 400]).toContain(answer.status);
  expect(await named('Lie')).toBeUndefined();
  expect(process.memoryUsage().rss - before).toBeLessThan(250_000_000);
});

/** An archive of one file that is packed already. */
async function zippedRaw(name: string, packed: Buffer, size: number): Promise<Buffer> {
  const local = Buffer.alloc(30);
  local.writeUInt32LE(0x04034b50, 0);
  local.writeUInt16LE(20, 4);
  local.writeUInt16LE(8, 8);
  local.writeUInt32LE(packed.length, 18);
  local.writeUInt32LE(size, 22);
  local.writeUInt16LE(name.length, 26);
  const central = Buffer.alloc(46);
  central.writeUInt32LE(0x02014b50, 0);
  central.writeUInt16LE(20, 4);
  central.writeUInt16LE(20, 6);
  central.writeUInt16LE(8, 10);
  central.writeUInt32LE(packed.length, 20);
  central.writeUInt32LE(size, 24);
  central.writeUInt16LE(name.length, 28);
  const end = Buffer.alloc(22);
  end.writeUInt32LE(0x06054b50, 0);
  end.writeUInt16LE(1, 8);
  end.writeUInt16LE(1, 10);
  end.writeUInt32LE(46 + name.length, 12);
  end.writeUInt32LE(30 + name.length + packed.length, 16);
  return Promise.resolve(Buffer.concat([local, Buffer.from(name), packed, central, Buffer.from(name), end]));
}

function renamedSize(archive: Buffer, from: number, to: number): Buffer {
  const [was, is] = [Buffer.alloc(4), Buffer.alloc(4)];
  was.writeUInt32LE(from);
  is.writeUInt32LE(to);
  for (let at = archive.indexOf(was); at >= 0; at = archive.indexOf(was, at + 4)) is.copy(archive, at);
  return archive;
}

test('forty levels and names of 255 bytes come in; a cycle of what an account says does no harm', async () => {
  const deep = `${Array.from({ length: 40 }, (_each, index) => `L${index}`).join('/')}/Leaf.md`;
  const long = `${'水'.repeat(84)}.md`;
  const [one, two, round, about] = [newId(), newId(), newId(), newId()];
  const account = {
    format: 'glossarion account',
    version: 1,
    account: newId(),
    entries: [
      { id: one, mergedInto: two, templateId: newId() },
      { id: two, mergedInto: one },
    ],
    tags: [
      { id: round, parentId: about, name: 'round' },
      { id: about, parentId: round, name: 'about', mergedInto: round },
    ],
    pins: [newId()],
  };
  const report = await taken(
    await zipped({
      [deep]: 'Deep.',
      [`Mill/${long}`]: 'Long.',
      'Mill/One.md': `---\nid: ${one}\n---\n#round\n`,
      'account.json': JSON.stringify(account),
    }),
  );
  expect(report.remarks).toEqual([]);
  expect((await named('Leaf'))!.trail).toHaveLength(40);
  expect(await named('水'.repeat(84))).toBeDefined();
});

test('what an account says is left when it is not in the form of one; its pages come in', async () => {
  for (const account of ['{', '[]', '{"format":"glossarion account","version":99}', '{"format":"other"}']) {
    const report = await taken(await zipped({ [`Mill ${newId()}/Gate.md`]: 'Elm.', 'account.json': account }));
    expect(report.pages).toBe(1);
    expect(report.remarks).toHaveLength(1);
    expect(report.remarks[0]!.what).toMatch(/left out/u);
  }
});

test('settings, tags and kinds that make no sense break nothing', async () => {
  const tag = { id: newId(), parentId: null, name: 'oak', body: { type: 'doc', content: [{ type: 'nonsense' }] } };
  const said = { format: 'glossarion account', version: 1, account: newId() };
  const settings = { timeZone: 'Nowhere/Land', letters: 'no', desk: 7, constructor: 1, other: true };
  await taken(
    await zipped({ 'Mill/Gate.md': '#oak', 'account.json': JSON.stringify({ ...said, tags: [tag], settings }) }),
  );
  expect((await ines.get('/settings').expect(200)).body).toEqual({});
  const [oak] = (await ines.get('/tags').expect(200)).body as { id: string }[];
  await ines.get(`/pages/${oak!.id}`);
  const field = {
    id: newId(),
    kindId: newId(),
    name: 'x',
    type: 'nonsense',
    order: 'a0',
    unit: '',
    choices: [],
    ofKind: null,
    isDeleted: false,
  };
  const report = await taken(
    await zipped({ 'Yard/Oak.md': 'Butt.', 'account.json': JSON.stringify({ ...said, fields: [field] }) }),
  );
  expect(report.remarks[0]!.what).toMatch(/not in the form of an account/u);
  await ines.get('/kinds').expect(200);
});

test('all that takes long is listed with what came of it, by its own account alone, and can be stopped', async () => {
  const tomas = await server.person('Tomas');
  const many = Object.fromEntries(
    Array.from({ length: 400 }, (_each, index) => [
      `Mill/Part ${index % 9}/Page ${index}.md`,
      `Line ${index}.\n\n`.repeat(20),
    ]),
  );
  const id = newId();
  const sent = send(await zipped(many), id).then((answer) => answer);
  const works = async (who = ines) => (await who.get('/works').expect(200)).body as Work[];
  while (!(await works()).some(({ done }) => done > 0)) await new Promise((resolve) => setTimeout(resolve, 2));
  expect(await works(tomas)).toEqual([]);
  await tomas.delete(`/works/${id}`).expect(404);
  await ines.delete(`/works/${id}`).expect(204);
  expect((await sent).status).toBe(409);
  expect(await works()).toMatchObject([{ id, sort: 'in', name: 'notes.zip', state: 'stopped', canTakeBack: false }]);
  expect((await ines.get('/notebooks')).body).toEqual([]);
  await ines.delete(`/works/${id}`).expect(204);
  expect(await works()).toEqual([]);
});

test('an export that is stopped leaves nothing, at whatever moment', async () => {
  const files = Array.from({ length: 300 }, (_each, index) => ({
    path: `Mill/P ${index}.md`,
    text: `Line ${index}.\n\n`.repeat(8),
  }));
  await ines.post('/imports', { files }).expect(200);
  for (let turn = 0; turn < 12; turn += 1) {
    const id = newId();
    await ines.post('/exports', { id, of: null }).expect(200);
    await new Promise((resolve) => setTimeout(resolve, turn * 12));
    const { state } = (await ines.get(`/works/${id}`).expect(200)).body as Work;
    await ines.delete(`/works/${id}`).expect(204);
    if (state !== 'running') continue;
    for (;;) {
      const work = server.services.works.list(ines.viewer).find((each) => each.id === id);
      if (!work || work.state !== 'running') break;
      await new Promise((resolve) => setTimeout(resolve, 2));
    }
    await ines.get(`/works/${id}/file`).expect(404);
  }
  expect(readdirSync(path.join(server.folder, 'works'))).toEqual([]);
});

test('what a server that ended has left is gone at the next start', async () => {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'glossarion-'));
  const first = await makeServer(folder);
  await first.stop();
  writeFileSync(path.join(folder, 'works', newId()), 'half');
  const next = await makeServer(folder);
  expect(readdirSync(path.join(folder, 'works'))).toEqual([]);
  await next.stop();
});
