import 'fake-indexeddb/auto';
import * as Y from 'yjs';
import { block, seedDocument } from '@glossarion/core/document';
import { around, documentOf, events, shown, Socket } from '../testing/serverSocket';
import type { PageAhead, SocketAhead } from './ahead';
import { Library } from './library';
import { LocalStore } from './localStore';

/** What a browser keeps for itself, in a real store: across windows that end, servers that refuse, and cut networks. */

const settle = () => new Promise((resolve) => setImmediate(resolve));
/** Lets time pass in steps, between which the store does its work. */
async function wait(milliseconds: number): Promise<void> {
  for (let passed = 0; passed < milliseconds; passed += 10) {
    await jest.advanceTimersByTimeAsync(10);
    for (let each = 0; each < 12; each += 1) await settle();
  }
}
const words = (document: Y.Doc) => document.getXmlFragment('body').toString();
/** A server’s page, the same whenever it is asked for. */
function seeded(line: string): () => Y.Doc {
  const update = seedDocument('page', '', { type: 'doc', content: [block('paragraph', line)] });
  return () => documentOf(update);
}

let account = '';
/** A socket that was opened before the app was here, and what came over it. */
async function openAhead(): Promise<SocketAhead> {
  const socket = new Socket() as unknown as WebSocket;
  const way: SocketAhead = { socket, heard: [], asked: null };
  socket.onmessage = ({ data }) => way.heard.push(String(data));
  await wait(10);
  return way;
}
const nothingOf = (id: string): PageAhead => ({ id, day: null, stored: undefined, outbox: [] });

const libraries: Library[] = [];

async function openWindow(pageId = 'page', day: string | null = null) {
  const store = await LocalStore.open(account);
  const told = events();
  const library = new Library(store, told);
  libraries.push(library);
  const page = library.acquire(pageId, day);
  await wait(50);
  const write = (typed: string) =>
    page.document.transact(() => {
      const line = page.document.getXmlFragment('body').get(0) as Y.XmlElement;
      const first = line.get(0) as Y.XmlText | undefined;
      if (first) first.insert(0, typed);
      else line.insert(0, [new Y.XmlText(typed)]);
    });
  return { store, told, library, page, write };
}

/** The server stores what it is sent, until nothing more comes. */
async function storeAll(): Promise<void> {
  for (let each = 0; each < 10; each += 1) {
    Socket.open.updates.splice(0).forEach((sent) => Socket.open.store(sent));
    await wait(300);
  }
}

let isHealthy = true;
beforeAll(() =>
  Object.assign(globalThis, {
    window: around,
    document: shown,
    WebSocket: Socket,
    fetch: () => (isHealthy ? Promise.resolve({}) : Promise.reject(new Error('cut'))),
  }),
);
let number = 0;
beforeEach(() => {
  jest.useFakeTimers({ doNotFake: ['setImmediate', 'queueMicrotask'] });
  account = `account ${(number += 1)}`;
  Object.assign(Socket, { isThere: true, epoch: 1, begins: seeded('gate') });
  isHealthy = true;
});
afterEach(() => {
  libraries.splice(0).forEach((library) => library.close());
  jest.useRealTimers();
});

test('S2 what was typed and not stored is there in the next window, and reaches the server once', async () => {
  const first = await openWindow();
  first.write('lost? ');
  await wait(20);
  first.library.close();
  await wait(20);
  const next = await openWindow();
  expect(words(next.page.document)).toContain('lost? gate');
  await wait(300);
  await storeAll();
  expect(words(Socket.open.document)).toBe(words(next.page.document));
  expect(await next.store.outbox()).toEqual([]);
  expect(next.told.onSaving).toHaveBeenLastCalledWith('saved');
});

test('S2 what the server refuses is set aside with its words, and the page starts afresh', async () => {
  const { store, told, page, write } = await openWindow();
  write('odd ');
  await wait(200);
  const [sent] = Socket.open.updates;
  Socket.open.say({ type: 'refused', page: 'page', number: sent!.number, reason: 'A line has no kind.' });
  await wait(100);
  expect(await store.keptCopies()).toEqual([expect.objectContaining({ text: 'odd ', reason: 'A line has no kind.' })]);
  expect(told.onKept).toHaveBeenCalledTimes(1);
  expect(await store.outbox()).toEqual([]);
  expect(words(page.document)).not.toContain('odd');
  const [copy] = await store.keptCopies();
  await store.keep({ ...copy!, id: undefined, text: 'more' });
  expect((await store.keptCopies()).map(({ text }) => text)).toEqual(['odd more']);
  await store.dropKept(copy!.id!);
  expect(await store.keptCopies()).toEqual([]);
});

test('S2 a page that was built anew elsewhere is shown anew; what was typed on the old one is kept apart', async () => {
  const first = await openWindow();
  await wait(2_000);
  expect((await first.store.page('page'))?.epoch).toBe(1);
  Socket.isThere = false;
  Socket.open.onclose({ code: 1006 });
  first.write('meanwhile ');
  await wait(1_000);
  expect(first.told.onSaving).toHaveBeenLastCalledWith('offline');
  Object.assign(Socket, { isThere: true, epoch: 2, begins: seeded('gate, built anew') });
  await wait(4_000);
  expect(words(first.page.document)).toContain('gate, built anew');
  expect(words(first.page.document)).not.toContain('meanwhile');
  expect((await first.store.keptCopies()).map(({ text }) => text)).toEqual(['meanwhile ']);
  expect(first.page.epoch).toBe(2);
});

test('J1 a day is begun without the server, and counts once something was written on it', async () => {
  Socket.isThere = false;
  const { store, page, write } = await openWindow('01a21b7a-18dd-7154-b4fa-361e4dce91c7', '2026-03-09');
  expect(page.isReady).toBe(false);
  await wait(3_000);
  expect(page.isReady).toBe(true);
  expect(await store.outbox()).toEqual([]);
  write('low water at six ');
  await wait(50);
  expect(await store.outbox()).toHaveLength(1);
  Object.assign(Socket, { isThere: true, begins: () => new Y.Doc() });
  await wait(3_000);
  const [sent] = Socket.open.updates;
  Socket.open.store(sent!);
  await wait(20);
  expect(words(Socket.open.document)).toContain('low water at six');
});

test('X8 a network that is cut without a word is told of within three seconds; what was sent is sent again', async () => {
  const { told, write, store } = await openWindow();
  write('cut ');
  await wait(150);
  expect(Socket.open.updates).toHaveLength(1);
  const cut = Socket.open;
  isHealthy = false;
  Socket.isThere = false;
  expect(told.onSaving).toHaveBeenLastCalledWith('saving');
  await wait(2_800);
  expect(told.onSaving).toHaveBeenLastCalledWith('offline');
  isHealthy = true;
  Socket.isThere = true;
  await wait(3_000);
  expect(Socket.open).not.toBe(cut);
  expect(told.onBack).toHaveBeenCalledTimes(1);
  await storeAll();
  expect(words(Socket.open.document)).toContain('cut gate');
  expect(told.onSaving).toHaveBeenLastCalledWith('saved');
  expect(await store.outbox()).toEqual([]);
});

test('X8 a socket that was dropped on the way, as while a phone slept, is opened anew though the server is there', async () => {
  const { told, write, store } = await openWindow();
  write('slept ');
  await wait(150);
  const dropped = Socket.open;
  await wait(12_000);
  expect(Socket.open).not.toBe(dropped);
  expect(told.onBack).toHaveBeenCalledTimes(1);
  await storeAll();
  expect(words(Socket.open.document)).toContain('slept gate');
  expect(await store.outbox()).toEqual([]);
  expect(told.onSaving).toHaveBeenLastCalledWith('saved');
});

test('X8 a server that is only slow is waited for', async () => {
  const { told, write } = await openWindow();
  write('slow ');
  await wait(6_000);
  expect(told.onSaving).toHaveBeenLastCalledWith('saving');
  expect(told.onBack).not.toHaveBeenCalled();
  expect(Socket.open.updates).toHaveLength(1);
  Socket.open.store(Socket.open.updates[0]!);
  await wait(20);
  expect(told.onSaving).toHaveBeenLastCalledWith('saved');
});

test('S1 nothing of an account stays for who signs in next, but what has not reached the server', async () => {
  const { library, store, write } = await openWindow();
  await wait(2_000);
  write('unsent ');
  await wait(20);
  library.close();
  await wait(20);
  await LocalStore.retire(account);
  const again = await LocalStore.open(account);
  expect(await again.page('page')).toBeUndefined();
  expect(await again.outbox()).toHaveLength(1);
  await again.takeFromOutbox((await again.outbox()).map(({ key }) => key));
  again.close();
  await LocalStore.retire(account);
  expect((await indexedDB.databases()).map(({ name }) => name)).not.toContain(`glossarion-${account}`);
  store.close();
});

describe('what was asked for before the app was here', () => {
  test('is shown at once, over the same socket, and what is typed is stored once', async () => {
    const way = await openAhead();
    way.asked = 'page';
    way.socket.send(JSON.stringify({ type: 'open', page: 'page', day: null, vector: null }));
    expect(way.heard).toHaveLength(1);
    const before = Socket.count;
    const asked = jest.spyOn(way.socket, 'send');
    const store = await LocalStore.open(account);
    const library = new Library(store, events(), { page: nothingOf('page'), way });
    libraries.push(library);
    const page = library.acquire('page', null);
    expect(page.isReady).toBe(true);
    expect(words(page.document)).toContain('gate');
    page.document.transact(() =>
      (page.document.getXmlFragment('body').get(0) as Y.XmlElement).insert(0, [new Y.XmlText('x')]),
    );
    await wait(300);
    await storeAll();
    expect(library.isAllSent()).toBe(true);
    expect(words(Socket.open.document)).toBe(words(page.document));
    expect(Socket.count).toBe(before);
    expect(asked.mock.calls.filter(([said]) => String(said).includes('"open"'))).toEqual([]);
  });

  test('what this browser has of the page comes first, then what the server has more', async () => {
    const first = await openWindow();
    first.write('kept ');
    await wait(1_500);
    await storeAll();
    first.library.close();
    const reopened = await LocalStore.open(account);
    const stored = await reopened.page('page');
    expect(stored).toBeDefined();
    const server = Socket.open.document;
    Socket.begins = () => server;
    const way = await openAhead();
    const library = new Library(reopened, events(), { page: { ...nothingOf('page'), stored }, way });
    libraries.push(library);
    const page = library.acquire('page', null);
    expect(page.isReady).toBe(true);
    expect(words(page.document)).toContain('kept gate');
    await wait(50);
    expect(words(page.document).match(/kept gate/gu)).toHaveLength(1);
  });

  test('a socket that closed meanwhile is opened again', async () => {
    const way = await openAhead();
    (way.socket as unknown as Socket).readyState = 3;
    const before = Socket.count;
    const store = await LocalStore.open(account);
    const library = new Library(store, events(), { page: nothingOf('page'), way });
    libraries.push(library);
    const page = library.acquire('page', null);
    await wait(50);
    expect(Socket.count).toBe(before + 1);
    expect(page.isReady).toBe(true);
    expect(words(page.document)).toContain('gate');
  });
});
