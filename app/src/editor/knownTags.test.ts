import { api } from '../state/api';
import { accountLeft, store, targetOf } from '../state/store';
import { knownTag, prepareTags } from './knownTags';

const soon = () => new Promise((resolve) => setTimeout(resolve, 20));
const tag = (id: string, path: string) => ({ id, path, name: path, parentId: null, pigment: null });

/** Node knows no address that others go by. */
class HereRequest extends Request {
  constructor(input: RequestInfo | URL, init?: RequestInit) {
    super(typeof input === 'string' ? new URL(input, 'http://here.example').href : input, init);
  }
}

let asked = 0;
beforeEach(() => {
  asked = 0;
  store.dispatch(accountLeft());
  globalThis.Request = HereRequest;
  globalThis.fetch = () => {
    asked += 1;
    const tags = [tag('i', 'Iron'), tag('w', 'Iron/wrought')];
    const headers = { 'content-type': 'application/json' };
    return Promise.resolve(new Response(JSON.stringify(tags), { headers }));
  };
});
afterAll(() => void store.dispatch(api.util.resetApiState()));

test('a tag that is begun is known by its path when it is whole, and shown by its name at once', async () => {
  expect(knownTag('iron')).toBeNull();
  prepareTags();
  await soon();
  expect(knownTag('IRON/Wrought')).toBe('w');
  expect(targetOf('w')).toMatchObject({ kind: 'tag', title: 'Iron/wrought', state: 'written' });
  expect(knownTag('wrought')).toBeNull();
  prepareTags();
  expect(asked).toBe(1);
});

test('what was listed a while ago is not trusted: a tag may be called otherwise by now', async () => {
  prepareTags();
  await soon();
  const now = Date.now();
  const clock = jest.spyOn(Date, 'now').mockReturnValue(now + 60_000);
  expect(knownTag('Iron')).toBeNull();
  clock.mockRestore();
});

test('the tags of an account are not those of the next', async () => {
  prepareTags();
  await soon();
  store.dispatch(accountLeft());
  expect(knownTag('Iron')).toBeNull();
});
