import { existsSync, readdirSync } from 'node:fs';
import http from 'node:http';
import path from 'node:path';
import request from 'supertest';
import { block, newId } from '@glossarion/core/document';
import type { Act } from '@glossarion/core/acts';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';
import type { Attachment } from './attachments';

let server: TestedServer;
let person: Person;
beforeAll(async () => {
  server = await makeServer(undefined, { GLOSSARION_FILE_MEGABYTES: '0.2', GLOSSARION_ACCOUNT_MEGABYTES: '0.5' });
});
afterAll(() => server.stop());
beforeEach(async () => {
  person = await server.person();
});

const png = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg==',
  'base64',
);

const send = (who: Person, name: string, content: Buffer) =>
  request(server.url)
    .post(`/api/files?name=${encodeURIComponent(name)}`)
    .set('Cookie', who.cookie)
    .set('Origin', server.url)
    .set('Content-Type', 'application/octet-stream')
    .send(content);

const read = (who: Person, id: string) => who.get(`/files/${id}/name`).buffer(true);

const stored = () =>
  readdirSync(path.join(server.folder, 'files'), { recursive: true, withFileTypes: true }).filter((each) =>
    each.isFile(),
  );

test('a picture is stored once for its content, told by its content, and shown to its owner alone', async () => {
  const first = (await send(person, 'gate.png', png)).body as Attachment;
  expect(first).toMatchObject({ name: 'gate.png', media: 'image/png', size: png.length });
  expect((await send(person, 'again.txt', png)).body).toEqual({ ...first, name: 'again.txt' });
  const other = await server.person();
  const theirs = (await send(other, 'gate.png', png)).body as Attachment;
  expect(theirs.id).not.toBe(first.id);
  expect(stored()).toHaveLength(1);

  const shown = await read(person, first.id);
  expect(shown.body).toEqual(png);
  expect(shown.headers['content-type']).toBe('image/png');
  expect(shown.headers['content-disposition']).toMatch(/^inline/u);
  expect(shown.headers['x-content-type-options']).toBe('nosniff');
  expect((await read(other, first.id)).status).toBe(404);
  expect((await request(server.url).get(`/api/files/${first.id}`)).status).toBe(401);
});

test('what could run is handed over as a file or kept in a sandbox', async () => {
  const page = (await send(person, 'page.html', Buffer.from('<script>alert(1)</script>'))).body as Attachment;
  const shown = await read(person, page.id);
  expect(shown.headers['content-type']).toBe('application/octet-stream');
  expect(shown.headers['content-disposition']).toMatch(/^attachment/u);
  const drawing = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>');
  const svg = (await send(person, 'wheel.svg', drawing)).body as Attachment;
  const policy = String((await read(person, svg.id)).headers['content-security-policy']);
  expect(policy).toContain("default-src 'none'");
  expect(policy).toContain('sandbox');
});

test('a file over the limit, an account over its limit and an empty file are refused with a sentence, and leave nothing', async () => {
  const before = stored().length;
  const large = await send(person, 'large.bin', Buffer.alloc(250_000, 1));
  expect([large.status, large.body.detail]).toEqual([413, 'That file is larger than the 0.2 MB that one may have.']);
  expect((await send(person, 'empty.bin', Buffer.alloc(0))).body.detail).toBe('That file is empty.');
  for (const filling of [1, 2, 3]) await send(person, 'some.bin', Buffer.alloc(160_000, filling));
  const full = await send(person, 'more.bin', Buffer.alloc(100_000, 4));
  expect([full.status, full.body.detail]).toEqual([413, 'There is room for 0.5 MB of files, and it is used up.']);
  expect(stored()).toHaveLength(before + 3);
  expect(server.services.attachments.unfinished()).toBe(0);
});

test('an upload that is cut off leaves nothing behind', async () => {
  const before = stored().length;
  await new Promise<void>((resolve) => {
    const sent = http.request(`${server.url}/api/files?name=cut.bin`, {
      method: 'POST',
      headers: { Cookie: person.cookie, Origin: server.url, 'Content-Length': 100_000 },
    });
    sent.on('error', () => resolve());
    sent.write(Buffer.alloc(40_000, 1));
    setTimeout(() => sent.destroy(), 100);
    sent.on('close', () => resolve());
  });
  for (let tries = 0; server.services.attachments.unfinished() > 0 && tries < 400; tries += 1) {
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  expect(server.services.attachments.unfinished()).toBe(0);
  expect(stored()).toHaveLength(before);
});

test('a file goes a week after the bin lets go of the last page that shows it', async () => {
  const file = (await send(person, 'oak.png', Buffer.concat([png, Buffer.from('oak')]))).body as Attachment;
  const notebook = newId();
  const page = newId();
  const picture = {
    type: 'picture',
    attrs: { id: newId(), depth: 0, file: file.id, name: 'oak.png', alt: '', caption: '' },
  };
  const acts: Act[] = [
    { do: 'make', id: notebook, kind: 'notebook', parentId: null, name: 'Mill' },
    { do: 'make', id: page, kind: 'page', parentId: notebook, name: 'Oak' },
    { do: 'putBlocks', id: page, afterId: null, nodes: [picture, block('paragraph')] },
  ];
  expect((await person.post('/acts', { acts })).status).toBe(200);
  const days = (count: number) => new Date(Date.now() + count * 86_400_000);
  const { attachments, bin } = server.services;
  await person.post('/acts', { acts: [{ do: 'bin', id: page }] });
  await attachments.sweep(days(30));
  expect(existsSync((await attachments.visible(person.viewer, file.id)).path)).toBe(true);
  await bin.purge(person.viewer, page);
  await attachments.sweep(days(31));
  await attachments.sweep(days(37));
  expect(existsSync((await attachments.visible(person.viewer, file.id)).path)).toBe(true);
  const { path: kept } = await attachments.visible(person.viewer, file.id);
  await attachments.sweep(days(39));
  expect(existsSync(kept)).toBe(false);
  expect((await read(person, file.id)).status).toBe(404);
});
