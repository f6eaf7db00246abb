import { api } from './api';
import { ask, FRESH, store, targetOf, wantTargets } from './store';

/** Requests that wait for their answer. */
const asked: { url: string; answer: (json: unknown, status?: number) => void }[] = [];

/** Node knows no address that others go by. */
class HereRequest extends Request {
  constructor(input: RequestInfo | URL, init?: RequestInit) {
    super(typeof input === 'string' ? new URL(input, 'http://here.example').href : input, init);
  }
}

beforeEach(() => {
  globalThis.Request = HereRequest;
  asked.length = 0;
  globalThis.fetch = (request) =>
    new Promise((resolve) => {
      const answer = (json: unknown, status = 200) =>
        resolve(new Response(JSON.stringify(json), { status, headers: { 'content-type': 'application/json' } }));
      asked.push({ url: (request as Request).url, answer });
    });
});

afterAll(() => void store.dispatch(api.util.resetApiState()));

const soon = (ms = 30) => new Promise((resolve) => setTimeout(resolve, ms));
const tellOfAll = () => void store.dispatch(api.util.invalidateTags(['Outline', 'Titles']));

test('what is told of while it is asked for is answered all the same', async () => {
  const asking = ask(api.endpoints.entry.initiate('a', FRESH));
  await soon();
  tellOfAll();
  asked[0]!.answer({ id: 'a', name: 'Draft 3', trail: [] });
  expect(await asking).toMatchObject({ name: 'Draft 3' });
});

test('a link shows its title though something was told of while it was asked for', async () => {
  wantTargets(['b']);
  await soon();
  tellOfAll();
  asked[0]!.answer([{ id: 'b', pageId: 'b', title: 'Sluice gate no. 2', trail: [] }]);
  await soon();
  expect(targetOf('b')?.title).toBe('Sluice gate no. 2');
});

test('a link whose title could not be fetched is asked for again', async () => {
  wantTargets(['c']);
  await soon();
  asked[0]!.answer({ detail: 'Too much at once.' }, 503);
  await soon(1500);
  expect(asked).toHaveLength(2);
  asked[1]!.answer([{ id: 'c', pageId: 'c', title: 'Tide log', trail: [] }]);
  await soon();
  expect(targetOf('c')?.title).toBe('Tide log');
});
