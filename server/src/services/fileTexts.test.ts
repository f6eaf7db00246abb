import { readFileSync } from 'node:fs';
import { deflateSync } from 'node:zlib';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import request from 'supertest';
import type { Act } from '@glossarion/core/acts';
import { block, newId, type NodeJson } from '@glossarion/core/document';
import type { Found, FoundCounts } from '@glossarion/core/find';
import { fileText } from '../threads/fileText';
import { Threads } from '../threads/threads';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';
import { piecesOf } from '../testing/pieces';
import { AttachmentTextEntity } from '../entities';
import type { Attachment } from './attachments';
import { checkData } from './checkData';

const root = path.resolve(__dirname, '../../..');
const report = readFileSync(path.join(root, 'demo/files/Culvert report.pdf'));

let server: TestedServer;
let ines: Person;
beforeAll(async () => {
  server = await makeServer();
});
afterAll(() => server.stop());
beforeEach(async () => {
  ines = await server.person();
});

const attach = async (who: Person, name: string, content: string) =>
  (
    await request(server.url)
      .post(`/api/files?name=${encodeURIComponent(name)}`)
      .set('Cookie', who.cookie)
      .set('Origin', server.url)
      .set('Content-Type', 'application/octet-stream')
      .send(Buffer.from(content))
      .expect(200)
  ).body as Attachment;

const nodeOf = ({ id, name, media, size }: Attachment): NodeJson & { attrs: { id: string } } => ({
  type: 'file',
  attrs: { id: newId(), depth: 0, tint: null, file: id, name, caption: '', media, size },
});

const act = (who: Person, ...acts: Act[]) => who.post('/acts', { acts }).expect(200);

async function page(who: Person, name: string, ...nodes: NodeJson[]): Promise<string> {
  const [notebook, id] = [newId(), newId()];
  await act(
    who,
    { do: 'make', id: notebook, kind: 'notebook', parentId: null, name: 'Saltmere' },
    { do: 'make', id, kind: 'page', parentId: notebook, name },
    { do: 'putBlocks', id, afterId: null, nodes: [block('paragraph', 'As it was.'), ...nodes] },
  );
  return id;
}

async function found(who: Person, line: string): Promise<string[][]> {
  await server.services.background.idle();
  const { findings } = (await who.get(`/find?q=${encodeURIComponent(line)}`).expect(200)).body as Found;
  return findings.map(({ title, lines }) => [
    title,
    ...lines.map(({ pieces }) => pieces.map(({ text, isMarked }) => (isMarked ? `[${text}]` : text)).join('')),
  ]);
}

test('what is written in a PDF is read page by page, in a thread', async () => {
  const threads = new Threads(pathToFileURL(path.join(root, 'server/dist/thread.mjs')));
  try {
    const read = await threads.run(
      'fileText',
      { media: 'application/pdf', bytes: new Uint8Array(report) },
      { within: 60_000 },
    );
    expect(read.text).toMatch(/Efflorescence\sstands on the north haunch/u);
    expect(read.words).toContain(' equinoctial springs ');
    const half = { media: 'application/pdf', bytes: new Uint8Array(report.subarray(0, 90)) };
    await expect(threads.run('fileText', half, { within: 60_000 })).rejects.toMatchObject({
      message: expect.any(String),
    });
  } finally {
    await threads.close();
  }
});

/** A PDF of one page whose text is nothing but so many million spaces. */
function unpacking(millions: number): Uint8Array {
  const text = deflateSync(Buffer.alloc(millions * 1_000_000, 32));
  const parts = [
    '<< /Type /Catalog /Pages 2 0 R >>',
    '<< /Type /Pages /Kids [3 0 R] /Count 1 >>',
    '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Resources << >> /Contents 4 0 R >>',
    `<< /Length ${text.length} /Filter /FlateDecode >>\nstream\n${text.toString('latin1')}\nendstream`,
  ].map((part, index) => `${index + 1} 0 obj\n${part}\nendobj\n`);
  return new Uint8Array(
    Buffer.from(`%PDF-1.4\n${parts.join('')}trailer\n<< /Size 5 /Root 1 0 R >>\n%%EOF\n`, 'latin1'),
  );
}

test('a small file that unpacks to any size ends its own thread, and others are read after it', async () => {
  const threads = new Threads(pathToFileURL(path.join(root, 'server/dist/thread.mjs')));
  const read = (bytes: Uint8Array) =>
    threads.run('fileText', { media: 'application/pdf', bytes }, { within: 120_000, growth: 150_000_000 });
  try {
    const bomb = unpacking(1_500);
    expect(bomb.length).toBeLessThan(2_000_000);
    await expect(read(bomb)).rejects.toMatchObject({ name: 'Overdone' });
    expect((await read(new Uint8Array(report))).words).toContain(' efflorescence ');
  } finally {
    await threads.close();
  }
});

test('a file whose reading came to no end is read once more, and then left', async () => {
  const file = await attach(ines, 'report.txt', 'The springing of the arch');
  await page(ines, 'Culvert', nodeOf(file));
  const came = async (tries: number) => {
    await server.services.background.idle();
    await server.services.database.write((manager) =>
      manager.update(AttachmentTextEntity, { fileId: file.id }, { text: '', words: '', tries }),
    );
    await attach(ines, `${tries}.txt`, `Something else ${tries}`);
    await server.services.background.idle();
    return server.row<{ words: string }>('SELECT words FROM attachmentTexts WHERE fileId = ?', file.id)!.words.trim();
  };
  expect(await came(1)).toBe('the springing of the arch');
  expect(await came(2)).toBe('');
});

test('the words of a text are kept in the way it was written', async () => {
  const bytes = Buffer.from('\ufeffM\u00fchle und Rad', 'utf16le');
  expect((await fileText({ media: 'text/plain', bytes })).text).toBe('Mühle und Rad');
});

test('a page is found by what is written in a file it shows, together with its title, at the line of the file', async () => {
  const file = await attach(ines, 'report.txt', `${'Nothing of note. '.repeat(60)}The haunch is soft.`);
  const node = nodeOf(file);
  await page(ines, 'Culvert', node);
  expect(await found(ines, 'haunch')).toEqual([
    ['Culvert', expect.stringMatching(/^report\.txt: .*The \[haunch\] is soft\.$/u)],
  ]);
  expect((await found(ines, 'culvert haunch ')).map(([title]) => title)).toEqual(['Culvert']);
  expect((await found(ines, '"soft haunch" ')).length).toBe(0);
  const { findings } = (await ines.get('/find?q=haunch')).body as Found;
  expect(findings[0]!.blockId).toBe(node.attrs.id);
});

test('F1 a page is found where one word stands on it and another in a file it shows', async () => {
  const file = await attach(ines, 'report.txt', `${'Nothing of note. '.repeat(60)}The haunch is soft.`);
  const other = await attach(ines, 'other.txt', 'The haunch is hard.');
  await page(ines, 'Culvert', block('paragraph', 'Tomas looked at it in spring.'), nodeOf(file));
  await page(ines, 'Arch', block('paragraph', 'Edda looked at it.'), nodeOf(other));
  await page(ines, 'Spring', block('paragraph', 'Nothing of it.'));
  expect(await found(ines, 'tomas haunch ')).toEqual([
    ['Culvert', '[Tomas] looked at it in spring.', expect.stringContaining('The [haunch] is soft.')],
  ]);
  // As it is typed, with a slip, with a form, with another word missing, in a place, none of all.
  expect((await found(ines, 'haun toma')).map(([title]) => title)).toEqual(['Culvert']);
  expect((await found(ines, 'looked haucnh ')).map(([title]) => title).sort()).toEqual(['Arch', 'Culvert']);
  expect((await found(ines, 'looks haunches ')).map(([title]) => title).sort()).toEqual(['Arch', 'Culvert']);
  expect((await found(ines, 'looked haunch -edda ')).map(([title]) => title)).toEqual(['Culvert']);
  expect((await found(ines, 'looked haunch -hard ')).map(([title]) => title)).toEqual(['Culvert']);
  expect((await found(ines, 'looked haunch in:saltmere ')).map(([title]) => title).sort()).toEqual(['Arch', 'Culvert']);
  expect(await found(ines, 'tomas hard ')).toEqual([]);
  const { total } = (await ines.get('/find/counts?q=looked%20haunch%20')).body as FoundCounts;
  expect(total).toBe(2);
});

test('F1 it is found too where many pages hold all of the words and one of them in a file as well', async () => {
  const [pan, salt] = [
    await attach(ines, 'one.txt', 'The pan is cracked.'),
    await attach(ines, 'two.txt', 'Salt of 1790.'),
  ];
  const notebook = newId();
  await act(ines, { do: 'make', id: notebook, kind: 'notebook', parentId: null, name: 'Saltmere' });
  const put = async (name: string, words: string, file: Attachment) => {
    const id = newId();
    await act(
      ines,
      { do: 'make', id, kind: 'page', parentId: notebook, name },
      { do: 'putBlocks', id, afterId: null, nodes: [block('paragraph', words), nodeOf(file)] },
    );
  };
  await put('Across', 'Bags of salt.', pan);
  for (let count = 0; count < 40; count += 1) await put(`Whole ${count}`, `The salt pan ${count}.`, salt);
  await server.services.background.idle();
  const { total } = (await ines.get('/find/counts?q=salt%20pan%20')).body as FoundCounts;
  expect(total).toBe(41);
  const { found: listed } = await server.services.find.listed(ines.viewer, 'salt pan ', { by: 'newest', limit: 60 });
  expect(listed.map(({ target }) => target.title)).toContain('Across');
});

test('F1 of a file that holds two words far apart both are shown', async () => {
  const between = 'Nothing of note was seen there. '.repeat(40);
  const file = await attach(ines, 'report.txt', `The haunch is soft. ${between}The voussoirs are sound. ${between}`);
  await page(ines, 'Culvert', nodeOf(file));
  const [[, line = ''] = []] = await found(ines, 'voussoir haunch ');
  expect(line).toMatch(/^report\.txt: .*\[haunch\] is soft\..* … .*\[voussoirs\] are sound\./u);
  expect(line).not.toMatch(/… ?…/u);
});

test('it is so wherever the file goes: another page, another title, undone, in the bin, gone', async () => {
  const file = await attach(ines, 'report.txt', 'The springing of the arch');
  const node = nodeOf(file);
  const id = await page(ines, 'Culvert', node);
  await found(ines, 'x');
  await act(ines, { do: 'name', id, name: 'Drain' });
  expect((await found(ines, 'drain springing ')).map(([title]) => title)).toEqual(['Drain']);
  expect(await found(ines, 'culvert springing ')).toEqual([]);
  await act(ines, { do: 'dropBlocks', id, blockIds: [node.attrs.id] });
  expect(await found(ines, 'springing ')).toEqual([]);
  await act(ines, { do: 'putBlocks', id, afterId: null, nodes: [node] });
  expect((await found(ines, 'springing ')).map(([title]) => title)).toEqual(['Drain']);
  expect((await checkData(server.services.database)).filter(({ pageId }) => pageId === id)).toEqual([]);
  await act(ines, { do: 'bin', id });
  expect(await found(ines, 'springing ')).toEqual([]);
});

test('nobody finds what is written in the files of somebody else, whatever a page shows', async () => {
  const file = await attach(ines, 'report.txt', 'The springing of the arch');
  await page(ines, 'Culvert', nodeOf(file));
  const edda = await server.person();
  await page(edda, 'Guessed', nodeOf(file));
  expect(await found(edda, 'springing ')).toEqual([]);
  expect((await found(ines, 'springing ')).map(([title]) => title)).toEqual(['Culvert']);
});

/** What the vocabulary has of some words, and how many lines hold them. */
const counted = (...words: string[]) =>
  Object.fromEntries(
    server
      .rows<{ word: string; lines: number }>(
        `SELECT word, SUM(lines) AS lines FROM vocabulary v JOIN entries e USING (ownerId)
         WHERE e.kind = 'notebook' AND e.ownerId = '${ines.viewer.accountId}' AND word IN (${words.map((each) => `'${each}'`).join()}) GROUP BY word`,
      )
      .map(({ word, lines }) => [word, lines]),
  );

test('F3 slips and forms of what is written in files are found, and only in the files of the same account', async () => {
  const file = await attach(ines, 'report.txt', 'The haunches are soft, and efflorescence stands on both.');
  await page(ines, 'Culvert', nodeOf(file));
  const edda = await server.person();
  await page(edda, 'Elsewhere');
  const shown = (marked: string) => [['Culvert', expect.stringContaining(`[${marked}]`)]];
  expect(await found(ines, 'eflorescence ')).toEqual(shown('efflorescence'));
  expect(await found(ines, 'haunch ')).toEqual(shown('haunches'));
  const { also } = (await ines.get('/find?q=eflorescence%20')).body as Found;
  expect(also).toEqual(['efflorescence']);
  const hers = (await edda.get('/find?q=eflorescence%20')).body as Found;
  expect([hers.findings, hers.also]).toEqual([[], []]);
});

test('the words of a long file are counted piece by piece, agree at each of them, and go with the file', async () => {
  const { database, background, attachments } = server.services;
  const lines = Array.from(
    { length: 2_000 },
    (_each, at) => `The ${at % 3 ? 'voussoir' : 'sluice'} was read at low water.`,
  );
  const disagreements = async () =>
    (await checkData(database)).filter(({ pageId }) => pageId === ines.viewer.accountId);
  const countedTo = () =>
    server.row<{ countedTo: number | null }>(
      "SELECT countedTo FROM attachmentTexts t JOIN attachments a ON a.id = t.fileId WHERE t.words != '' AND name = 'long.txt'",
    )?.countedTo;
  const writePiece = database.writePiece.bind(database) as (work: unknown) => Promise<unknown>;
  const seen: (number | null | undefined)[] = [];
  const watching = jest.spyOn(database, 'writePiece').mockImplementation(async (work: unknown): Promise<never> => {
    const done = (await writePiece(work)) as never;
    const isNew = seen.length === 0 || seen.at(-1) !== countedTo();
    if (isNew) seen.push(countedTo());
    expect(await disagreements()).toEqual([]);
    if (isNew && countedTo() === 2) throw new Error('The server ends.');
    return done;
  });
  const file = await attach(ines, 'long.txt', lines.join('\n'));
  const node = nodeOf(file);
  const id = await page(ines, 'Readings', node);
  await background.idle();
  watching.mockRestore();
  expect([seen, countedTo()]).toEqual([[undefined, 0, 1, 2], 2]);
  const half = counted('voussoir', 'sluice');
  await attach(ines, 'another.txt', 'It goes on with what comes next.');
  await background.idle();
  expect(countedTo()).toBeNull();
  expect(counted('voussoir').voussoir).toBeGreaterThan(half.voussoir!);
  expect(await disagreements()).toEqual([]);

  const days = (count: number) => new Date(Date.now() + count * 86_400_000);
  await act(ines, { do: 'dropBlocks', id, blockIds: [node.attrs.id] });
  await attachments.sweep(days(30));
  await attachments.sweep(days(36));
  expect(counted('voussoir')).toHaveProperty('voussoir');
  await attachments.sweep(days(38));
  expect(counted('voussoir', 'sluice')).toEqual({});
  expect(countedTo()).toBeUndefined();
  expect(await disagreements()).toEqual([]);
});

test('others are heard between two pieces of what files are counted by, and between files that are not read', async () => {
  const lines = Array.from(
    { length: 2_000 },
    (_each, at) => `The ${at % 3 ? 'voussoir' : 'sluice'} was read at low water.`,
  );
  await server.services.background.idle();
  const long = await piecesOf(server.services, () => attach(ines, 'long.txt', lines.join('\n')));
  expect(long.pieces).toBeGreaterThan(4);
  expect(long.atOnce).toBeLessThan(3);
  const some = await piecesOf(server.services, () =>
    Promise.all(Array.from({ length: 12 }, (_each, at) => attach(ines, `${at}.bin`, `\u0000\u0001 ${at}`))),
  );
  expect(some.pieces).toBeGreaterThanOrEqual(12);
  expect(some.atOnce).toBeLessThan(3);
});
