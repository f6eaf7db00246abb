import { newId } from '@glossarion/core/document';
import { api } from './api';
import { savingChanged } from './view';
import { ask, askAgain, FRESH, store, targetOf, wantTargets } from './store';

/** Requests that wait for their answer. */
const asked: { url: string; keepalive: boolean; answer: (json: unknown, status?: number) => void }[] = [];

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
    new Promise((resolve, reject) => {
      const { signal } = request as Request;
      signal.addEventListener('abort', () => reject(signal.reason as Error));
      const answer = (json: unknown, status = 200) =>
        resolve(new Response(JSON.stringify(json), { status, headers: { 'content-type': 'application/json' } }));
      const { url, keepalive } = request as Request;
      asked.push({ url, keepalive, answer });
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

test.each([
  ['the server could not do it', (at: number) => asked[at]!.answer({ detail: 'Too much at once.' }, 503)],
  ['the answer broke off', (at: number) => asked[at]!.answer(undefined)],
  ['the server was out of reach and answered late', () => undefined],
])(
  'a link whose title could not be fetched is asked for again: %s',
  async (why, fail) => {
    store.dispatch(savingChanged('offline'));
    wantTargets([why]);
    await soon();
    fail(0);
    const until = Date.now() + 7_000;
    while (asked.length < 2 && Date.now() < until) await soon();
    expect(asked).toHaveLength(2);
    asked[1]!.answer([{ id: why, pageId: 'c', title: 'Tide log', trail: [] }]);
    await soon();
    expect(targetOf(why)?.title).toBe('Tide log');
    store.dispatch(savingChanged('saved'));
  },
  10_000,
);

test('what could not be fetched is asked for when its time has come, however often and by whomever it is wanted', async () => {
  wantTargets(['tag']);
  await soon();
  asked[0]!.answer(undefined, 503);
  for (let time = 0; time < 5; time += 1) {
    await soon();
    wantTargets(['tag', `another ${time}`]);
  }
  await soon();
  expect(asked.filter(({ url }) => url.includes('tag'))).toHaveLength(1);
  // What is wanted for the first time does not wait with it.
  expect(asked).toHaveLength(6);
  asked.slice(1).forEach(({ answer }) => answer([]));
  await askAgain(Date.now());
  await soon();
  expect(asked.at(-1)!.url).toContain('tag');
  asked.at(-1)!.answer([{ id: 'tag', pageId: 'tag', title: 'brass', trail: [] }]);
  await soon();
  expect(targetOf('tag')?.title).toBe('brass');
  // Nor is it asked for once more when that time comes.
  const { length } = asked;
  await soon(1_500);
  expect(asked).toHaveLength(length);
});

test('L7 an answer that was asked for before an act, or before another answer, does not undo what came since', async () => {
  const target = (title: string) => ({ id: 'e', pageId: 'e', title, trail: [] });
  wantTargets(['e']);
  await soon();
  wantTargets(['e']);
  await soon();
  asked[1]!.answer([target('Penstock')]);
  await soon();
  asked[0]!.answer([target('gone')]);
  await soon();
  expect(targetOf('e')?.title).toBe('Penstock');
  wantTargets(['e']);
  await soon();
  void store.dispatch(api.endpoints.acts.initiate([]));
  await soon();
  asked[3]!.answer({ undo: [], targets: [target('Penstock, oak')] });
  await soon();
  asked[2]!.answer([target('gone')]);
  await soon();
  expect(targetOf('e')?.title).toBe('Penstock, oak');
});

test('2 what is done in the moment in which a page is left is sent to its end, as far as a browser allows', async () => {
  const name = (words: string) => [{ do: 'name', id: newId(), name: words }] as const;
  for (const words of ['Penstock', 'oak '.repeat(20_000)])
    void store.dispatch(api.endpoints.acts.initiate(name(words)));
  await soon();
  expect(asked.map(({ keepalive }) => keepalive)).toEqual([true, false]);
  asked.forEach(({ answer }) => answer({ undo: [], targets: [] }));
  await soon();
});

test('L1 L7 a page that was asked for before an act, and comes after it, does not undo what the act told of a link', async () => {
  const target = (title: string) => ({ id: 'f', pageId: 'f', title, trail: [] });
  const asking = store.dispatch(api.endpoints.page.initiate('works'));
  await soon();
  void store.dispatch(api.endpoints.acts.initiate([]));
  await soon();
  const [page, act] = asked.splice(0);
  act!.answer({ undo: [], targets: [target('Penstock')] });
  await soon();
  page!.answer({ id: 'works', trail: [], targets: [target('a page that is gone')] });
  await asking;
  expect(targetOf('f')?.title).toBe('Penstock');
  asking.unsubscribe();
});

test('X8 what was missed while the server was out of reach is asked for again, what never was answered too', async () => {
  const held = store.dispatch(api.endpoints.entry.initiate('d'));
  const hanging = store.dispatch(api.endpoints.contents.initiate('d'));
  await soon();
  asked.find(({ url }) => url.endsWith('/entries/d'))!.answer({ id: 'd', name: 'Draft 3', trail: [] });
  await held;
  // Asked while the way was cut, and not known to be.
  const meanwhile = store.dispatch(api.endpoints.desk.initiate());
  await soon();
  const backAt = Date.now();
  await soon();
  const later = store.dispatch(api.endpoints.pins.initiate());
  await soon();
  const before = asked.length;
  void askAgain(backAt);
  for (const until = Date.now() + 3_000; asked.length < before + 4 && Date.now() < until;) await soon();
  // One that was asked since is still waited for.
  const paths = asked.slice(before).map(({ url }) => new URL(url).pathname);
  expect(paths).toEqual(['/api/entries/d', '/api/entries/d/contents', '/api/desk', '/api/targets']);
  asked[before]!.answer({ id: 'd', name: 'Draft 4', trail: [] });
  await soon();
  expect(api.endpoints.entry.select('d')(store.getState()).data?.name).toBe('Draft 4');
  for (const each of [held, hanging, meanwhile, later]) each.unsubscribe();
});
