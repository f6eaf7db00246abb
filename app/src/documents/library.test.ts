import * as Y from 'yjs';
import { block, text, writeBody } from '@glossarion/core/document';
import { around, bytesOf, events, shown, Socket } from '../testing/serverSocket';
import { Library } from './library';
import type { LocalStore, OutboxItem, StoredPage } from './localStore';

const base64 = (bytes: Uint8Array) => Buffer.from(bytes).toString('base64');

/** What a browser keeps, in memory. */
class Kept {
  outboxItems = new Map<number, OutboxItem>();
  pages = new Map<string, StoredPage>();
  private last = 0;
  page = async (pageId: string) => this.pages.get(pageId);
  outbox = async (pageId?: string) =>
    [...this.outboxItems]
      .map(([key, item]) => ({ key, item }))
      .filter(({ item }) => pageId === undefined || item.pageId === pageId);
  addToOutbox = async (item: OutboxItem) => {
    this.outboxItems.set((this.last += 1), item);
    return this.last;
  };
  takeFromOutbox = async (keys: readonly number[]) => keys.forEach((key) => this.outboxItems.delete(key));
  copies: unknown[] = [];
  keep = async (copy: unknown) => void this.copies.push(copy);
  dropPage = async (pageId: string) => void this.pages.delete(pageId);
  putPage = async (page: StoredPage) => void this.pages.set(page.pageId, page);
  close = () => undefined;
}

const wait = (milliseconds: number) => jest.advanceTimersByTimeAsync(milliseconds);

async function opened() {
  const kept = new Kept();
  const told = events();
  const library = new Library(kept as unknown as LocalStore, told);
  const page = library.acquire('page', null);
  await wait(10);
  expect(page.isReady).toBe(true);
  const write = (words: string) =>
    page.document.transact(() => {
      const line = page.document.getXmlFragment('body').get(0) as Y.XmlElement;
      (line.get(0) as Y.XmlText).insert(0, words);
    });
  return { kept, told, library, page, write, socket: Socket.open };
}

beforeAll(() => Object.assign(globalThis, { window: around, document: shown, WebSocket: Socket }));
beforeEach(() => {
  jest.useFakeTimers();
  shown.visibilityState = 'visible';
});
afterEach(() => jest.useRealTimers());

describe('the way of what is typed', () => {
  it('leads through the outbox to the server, and only then counts as saved', async () => {
    const { kept, told, library, write, socket } = await opened();
    write('the ');
    expect(library.isAllSent()).toBe(false);
    await wait(1);
    expect(kept.outboxItems.size).toBe(1);
    await wait(130);
    expect(socket.updates).toHaveLength(1);
    expect(told.onSaving).toHaveBeenLastCalledWith('saving');
    socket.store(socket.updates[0]!);
    await wait(1);
    expect(told.onSaving).toHaveBeenLastCalledWith('saved');
    expect(kept.outboxItems.size).toBe(0);
    expect(socket.document.getXmlFragment('body').toString()).toContain('the gate');
  });

  it('is not told of what the page was filled with', async () => {
    const { kept, library, socket } = await opened();
    await wait(500);
    expect(library.isAllSent()).toBe(true);
    expect(kept.outboxItems.size).toBe(0);
    expect(socket.updates).toEqual([]);
  });

  it('is gathered for longer when the server takes long, but sent at once when somebody waits for it', async () => {
    const { library, write, socket } = await opened();
    write('a');
    await wait(130);
    await wait(250);
    socket.store(socket.updates[0]!);
    write('b');
    await wait(600);
    expect(socket.updates).toHaveLength(1);
    void library.settle(5_000);
    await wait(1);
    expect(socket.updates).toHaveLength(2);
  });

  it('7 goes in pieces when it is long', async () => {
    const { write, socket } = await opened();
    write('long '.repeat(300_000));
    await wait(1_000);
    const pieces = socket.parts.map(({ update }) => bytesOf(update));
    expect(pieces.length).toBeGreaterThan(1);
    expect(Math.max(...socket.parts.map(({ update }) => update.length))).toBeLessThan(1_000_000);
    const [last] = socket.updates;
    const whole = Buffer.concat([...pieces, bytesOf(last!.update)]);
    socket.store({ ...last!, update: base64(new Uint8Array(whole)) });
    await wait(1);
    expect(socket.document.getXmlFragment('body').toString()).toContain('long long');
  });

  it('7 is set aside when the server would not even read it, and not sent for ever', async () => {
    const { kept, told, write, socket } = await opened();
    write('too long ');
    await wait(130);
    socket.onclose({ code: 1009 });
    await wait(5_000);
    expect(kept.copies).toEqual([expect.objectContaining({ text: expect.stringContaining('too long') })]);
    expect(told.onKept).toHaveBeenCalled();
    expect(kept.outboxItems.size).toBe(0);
  });

  it('1 waits while the server has no room, says so once, and is sent again', async () => {
    const { kept, told, write, socket } = await opened();
    write('kept ');
    await wait(130);
    const [sent] = socket.updates;
    socket.say({ type: 'wait', page: 'page', number: sent!.number, reason: 'There is no room left.' });
    expect(told.onSaving).toHaveBeenLastCalledWith('full');
    expect(told.onFull).toHaveBeenCalledTimes(1);
    expect(kept.outboxItems.size).toBe(1);
    await wait(3_200);
    expect(socket.updates).toHaveLength(2);
    socket.store(socket.updates[1]!);
    await wait(1);
    expect(told.onSaving).toHaveBeenLastCalledWith('saved');
  });

  it('is said to be heard of once the server has told what it has, or can’t be reached', async () => {
    const { library, page, socket } = await opened();
    const resolved = jest.fn();
    const hearing = async () => {
      resolved.mockClear();
      void library.hear('page', 5_000).then(resolved);
      await wait(60);
      return resolved.mock.calls.length;
    };
    expect(await hearing()).toBe(1);
    // As in a window that was opened with its own copy, before the server answers.
    page.isHeard = false;
    expect(await hearing()).toBe(0);
    socket.send(JSON.stringify({ type: 'open', page: 'page' }));
    await wait(60);
    expect(resolved).toHaveBeenCalledTimes(1);
    socket.onclose({ code: 1006 });
    expect([page.isHeard, await hearing()]).toEqual([false, 1]);
    library.close();
  });

  it('brings this browser’s copy up to date when the writing rests, or the window is left', async () => {
    const { kept, write, page } = await opened();
    await wait(2_000);
    const copied = () => {
      const copy = new Y.Doc();
      Y.applyUpdate(copy, kept.pages.get('page')!.state);
      return copy.getXmlFragment('body').toString();
    };
    write('one ');
    await wait(1_000);
    write('two ');
    await wait(1_000);
    expect(copied()).not.toContain('one');
    await wait(300);
    expect(copied()).toContain('two one gate');
    writeBody(page.document, {
      type: 'doc',
      content: [{ ...block('paragraph'), content: [text('left')] }],
    });
    shown.visibilityState = 'hidden';
    shown.dispatchEvent(new Event('visibilitychange'));
    await wait(0);
    expect(copied()).toContain('left');
    expect(kept.outboxItems.size).toBeGreaterThan(0);
  });
});
