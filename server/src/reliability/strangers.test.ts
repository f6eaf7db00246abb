import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import http from 'node:http';
import path from 'node:path';
import request from 'supertest';
import WebSocket from 'ws';
import * as Y from 'yjs';
import { block, SCHEMA_VERSION } from '@glossarion/core/document';
import { checkData } from '../services/checkData';
import type { Attachment } from '../services/attachments';
import { makeServer, notes, type Person, type TestedServer } from '../testing/makeServer';
import { until } from '../testing/until';

/** Sessions that are over, sockets that misbehave, files that are damaged. */

jest.setTimeout(300_000);

let server: TestedServer;
let ines: Person;
let pageId: string;
const sockets: WebSocket[] = [];

beforeEach(async () => {
  server = await makeServer();
  ines = await server.person('Ines');
  await ines.post('/imports', { files: notes }).expect(200);
  pageId = ((await ines.get('/names?q=pintle')).body as { id: string; title: string }[]).find(
    (each) => each.title === 'Pintle',
  )!.id;
});
afterEach(async () => {
  sockets.splice(0).forEach((socket) => socket.terminate());
  expect(await checkData(server.services.database)).toEqual([]);
  await server.stop();
});

const open = async (person: Person): Promise<{ socket: WebSocket; heard: string[]; closed: Promise<number> }> => {
  const socket = new WebSocket(`${server.url.replace('http', 'ws')}/api/socket?schema=${SCHEMA_VERSION}`, {
    headers: { Origin: server.url, Cookie: person.cookie },
  });
  sockets.push(socket);
  const heard: string[] = [];
  socket.on('message', (data) => heard.push(String(data)));
  const closed = new Promise<number>((resolve) => socket.on('close', resolve));
  await new Promise((resolve) => socket.on('open', resolve));
  socket.send(JSON.stringify({ type: 'open', page: pageId }));
  await new Promise<void>((resolve) => socket.once('message', () => resolve()));
  return { socket, heard, closed };
};

test('8 a window whose session is over is closed at once, and hears nothing more', async () => {
  const out = await open(ines);
  await ines.delete('/session').expect(204);
  expect(await out.closed).toBe(1008);

  const again = await request(server.url)
    .post('/api/session')
    .set('Origin', server.url)
    .send({ name: 'Ines', passphrase: 'tide and timber' });
  const cookie = String(again.headers['set-cookie']).split(';')[0]!;
  const soon = Date.now() + 700;
  server.services.database.writer.prepare('UPDATE sessions SET expiresAt = ?').run(new Date(soon).toISOString());
  const expired = await open({ ...ines, cookie });
  const before = expired.heard.length;
  await until(() => Date.now() > soon);
  await server.services.documents.edit(ines.viewer, pageId, (document) =>
    document.getText('title').insert(0, 'Secret '),
  );
  expect(await expired.closed).toBe(1008);
  expect(expired.heard.slice(before).join('')).not.toContain('update');
});

test('8 of many wrong passphrases at once no more are looked at than of as many in turn', async () => {
  const tries = await Promise.all(
    Array.from({ length: 28 }, () =>
      request(server.url)
        .post('/api/session')
        .set('Origin', server.url)
        .send({ name: 'Ines', passphrase: 'wrong words' }),
    ),
  );
  expect(tries.filter(({ status }) => status === 401)).toHaveLength(5);
  expect(tries.filter(({ status }) => status === 429)).toHaveLength(23);
  // Whoever is inside can still change the passphrase.
  await ines.put('/account/passphrase', { present: 'tide and timber', next: 'oak and hornbeam' }).expect(204);
});

test('11 halves of characters are replaced where one sees it', async () => {
  const sendAsWritten = (acts: string) =>
    request(server.url)
      .post('/api/acts')
      .set('Cookie', ines.cookie)
      .set('Origin', server.url)
      .type('json')
      .send(acts)
      .expect(200);
  const body = `{"acts":[{"do":"name","id":"${pageId}","name":"Pin\\ud83dtle"}]}`;
  await sendAsWritten(body);
  expect((await ines.get(`/pages/${pageId}`)).body.title).toBe('Pin\uFFFDtle');
  const node = JSON.stringify(block('paragraph', 'oakX')).replace('oakX', 'oak\\udc00');
  const put = `{"acts":[{"do":"putBlocks","id":"${pageId}","afterId":null,"nodes":[${node}]}]}`;
  await sendAsWritten(put);
});

test('11 an update nested thousands deep is refused, and the socket stays', async () => {
  const { socket, heard } = await open(ines);
  const document = new Y.Doc();
  document.transact(() => {
    let parent: Y.XmlFragment = document.getXmlFragment('body');
    for (let depth = 0; depth < 3_000; depth += 1) {
      const element = new Y.XmlElement('block');
      parent.insert(0, [element]);
      parent = element;
    }
  });
  const update = Buffer.from(Y.encodeStateAsUpdate(document)).toString('base64');
  socket.send(JSON.stringify({ type: 'update', page: pageId, day: null, epoch: 1, number: 3, update }));
  await until(() => heard.some((each) => each.includes('"refused"')));
  expect(socket.readyState).toBe(WebSocket.OPEN);
});

test('6 a window that asks and does not read costs little', async () => {
  const long = Array.from({ length: 400 }, () => block('paragraph', 'word '.repeat(600)));
  await ines.post('/acts', { acts: [{ do: 'putBlocks', id: pageId, afterId: null, nodes: long }] }).expect(200);
  const { socket } = await open(ines);
  (socket as unknown as { _socket: { pause: () => void } })._socket.pause();
  const before = process.memoryUsage().rss;
  for (let asked = 0; asked < 400; asked += 1) socket.send(JSON.stringify({ type: 'open', page: pageId }));
  await new Promise((resolve) => setTimeout(resolve, 1_500));
  expect((process.memoryUsage().rss - before) / 1e6).toBeLessThan(64);
  await ines.get('/notebooks').expect(200);
});

test('11 a socket that does not answer does not hold up the end', async () => {
  const { socket } = await open(ines);
  (socket as unknown as { _socket: { pause: () => void } })._socket.pause();
  const start = Date.now();
  await server.stop();
  expect(Date.now() - start).toBeLessThan(15_000);
  server = await makeServer(server.folder);
});

test('7 an update longer than a message goes in pieces, and one longer than a page is refused with a sentence', async () => {
  const { socket, heard } = await open(ines);
  const say = (message: object) => socket.send(JSON.stringify(message));
  const filler = Buffer.alloc(3_000_000, 1).toString('base64');
  for (let part = 0; part < 12; part += 1) say({ type: 'part', page: pageId, number: 5, update: filler });
  say({ type: 'update', page: pageId, day: null, epoch: 1, number: 5, update: filler });
  await until(() => heard.some((each) => each.includes('"refused"')));
  expect(heard.find((each) => each.includes('"refused"'))).toContain('more than a page can take');
  const document = new Y.Doc();
  for (const each of heard) {
    const message = JSON.parse(each) as { type: string; update?: string };
    if (message.type === 'state') Y.applyUpdate(document, Buffer.from(message.update!, 'base64'));
  }
  const vector = Y.encodeStateVector(document);
  const line = new Y.XmlElement('block');
  line.insert(0, [new Y.XmlText('piece '.repeat(20_000))]);
  document.getXmlFragment('body').push([line]);
  const whole = Y.encodeStateAsUpdate(document, vector);
  const half = Math.floor(whole.length / 2);
  say({ type: 'part', page: pageId, number: 6, update: Buffer.from(whole.subarray(0, half)).toString('base64') });
  say({
    type: 'update',
    page: pageId,
    day: null,
    epoch: 1,
    number: 6,
    update: Buffer.from(whole.subarray(half)).toString('base64'),
  });
  await until(() => heard.some((each) => each.includes('"number":6')));
  expect(heard.find((each) => each.includes('"number":6'))).toContain('"saved"');
});

test('10 a file that is damaged on the disk is noticed, and whole again when the same is added again', async () => {
  const send = (content: Buffer, name: string) =>
    request(server.url)
      .post(`/api/files?name=${name}`)
      .set('Cookie', ines.cookie)
      .set('Origin', server.url)
      .type('application/octet-stream')
      .send(content);
  const content = Buffer.from('a drawing of the gate');
  const { id } = (await send(content, 'gate.txt').expect(200)).body as Attachment;
  const folder = path.join(server.folder, 'files');
  const stored = (readdirSync(folder, { recursive: true }) as string[])
    .map((each) => path.join(folder, each))
    .find((each) => /[0-9a-f]{64}$/u.test(each))!;
  const spoils = [Buffer.from('a drawing of the g'), Buffer.from('a drawing of the gat€')];
  for (const spoilt of spoils) {
    writeFileSync(stored, spoilt);
    const answer = await ines.get(`/files/${id}`);
    expect([answer.status, answer.body.detail]).toEqual([410, expect.stringContaining('damaged')]);
    expect(((await send(content, 'again.txt').expect(200)).body as Attachment).name).toBe('again.txt');
    expect(readFileSync(stored).equals(content)).toBe(true);
    await ines.get(`/files/${id}`).expect(200);
  }
  rmSync(stored);
  await ines.get(`/files/${id}`).expect(410);
});

test('13 answers are problem details, a missing file is no page, and heads are told', async () => {
  writeFileSync(path.join(server.folder, 'index.html'), '<title>app</title>');
  const shown = await makeServer(undefined, { GLOSSARION_APP: server.folder });
  const ask = (address: string) => request(shown.url).get(address);
  for (const address of ['/_expo/static/js/web/entry-gone.js', '/manifest.json', '/picture.png']) {
    expect((await ask(address)).status).toBe(404);
  }
  expect((await ask('/day/2026-03-09')).text).toContain('app');
  expect((await request(shown.url).head('/desk')).status).toBe(200);
  const many = await Promise.all(
    Array.from({ length: 300 }, () => request(shown.url).post('/api/session').set('Origin', shown.url).send({})),
  );
  const limited = many.find(({ status }) => status === 429)!;
  expect(limited.headers['content-type']).toContain('application/problem+json');
  expect(limited.body).toMatchObject({ title: 'Too Many Requests', detail: expect.stringMatching(/^Too many tries/u) });
  await shown.stop();
});

test('10 a slow upload lasts as long as it moves, and one that stands still is ended', async () => {
  const slow = await makeServer(undefined, { GLOSSARION_UPLOAD_SECONDS: '0.6' });
  const tomas = await slow.person();
  const { port } = new URL(slow.url);
  const upload = (pieces: number) =>
    new Promise<number>((resolve, reject) => {
      const headers = { Cookie: tomas.cookie, Origin: slow.url, 'Content-Type': 'application/octet-stream' };
      const asked = http.request(
        { host: '127.0.0.1', port, method: 'POST', path: '/api/files?name=slow.txt', headers },
        (answer) => {
          clearInterval(sending);
          answer.resume();
          resolve(answer.statusCode!);
        },
      );
      asked.on('error', reject);
      let sent = 0;
      const sending = setInterval(() => {
        sent += 1;
        if (sent <= 5) asked.write('a piece of it');
        else if (pieces > 5) asked.end();
      }, 300);
    });
  expect(await Promise.all([upload(6), upload(5)])).toEqual([200, 408]);
  expect(readdirSync(path.join(slow.folder, 'files/incoming'))).toEqual([]);
  await slow.stop();
});
