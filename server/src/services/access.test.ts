import request from 'supertest';
import { WebSocket } from 'ws';
import { newId, OUTDATED, SCHEMA_VERSION } from '@glossarion/core/document';
import { makeServer, notes, type Person, type TestedServer } from '../testing/makeServer';

let server: TestedServer;
let owner: Person;
let stranger: Person;
let pageId: string;

beforeAll(async () => {
  server = await makeServer();
  owner = await server.person();
  stranger = await server.person();
  await owner.post('/imports', { files: notes });
  const names = (await owner.get('/names?q=sluice')).body as { id: string }[];
  pageId = names[0]!.id;
});
afterAll(() => server.stop());

const say = (person: Person | null, message: object, origin = server.url, schema = SCHEMA_VERSION) =>
  new Promise<string>((resolve) => {
    const socket = new WebSocket(`${server.url.replace('http', 'ws')}/api/socket?schema=${schema}`, {
      headers: { Origin: origin, ...(person ? { Cookie: person.cookie } : {}) },
    });
    socket.on('open', () => socket.send(JSON.stringify(message)));
    socket.on('message', (data) => {
      // Said to everybody first: how often the account was told of something (core/notices).
      if (String(data).startsWith('{"type":"told"')) return;
      resolve(String(data));
      socket.close();
    });
    socket.on('close', (code) => resolve(`closed ${code}`));
    socket.on('error', (error) => resolve(error.message));
  });

test('the socket lets nobody in without a session or from another site, and shows nothing to somebody else', async () => {
  const open = { type: 'open', page: pageId };
  expect(await say(null, open)).toContain('401');
  expect(await say(owner, open, 'https://elsewhere.example')).toContain('403');
  expect(await say(stranger, open)).toContain('There is nothing here');
  expect(await say(owner, open)).toContain('"type":"state"');
  expect(await say(owner, open, server.url, SCHEMA_VERSION - 1)).toBe(`closed ${OUTDATED}`);
  const update = { type: 'update', page: pageId, epoch: 1, number: 1, update: 'AAA=' };
  expect(await say(stranger, update)).toContain('"refused"');
  expect(await say(owner, { type: 'nonsense' })).toBe('closed 1008');
});

test('writes from another site are refused', async () => {
  const response = await request(server.url)
    .post('/api/acts')
    .send({ acts: [{ do: 'bin', id: pageId }] })
    .set('Cookie', owner.cookie)
    .set('Origin', 'https://elsewhere.example');
  expect(response.status).toBe(403);
  const without = await request(server.url).delete(`/api/bin/${pageId}`).set('Cookie', owner.cookie);
  expect(without.status).toBe(403);
});

test('too many wrong passphrases have to wait, a right one included; the same answer for a name that is not there', async () => {
  await server.person('Careful Person');
  const attempt = (name: string, passphrase: string) =>
    request(server.url).post('/api/session').set('Origin', server.url).send({ name, passphrase });
  for (let tries = 0; tries < 5; tries += 1) {
    const response = await attempt('careful  PERSON', 'wrong words');
    expect(response.status).toBe(401);
    expect(response.body.detail).toBe((await attempt('Nobody', 'wrong words')).body.detail);
  }
  expect((await attempt('Nobody', 'wrong words')).status).toBe(429);
  const waiting = await attempt('Careful Person', 'tide and timber');
  expect(waiting.status).toBe(429);
  expect(waiting.body.detail).toMatch(/^Too many tries\. Try again in \d+ seconds\.$/);
});

test('changing the passphrase ends every other session', async () => {
  const person = await server.person('Changing');
  const other = await request(server.url)
    .post('/api/session')
    .set('Origin', server.url)
    .send({ name: 'Changing', passphrase: 'tide and timber' });
  const otherCookie = String(other.headers['set-cookie']).split(';')[0]!;
  expect(String(other.headers['set-cookie'])).toMatch(/HttpOnly/);
  expect(String(other.headers['set-cookie'])).toMatch(/SameSite=Strict/);
  const wrong = await person.put('/account/passphrase', { present: 'not this one', next: 'oak and hornbeam' });
  expect(wrong.status).toBe(401);
  await person.put('/account/passphrase', { present: 'tide and timber', next: 'oak and hornbeam' }).expect(204);
  await person.get('/notebooks').expect(200);
  await request(server.url).get('/api/notebooks').set('Cookie', otherCookie).expect(401);
});

test('who is signed in is known as it stands, however often it was asked before', async () => {
  const ines = await server.person();
  const { accounts } = server.services;
  const token = decodeURIComponent(/=([^;]+)/u.exec(ines.cookie)![1]!);
  const asked = () => accounts.bySession(token);
  const { session, account } = (await asked())!;
  expect(await asked()).toMatchObject({ session, account: { id: account.id } });
  const before = await asked();
  await owner.post('/acts', { acts: [{ do: 'make', id: newId(), kind: 'notebook', parentId: null, name: 'Else' }] });
  expect(await asked()).toEqual(before);
  // It ends while it is being asked for.
  const asking = asked();
  await accounts.closeSession(session.id);
  await asking;
  expect(await asked()).toBeNull();
  await ines.get('/notebooks').expect(401);
});

test('bad input gets a sentence, never a 500', async () => {
  const id = newId();
  const act = (each: object) => owner.post('/acts', { acts: [each] });
  const asks = [
    owner.get('/entries/not-an-id'),
    owner.get('/journal/days/2026-02-30'),
    owner.get('/journal/days?before=yesterday'),
    act({ do: 'make', id, kind: 'shelf', name: 'x', parentId: null }),
    act({ do: 'make', id, kind: 'notebook', name: 'null\u0000byte', parentId: null }),
    act({ do: 'make', id, kind: 'page', name: 'x', parentId: null }),
    act({ do: 'explode', id }),
    act({ do: 'describe', id: pageId }),
    act({ do: 'putBack', id: pageId, parentId: null, orderKey: "a'" }),
    owner.post('/acts', { acts: [] }),
    owner.put('/settings', { key: 'colour', value: 'red' }),
    owner.put('/settings', { key: 'letters', value: 'maybe' }),
    owner.put('/settings', { key: '__proto__', value: true }),
    owner.post('/imports', { files: [{ path: 'a.md' }] }),
    owner.get(`/find?q=${'x'.repeat(600)}`),
  ];
  for (const response of await Promise.all(asks)) {
    expect(response.status).toBe(400);
    expect(response.body.detail.length).toBeGreaterThan(10);
  }
  for (const q of ['"', "'; DROP TABLE entries; --", '*', 'NEAR(a b)', 'title:', '-', '(((', '\u0000']) {
    await owner.get(`/find?q=${encodeURIComponent(q)}`).expect(200);
  }
  await request(server.url).post('/api/session').set('Origin', server.url).type('json').send('{').expect(400);
});
