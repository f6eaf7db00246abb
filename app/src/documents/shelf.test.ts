import { api } from '../state/api';
import { store } from '../state/store';
import { around, shown, Socket } from '../testing/serverSocket';
import type { LocalStore } from './localStore';
import { Shelf } from './shelf';

/** The addresses that were asked for; nobody answers. */
const asked: string[] = [];

/** Node knows no address that others go by. */
class HereRequest extends Request {
  constructor(input: RequestInfo | URL, init?: RequestInit) {
    super(typeof input === 'string' ? new URL(input, 'http://here.example').href : input, init);
  }
}

const nothingKept = {
  keptCopies: async () => [],
  outbox: async () => [],
  drafts: async () => [],
  close: () => undefined,
} as unknown as LocalStore;

const until = async (holds: () => boolean) => {
  for (const end = Date.now() + 10_000; !holds() && Date.now() < end;)
    await new Promise((resolve) => setTimeout(resolve, 10));
};

beforeAll(() =>
  Object.assign(globalThis, {
    window: around,
    document: shown,
    WebSocket: Socket,
    Request: HereRequest,
    fetch: (request: Request) =>
      new Promise((_answer, reject) => {
        asked.push(new URL(request.url).pathname);
        request.signal.addEventListener('abort', () => reject(request.signal.reason as Error));
      }),
  }),
);
afterAll(() => void store.dispatch(api.util.resetApiState()));

test('X8 what is asked while the way is cut and nobody answers is asked again when the server is back', async () => {
  const shelf = new Shelf('ines', nothingKept);
  await until(() => Socket.open?.readyState === 1);
  // The server is not there until something was asked, however long that takes.
  Socket.isThere = false;
  Socket.open.onclose({ code: 1006 });
  const asking = store.dispatch(api.endpoints.contents.initiate('mill'));
  await until(() => asked.length > 0);
  expect(asked).toHaveLength(1);
  Socket.isThere = true;
  await until(() => asked.length > 1);
  expect(asked).toEqual(['/api/entries/mill/contents', '/api/entries/mill/contents']);
  asking.unsubscribe();
  shelf.close();
});
