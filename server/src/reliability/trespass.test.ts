import type { Found } from '@glossarion/core/find';
import request from 'supertest';
import { WebSocket } from 'ws';
import { SCHEMA_VERSION } from '@glossarion/core/document';
import { makeApp } from '../app';
import { ACT_KINDS } from '@glossarion/core/acts';
import { declaredRoutes } from '../routes/route';
import { MESSAGE_KINDS } from '../socket/messages';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';
import { until } from '../testing/until';
import { acts } from '../testing/trespassing/acts';
import {
  given,
  hers,
  line,
  make,
  mine,
  SECRET,
  settleInes,
  settleTomas,
  theirs,
  type Attempt,
} from '../testing/trespassing/people';
import { messages, rows } from '../testing/trespassing/routes';

/**
 * What somebody else learns of an account: nothing. Tomas asks everything twice, of a server where Ines keeps her notes
 * and of one where she was never heard of, each time with her ids. Both must say the same.
 */

let inCompany: TestedServer;
let alone: TestedServer;
let ines: Person;
let tomases: Person[];

beforeAll(async () => {
  [inCompany, alone] = [await makeServer(), await makeServer()];
  ines = await settleInes(inCompany);
  tomases = [await settleTomas(inCompany), await settleTomas(alone)];
});
afterAll(async () => {
  await inCompany.stop();
  await alone.stop();
});

/** A layer of Express's router, as far as it tells which routes are in it. */
interface Layer {
  route?: { path: string; stack: { method: string }[] };
  handle: { stack?: Layer[] };
}
const served = (stack: Layer[]): string[] =>
  stack.flatMap(({ route, handle }) => [
    ...(route ? route.stack.map(({ method }) => `${method} ${route.path}`) : []),
    ...served(handle.stack ?? []),
  ]);

test('8 every route, act and message is tried', () => {
  const app = makeApp(inCompany.services) as unknown as { router: { stack: Layer[] } };
  // These two stand for the server, and hold nothing of anybody.
  const addresses = new Set([...declaredRoutes.keys(), 'get /health', 'get /description']);
  expect(new Set(served(app.router.stack))).toEqual(addresses);
  expect(Object.keys(rows).sort()).toEqual([...declaredRoutes.keys()].sort());
  expect(Object.keys(acts).sort()).toEqual([...ACT_KINDS].sort());
  expect(Object.keys(messages).sort()).toEqual([...MESSAGE_KINDS].sort());
});

type Method = 'get' | 'post' | 'put' | 'delete';
const tomasTries = (): Attempt => ({ ids: hers(), own: mine, block: theirs.block, word: SECRET });
const asks = (attempt = tomasTries()) =>
  [...declaredRoutes].flatMap(([key, { method, isOpen }]) =>
    rows[key]!(attempt).map((ask) => ({ key, method: method as Method, isOpen, ...ask })),
  );
const send = (server: TestedServer, cookie: string | null, ask: ReturnType<typeof asks>[number]) => {
  const asked = request(server.url)[ask.method](`/api${ask.address}`).set('Origin', server.url);
  if (cookie) void asked.set('Cookie', cookie);
  if (Buffer.isBuffer(ask.body)) void asked.type('application/octet-stream');
  return ask.method === 'get' ? asked : asked.send(ask.body ?? {});
};

test('8 nobody, and whoever has signed out, is let in nowhere', async () => {
  const over = await inCompany.person('Over');
  await over.delete('/session').expect(204);
  let count = 0;
  for (const ask of asks().filter(({ isOpen }) => !isOpen)) {
    for (const cookie of [null, over.cookie]) {
      const { status, headers, text } = await send(inCompany, cookie, ask);
      expect([ask.key, status, headers['content-type']]).toEqual([
        ask.key,
        401,
        expect.stringContaining('application/problem+json'),
      ]);
      expect(text).not.toContain(SECRET);
      count += 1;
    }
  }
  console.log(`${count} requests without a session, 0 let in`);
}, 300_000);

/** An answer without what differs from one server to the other whoever else is there: ids given by it, and times. */
function normal(text: string): string {
  const known = new Set([...hers(), ...Object.values(mine)]);
  return (
    text
      .replace(/[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/gu, (id) => (known.has(id) ? id : 'ID'))
      // So do what a word names, by tokens without hyphens.
      .replace(/(?<=[\uE000-\uF8FF])[0-9a-f]{32}/gu, 'ID')
      .replace(/"revision":\d+/gu, '"revision":0')
      // A private address is drawn anew each time.
      .replace(/http:[\w.:/]+\/at\/[\w-]{43}/gu, 'ADDRESS')
      .replace(/\d{4}-\d\d-\d\dT[\d:.]+Z/gu, 'TIME')
  );
}

/**
 * What is found, whatever its order: that goes by how rare a word is in all that the server stores, and no more can be
 * learned from it (docs/decisions/20).
 */
const unordered = (text: string): string =>
  JSON.stringify((JSON.parse(text) as Found).findings.map((each) => JSON.stringify(each)).sort());

/** Every row of Ines's, as it is stored. */
function stored(): string {
  const tables = inCompany.rows<{ name: string }>("SELECT name FROM sqlite_master WHERE type = 'table' ORDER BY name");
  return JSON.stringify(
    tables.map(({ name }) => {
      const columns = new Set(
        inCompany.rows<{ name: string }>(`PRAGMA table_info("${name}")`).map((each) => each.name),
      );
      const owner = ['ownerId', 'accountId'].find((each) => columns.has(each));
      if (owner) return inCompany.rows(`SELECT * FROM "${name}" WHERE ${owner} = ?`, ines.id);
      const of = ['documentId', 'pageId'].find((each) => columns.has(each)) ?? (name === 'documents' ? 'id' : null);
      if (!of) return [];
      const pages = 'SELECT id FROM entries WHERE ownerId = ?';
      return inCompany.rows(`SELECT * FROM "${name}" WHERE ${of} IN (${pages})`, ines.id);
    }),
  );
}

test('8 another account learns no more than where she was never heard of, and changes nothing', async () => {
  const before = stored();
  expect(before.split(SECRET).length).toBeGreaterThan(10);
  const told: string[] = [];
  let count = 0;
  for (const ask of asks().filter(({ key }) => key !== 'delete /session')) {
    const answers: (string | number)[][] = [];
    for (const [index, server] of [inCompany, alone].entries()) {
      const { status, text, body } = await send(server, tomases[index]!.cookie, ask);
      const said = text ?? (Buffer.isBuffer(body) ? body.toString() : '');
      answers.push([status, normal(ask.key === 'get /find' ? unordered(said) : said)]);
    }
    count += 1;
    const name = `${ask.key} ${JSON.stringify(ask.body ?? ask.address)}`;
    if (answers[0]![0] === 500 || JSON.stringify(answers[0]) !== JSON.stringify(answers[1])) {
      told.push(`${name}\n${answers[0]!.join(' ').slice(0, 300)}\n${answers[1]!.join(' ').slice(0, 300)}`);
    }
  }
  console.log(`${count} requests of another account with ids that are not theirs, ${told.length} told of something`);
  expect(told).toEqual([]);
  expect(count).toBeGreaterThan(700);
  expect(stored()).toBe(before);
}, 300_000);

/** What the socket answers to a message; a page of one's own that is opened after it tells that it was all. */
async function heardAfter(server: TestedServer, cookie: string, message: object): Promise<string[]> {
  const socket = new WebSocket(`${server.url.replace('http', 'ws')}/api/socket?schema=${SCHEMA_VERSION}`, {
    headers: { Origin: server.url, Cookie: cookie },
  });
  const heard: string[] = [];
  return new Promise((resolve) => {
    socket.on('open', () => {
      socket.send(JSON.stringify(message));
      socket.send(JSON.stringify({ type: 'open', page: mine.page }));
    });
    socket.on('message', (data) => {
      const each = JSON.parse(String(data)) as { type: string; page: string; changed?: { what: string }[] };
      if (each.type === 'state' && each.page === mine.page) return socket.close();
      // What is found in the background of one's own page comes when it comes.
      if (each.changed?.every(({ what }) => what === 'kin')) return;
      heard.push(normal(String(data)));
    });
    socket.on('close', () => resolve(heard));
    socket.on('error', (error) => resolve([...heard, error.message]));
  });
}

test('8 the socket tells another account, nobody, and whoever has signed out, nothing', async () => {
  const over = await inCompany.person('Gone');
  await over.delete('/session').expect(204);
  for (const { services } of [inCompany, alone]) await services.background.idle();
  let count = 0;
  for (const kind of MESSAGE_KINDS) {
    for (const id of hers()) {
      const message = messages[kind](id);
      const [one, other] = await Promise.all(
        [inCompany, alone].map((server, index) => heardAfter(server, tomases[index]!.cookie, message)),
      );
      expect([kind, one]).toEqual([kind, other]);
      for (const cookie of ['', over.cookie]) {
        expect(await heardAfter(inCompany, cookie, message)).toEqual([expect.stringContaining('401')]);
      }
      count += 3;
    }
  }
  console.log(`${count} messages, 0 told of something`);
}, 300_000);

test('8 whoever waits at her page hears nothing of what she does', async () => {
  const socket = new WebSocket(`${inCompany.url.replace('http', 'ws')}/api/socket?schema=${SCHEMA_VERSION}`, {
    headers: { Origin: inCompany.url, Cookie: tomases[0]!.cookie },
  });
  const heard: string[] = [];
  await new Promise((resolve) => socket.on('open', resolve));
  socket.on('message', (data) => heard.push(String(data)));
  for (const page of hers()) socket.send(JSON.stringify({ type: 'open', page }));
  await until(() => heard.length >= hers().length);
  await ines.post('/acts', { acts: [{ do: 'name', id: theirs.page, name: `${SECRET} anew` }] }).expect(200);
  await ines
    .post('/acts', { acts: [{ do: 'putBlocks', id: theirs.other, afterId: null, nodes: [line(SECRET)] }] })
    .expect(200);
  const later = heard.length;
  await tomases[0]!.post('/acts', { acts: [{ do: 'pin', id: mine.page }] }).expect(200);
  await until(() => heard.slice(later).some((each) => each.includes('"changed"')));
  expect(heard.filter((each) => !each.includes('"refused"') && !each.includes('"changed"'))).toEqual([]);
  expect(heard.filter((each) => each.includes('"changed"'))).toHaveLength(1);
  socket.close();
});

test('8 an id that another account has can’t be taken for something new, and nothing is changed by trying', async () => {
  const before = stored();
  for (const id of [theirs.page, theirs.notebook, theirs.binned, given.day]) {
    for (const act of [
      make(id, 'page', mine.notebook, 'Mine'),
      { do: 'duplicate', id: mine.page, copyId: id },
      { do: 'lift', id: mine.page, blockIds: [mine.block], pageId: id, parentId: mine.notebook },
    ]) {
      const answer = await tomases[0]!.post('/acts', { acts: [act] });
      expect([answer.status, answer.body.detail]).toEqual([404, expect.stringContaining('nothing here')]);
    }
  }
  expect(stored()).toBe(before);
});
