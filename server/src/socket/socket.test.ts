import WebSocket from 'ws';
import * as Y from 'yjs';
import { newId, ownWords, readBody, SCHEMA_VERSION, writeBody, type BodyJson } from '@glossarion/core/document';
import { dayId } from '@glossarion/core/journal';
import { readTold } from '@glossarion/core/notices';
import { makeServer, notes, type Person, type TestedServer } from '../testing/makeServer';
import { checkData } from '../services/checkData';
import type { ServerMessage } from '@glossarion/core/messages';

let server: TestedServer;
let ines: Person;
let pageId: string;
const opened: SocketWindow[] = [];

beforeEach(async () => {
  server = await makeServer();
  ines = await server.person();
  await ines.post('/imports', { files: notes }).expect(200);
  const names = (await ines.get('/names?q=pintle')).body as { id: string; title: string }[];
  pageId = names.find((each) => each.title === 'Pintle')!.id;
});
afterEach(async () => {
  opened.splice(0).forEach((each) => each.socket.close());
  expect(await checkData(server.services.database)).toEqual([]);
  await server.stop();
});

const base64 = (bytes: Uint8Array) => Buffer.from(bytes).toString('base64');
const bytes = (words: string) => new Uint8Array(Buffer.from(words, 'base64'));

/** A window as the app opens one, over a real socket. */
class SocketWindow {
  document = new Y.Doc();
  epoch = 0;
  closedWith: number | null = null;
  private heard: ServerMessage[] = [];
  private waiting: (() => void)[] = [];

  constructor(readonly socket: WebSocket) {
    socket.on('message', (data) => {
      const message = JSON.parse(String(data)) as ServerMessage;
      if (message.type === 'state' || message.type === 'update') Y.applyUpdate(this.document, bytes(message.update));
      if (message.type === 'state') this.epoch = message.epoch;
      this.heard.push(message);
      this.waiting.splice(0).forEach((wake) => wake());
    });
    socket.on('close', (code) => {
      this.closedWith = code;
      this.waiting.splice(0).forEach((wake) => wake());
    });
  }

  say = (message: object) => this.socket.send(JSON.stringify(message));

  /** Waits for a message of a kind, and takes it and those before it away. */
  async hear<T extends ServerMessage['type']>(type: T): Promise<Extract<ServerMessage, { type: T }>> {
    for (;;) {
      const index = this.heard.findIndex((each) => each.type === type);
      if (index >= 0) return this.heard.splice(0, index + 1).at(-1) as Extract<ServerMessage, { type: T }>;
      if (this.closedWith !== null) throw new Error(`closed with ${this.closedWith}`);
      await new Promise<void>((wake) => this.waiting.push(wake));
    }
  }

  async open(page = pageId, day: string | null = null): Promise<void> {
    this.say({ type: 'open', page, day });
    await this.hear('state');
  }

  /** Changes the page and sends what changed. */
  change(number: number, edit: (body: BodyJson) => BodyJson, page = pageId, day: string | null = null): void {
    const before = Y.encodeStateVector(this.document);
    writeBody(this.document, edit(readBody(this.document)));
    const update = base64(Y.encodeStateAsUpdate(this.document, before));
    this.say({ type: 'update', page, day, epoch: this.epoch, number, update });
  }

  words = () => readBody(this.document).content.map(ownWords);
}

async function openSocket(): Promise<SocketWindow> {
  const socket = new WebSocket(`${server.url.replace('http', 'ws')}/api/socket?schema=${SCHEMA_VERSION}`, {
    headers: { Origin: server.url, Cookie: ines.cookie },
  });
  const window = new SocketWindow(socket);
  opened.push(window);
  await new Promise((resolve) => socket.on('open', resolve));
  return window;
}

const saying =
  (words: string) =>
  (body: BodyJson): BodyJson => ({
    ...body,
    content: body.content.map((node, index) =>
      index === 0 ? { ...node, content: [{ type: 'text', text: words }] } : node,
    ),
  });

test('what one window writes is stored before it is said to be saved, and reaches the other', async () => {
  const [one, other] = [await openSocket(), await openSocket()];
  await one.open();
  await other.open();
  one.change(7, saying('Worn on one side.'));
  expect(await one.hear('saved')).toEqual({ type: 'saved', page: pageId, number: 7 });
  const { body } = (await ines.get(`/pages/${pageId}`)).body as { body: BodyJson };
  expect(body.content.map(ownWords)).toEqual(['Worn on one side.']);
  await other.hear('update');
  expect(other.words()).toEqual(one.words());
});

test('a window that has closed a page hears nothing more of its text', async () => {
  const [one, other] = [await openSocket(), await openSocket()];
  await one.open();
  await other.open();
  other.say({ type: 'close', page: pageId });
  other.say({ type: 'open', page: newId(), day: null });
  await other.hear('refused');
  one.change(1, saying('Not for all to hear.'));
  await one.hear('saved');
  await other.hear('changed');
  expect(other.words()).toEqual(['Worn, not bent.']);
});

test('a window hears first how far others had been told, by which it knows which answers are older', async () => {
  await server.services.background.idle();
  const toldBy = async () => String((await ines.get('/desk').expect(200)).headers.told);
  const before = await toldBy();
  expect((await (await openSocket()).hear('told')).told).toBe(before);
  await ines.post('/acts', { acts: [{ do: 'bin', id: pageId }] }).expect(200);
  await server.services.background.idle();
  const after = await toldBy();
  const [one, other] = [readTold(before)!, readTold(after)!];
  expect(other.since).toBe(one.since);
  expect(other.count).toBeGreaterThan(one.count);
  expect((await (await openSocket()).hear('told')).told).toBe(after);
  const somebodyElse = await server.person('Tomas');
  expect(readTold(String((await somebodyElse.get('/desk')).headers.told))!.count).toBe(0);
});

test('updates sent in one breath are stored in their order, each answered', async () => {
  const window = await openSocket();
  await window.open();
  for (let number = 1; number <= 20; number += 1) window.change(number, saying(`Reading ${number}`));
  for (let number = 1; number <= 20; number += 1) expect((await window.hear('saved')).number).toBe(number);
  const { body } = (await ines.get(`/pages/${pageId}`)).body as { body: BodyJson };
  expect(body.content.map(ownWords)).toEqual(['Reading 20']);
});

test('a window that comes back is sent only what it lacks', async () => {
  const window = await openSocket();
  await window.open();
  const vector = base64(Y.encodeStateVector(window.document));
  window.say({ type: 'open', page: pageId, day: null, vector });
  const { update } = await window.hear('state');
  expect(bytes(update).length).toBeLessThan(Y.encodeStateAsUpdate(window.document).length / 4);
});

test('what makes no document, and what comes from an epoch that is over, is refused with a reason and kept out', async () => {
  const window = await openSocket();
  await window.open();
  window.say({
    type: 'update',
    page: pageId,
    day: null,
    epoch: window.epoch,
    number: 1,
    update: base64(new Uint8Array([9, 9])),
  });
  expect(await window.hear('refused')).toMatchObject({ page: pageId, number: 1, isStale: false });
  window.epoch += 1;
  window.change(2, saying('From another time.'));
  expect(await window.hear('refused')).toMatchObject({ page: pageId, number: 2, isStale: true });
  const { body } = (await ines.get(`/pages/${pageId}`)).body as { body: BodyJson };
  expect(body.content.map(ownWords)).toEqual(['Worn, not bent.']);
});

test('a day is begun over the socket under its own id alone', async () => {
  const window = await openSocket();
  const day = '2026-03-12';
  window.say({ type: 'open', page: newId(), day });
  expect((await window.hear('refused')).reason).toMatch(/^\S.*\.$/u);
  await window.open(dayId(ines.id, day), day);
  window.change(1, saying('Rain on the roof.'), dayId(ines.id, day), day);
  await window.hear('saved');
  const written = (await ines.get('/journal/days?before=2026-03-13')).body as { day: string }[];
  expect(written.map((each) => each.day)).toContain(day);
});

test('who has signed out is heard no more', async () => {
  const window = await openSocket();
  await window.open();
  await ines.delete('/session');
  window.change(1, saying('After the door was closed.'));
  await expect(window.hear('saved')).rejects.toThrow('closed with 1008');
});
