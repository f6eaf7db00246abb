import type { Act } from '@glossarion/core/acts';
import { rememberAccount } from './memory';
import { dropActs, keepActs, onWaitingActs, sendWaitingActs, waitingActs } from './waitingActs';

/** What the server is asked for, and what it answers: a status, or nothing where it is out of reach. */
let mockAsked: Act[][] = [];
let mockAnswers: (number | null)[] = [];
const mockTold: string[] = [];

jest.mock('./api', () => ({
  api: { endpoints: { acts: { initiate: (acts: Act[]) => ({ acts }) } } },
  isUnreached: ({ status }: { status: unknown }) => status === 'FETCH_ERROR',
  problemSentence: () => 'It is gone.',
}));
jest.mock('./store', () => ({
  store: {
    dispatch: (action: { acts?: Act[]; payload?: { words: string } }) => {
      if (!action.acts) return void mockTold.push(action.payload!.words);
      mockAsked.push(action.acts);
      const status = mockAnswers.length > 0 ? mockAnswers.shift()! : 200;
      const refused = { status: status ?? 'FETCH_ERROR' };
      return { unwrap: () => (status === 200 ? Promise.resolve({}) : Promise.reject(refused)) };
    },
  },
}));

const ACCOUNT = { id: '01a2196a-741c-758e-875a-b5b58487b48a', name: 'Ines' };
const jot = (id: string): Act => ({ do: 'jot', id, nodes: [], at: '2026-11-28T10:00:00.000Z' });

const stored = new Map<string, string>();
let isFull = false;
beforeAll(() => {
  const storage = {
    getItem: (key: string) => stored.get(key) ?? null,
    setItem: (key: string, value: string) => {
      if (isFull) throw new Error('full');
      stored.set(key, value);
    },
    removeItem: (key: string) => void stored.delete(key),
  };
  const window = { addEventListener: () => undefined, removeEventListener: () => undefined };
  Object.assign(globalThis, { localStorage: storage, sessionStorage: storage, window, navigator: {} });
});

beforeEach(() => {
  stored.clear();
  isFull = false;
  rememberAccount(ACCOUNT);
  mockAsked = [];
  mockAnswers = [];
});

const sent = () => mockAsked.map(([act]) => act!.id);
const waiting = () => waitingActs().map(({ id }) => id);

test('what waits is sent in its order, once, and waits no more', async () => {
  for (const id of ['a', 'b', 'c']) keepActs([jot(id)]);
  await sendWaitingActs(ACCOUNT.id);
  await sendWaitingActs(ACCOUNT.id);
  expect([sent(), waiting()]).toEqual([['a', 'b', 'c'], []]);
});

test('out of reach, or with trouble at the server, it waits on, in its order', async () => {
  for (const id of ['a', 'b']) keepActs([jot(id)]);
  mockAnswers = [null];
  await sendWaitingActs(ACCOUNT.id);
  mockAnswers = [200, 507];
  await sendWaitingActs(ACCOUNT.id);
  expect(waiting()).toEqual(['b']);
  mockAnswers = [401];
  await sendWaitingActs(ACCOUNT.id);
  expect(waiting()).toEqual(['b']);
  await sendWaitingActs(ACCOUNT.id);
  expect([sent().at(-1), waiting()]).toEqual(['b', []]);
});

test('what is refused is told, and holds nothing up', async () => {
  for (const id of ['a', 'b']) keepActs([jot(id)]);
  mockAnswers = [409];
  await sendWaitingActs(ACCOUNT.id);
  expect([sent(), waiting()]).toEqual([['a', 'b'], []]);
  expect(mockTold).toEqual(['What was done without network could not be kept. It is gone.']);
});

test('what the server has already is let go of; what waits is told of to whoever shows it', () => {
  const told = jest.fn();
  const stop = onWaitingActs(told);
  const key = keepActs([jot('a')])!;
  keepActs([jot('b')]);
  dropActs(key);
  expect([waiting(), told.mock.calls.length]).toEqual([['b'], 3]);
  stop();
});

test('a browser that keeps nothing says so, and what another account left is not sent', async () => {
  keepActs([jot('a')]);
  rememberAccount({ ...ACCOUNT, id: '01a2196a-741c-758e-875a-000000000000' });
  expect(waiting()).toEqual([]);
  await sendWaitingActs('01a2196a-741c-758e-875a-000000000000');
  expect(mockAsked).toEqual([]);
  isFull = true;
  expect(keepActs([jot('b')])).toBeNull();
});
