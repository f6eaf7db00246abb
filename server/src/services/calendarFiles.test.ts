import ICAL from 'ical.js';
import request from 'supertest';
import { block, newId, pageLink, text, type NodeJson } from '@glossarion/core/document';
import { make } from '../testing/trespassing/people';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';

let server: TestedServer;
let ines: Person;
let [notebook, gate, oak] = ['', '', ''];

beforeAll(async () => {
  server = await makeServer();
});
afterAll(async () => server.stop());
beforeEach(async () => {
  ines = await server.person();
  [notebook, gate, oak] = [newId(), newId(), newId()];
  await act(
    make(notebook, 'notebook', null, 'Mill'),
    make(gate, 'page', notebook, 'Gate'),
    make(oak, 'page', notebook, 'Oak'),
  );
});

const act = async (...acts: object[]) => expect((await ines.post('/acts', { acts })).status).toBe(200);
const todo = (words: (string | NodeJson)[], attrs: object): NodeJson =>
  block(
    'todo',
    words.map((each) => (typeof each === 'string' ? text(each) : each)),
    { id: newId(), state: 'open', ...attrs },
  );
const put = (id: string, nodes: NodeJson[]) => act({ do: 'putBlocks', id, afterId: null, nodes });
const todosOf = (file: string) => new ICAL.Component(ICAL.parse(file) as never).getAllSubcomponents('vtodo');
const wordsIn = (file: string) => todosOf(file).map((each) => String(each.getFirstPropertyValue('summary')));

test('open tasks that are due go out, with the words of their links and where they stand', async () => {
  await put(gate, [
    todo(['Order ', pageLink(oak)], { due: '2026-12-01T09:30', repeat: 'FREQ=WEEKLY', priority: 'high' }),
    todo(['Some day'], {}),
    todo(['Done'], { state: 'done', due: '2026-12-01' }),
    todo(['Begun'], { state: 'begun', due: '2026-11-30' }),
  ]);
  const answer = await ines.get('/calendar/tasks');
  expect(answer.headers['content-type']).toMatch(/^text\/calendar/u);
  expect(wordsIn(answer.text)).toEqual(['Begun', 'Order Oak']);
  const [, order] = todosOf(answer.text);
  expect(String(order!.getFirstPropertyValue('description'))).toBe('Mill / Gate');
  expect(String(order!.getFirstPropertyValue('url'))).toMatch(/\/b\/[0-9a-f-]{36}$/u);
  expect(String(order!.getFirstPropertyValue('due'))).toBe('2026-12-01T09:30:00');
  expect(String(order!.getFirstPropertyValue('rrule'))).toBe('FREQ=WEEKLY');
  const uid = String(order!.getFirstPropertyValue('uid'));
  await act({ do: 'name', id: oak, name: 'Green oak' }, { do: 'place', id: gate, parentId: oak });
  const later = (await ines.get('/calendar/tasks')).text;
  expect(wordsIn(later)).toContain('Order Green oak');
  expect(todosOf(later).map((each) => String(each.getFirstPropertyValue('uid')))).toContain(uid);
  await act({ do: 'season', id: gate, season: 'aside' });
  expect(wordsIn((await ines.get('/calendar/tasks')).text)).toEqual([]);
});

test('the private address needs no session, is told once, gives one account’s tasks alone, and nothing once revoked', async () => {
  await put(gate, [todo(['Order oak'], { due: '2026-12-01' })]);
  const other = await server.person();
  expect((await other.post('/calendar/address', {})).status).toBe(200);
  expect((await ines.get('/calendar/address')).body).toEqual({ madeAt: null });
  const pathOf = async () => {
    const { address } = (await ines.post('/calendar/address', {})).body as { address: string };
    return new URL(address).pathname.replace('/api', '');
  };
  const path = await pathOf();
  expect(JSON.stringify((await ines.get('/calendar/address')).body)).not.toContain(path.slice(-20, -4));
  const stranger = { get: (address: string) => request(server.url).get(`/api${address}`) };
  const given = await stranger.get(path);
  expect([given.status, wordsIn(given.text)]).toEqual([200, ['Order oak']]);
  expect(given.headers['set-cookie']).toBeUndefined();
  // Nothing else is open by it, and nothing near it.
  expect((await stranger.get(path.replace(/.\.ics$/u, '.ics'))).status).toBe(404);
  expect((await stranger.get('/calendar/tasks')).status).toBe(401);
  // A new one takes the place of the old one.
  const next = await pathOf();
  expect([(await stranger.get(path)).status, (await stranger.get(next)).status]).toEqual([404, 200]);
  expect((await ines.delete('/calendar/address')).status).toBe(204);
  const gone = await stranger.get(next);
  expect([gone.status, gone.text.includes('oak')]).toEqual([404, false]);
});
