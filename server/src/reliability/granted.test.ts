import request from 'supertest';
import { WebSocket } from 'ws';
import { newId, SCHEMA_VERSION } from '@glossarion/core/document';
import { ACT_KINDS } from '@glossarion/core/acts';
import { statusesOf } from '../routes/description';
import { declaredRoutes } from '../routes/route';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';
import { acts } from '../testing/trespassing/acts';
import { ACT_CELLS, ROUTE_CELLS } from '../testing/trespassing/cells';
import {
  eddas,
  granted,
  grantedTag,
  grantedIds,
  kept,
  SECRET,
  settleEdda,
  settleInes,
  theirs,
  type Attempt,
} from '../testing/trespassing/people';
import { messages, rows } from '../testing/trespassing/routes';

/**
 * Edda was given a section of Ines's to read. She sees it, changes nothing of it, and learns nothing of what it stands
 * in, what it links to and what links to it. With ids of the rest she fares as with ids that nobody has.
 */

let server: TestedServer;
let ines: Person;
let edda: Person;

beforeAll(async () => {
  server = await makeServer();
  ines = await settleInes(server);
  edda = await settleEdda(server);
  await server.services.background.idle();
});
afterAll(() => server.stop());

const WORD = 'radsatz';
const withGranted = (): Attempt => ({ ids: grantedIds(), own: eddas, block: granted.block, word: WORD });
const withKept = (): Attempt => ({ ids: kept(), own: eddas, block: theirs.block, word: WORD });
/** Ids that nobody has, as many. */
const withNone = (): Attempt => ({ ids: kept().map(() => newId()), own: eddas, block: newId(), word: WORD });

const told: string[] = [];
let asked = 0;

async function ask(method: string, ask: { address: string; body?: object | Buffer }): Promise<number> {
  const asker = request(server.url);
  const asking = asker[method as 'get'](`/api${ask.address}`).set('Origin', server.url).set('Cookie', edda.cookie);
  if (Buffer.isBuffer(ask.body)) void asking.type('application/octet-stream');
  const answer = await (method === 'get' ? asking : asking.send((ask.body as object) ?? {}));
  const said = answer.text ?? '';
  asked += 1;
  if (said.includes(SECRET) || answer.status === 500) told.push(`${method} ${ask.address}: ${said.slice(0, 300)}`);
  return answer.status;
}

/** All of Ines's that is not worked out of the rest in the background. */
const stored = (): string =>
  JSON.stringify(
    ['entries', 'tombstones', 'settings', 'pins', 'folds', 'visits', 'attachments']
      .map((table) => server.rows(`SELECT * FROM ${table} WHERE ownerId = ?`, ines.id))
      .concat(['tags'].map((table) => server.rows(`SELECT * FROM ${table} WHERE ownerId = ?`, ines.id)))
      .concat(
        ['documents', 'blocks', 'links', 'tagUses', 'fileUses', 'formerIds', 'updates'].map((table) =>
          server.rows(
            `SELECT * FROM ${table} WHERE ${table === 'documents' ? 'id' : 'documentId'} IN
           (SELECT id FROM entries WHERE ownerId = ?)`,
            ines.id,
          ),
        ),
      ),
  );

const routesOf = (attempt: Attempt) =>
  [...declaredRoutes]
    .filter(([key]) => key !== 'delete /session' && key !== 'post /acts')
    .map(([key, { method }]) => ({ key, method, asks: rows[key]!(attempt) }));

test('8 every route and act has a cell that says what must come', () => {
  expect(Object.keys(ROUTE_CELLS).sort()).toEqual(
    [...declaredRoutes.keys()].filter((key) => key !== 'post /acts').sort(),
  );
  expect(Object.keys(ACT_CELLS).sort()).toEqual([...ACT_KINDS].sort());
});

test('8 titles, Margin, names and counts tell of what was given alone', async () => {
  const page = (await edda.get(`/pages/${granted.page}`)).body as {
    trail: { name: string }[];
    targets: { id: string; state: string; title: string }[];
  };
  expect(page.trail.map(({ name }) => name)).toEqual(['Open section']);
  const shown = Object.fromEntries(page.targets.map(({ id, state, title }) => [id, [state, title]]));
  expect(shown[theirs.page]).toEqual(['gone', '']);
  expect(shown[theirs.block]).toEqual(['gone', '']);
  expect(shown[granted.beneath]).toEqual(['written', 'Beneath it']);
  const margin = (await edda.get(`/pages/${granted.page}/margin?hasFacets=true`)).body as {
    total: number;
    glosses: { pageId: string }[];
    facets: { notebooks: { name: string }[] };
  };
  expect(margin.total).toBe(1);
  expect(margin.glosses.map(({ pageId }) => pageId)).toEqual([granted.beneath]);
  expect(JSON.stringify(margin)).not.toContain(SECRET);
  const named = (await edda.get(`/pages/${granted.page}/alsoNamed`)).body as { count: number };
  expect(named.count).toBe(0);
  const found = (await edda.get('/find?q=open')).body.findings as { title: string }[];
  expect(found.map(({ title }) => title).sort()).toEqual(['Beneath it', 'Open page', 'Open section']);
  const slip = `/find/words?q=${SECRET.slice(0, -2)}t`;
  expect(JSON.stringify((await ines.get(slip)).body)).toContain(SECRET);
  expect(JSON.stringify((await edda.get(slip)).body)).not.toContain(SECRET);
  const notebooks = (await edda.get('/notebooks')).body as { name: string }[];
  expect(notebooks.map(({ name }) => name)).not.toContain(`Mill ${SECRET}`);
});

test('8 the names of tags that what was given wears are seen, and neither their descriptions nor other tags', async () => {
  const tags = (await edda.get('/tags')).body as { id: string; path: string }[];
  expect(tags.map(({ path }) => path)).toEqual(['Weirs', 'Weirs/Open tag']);
  const { targets } = (await edda.get(`/pages/${granted.page}`)).body as { targets: { id: string; title: string }[] };
  expect(targets.find(({ id }) => id === grantedTag)?.title).toBe('Weirs/Open tag');
  await edda.post('/acts', { acts: [{ do: 'nameTag', id: grantedTag, path: 'Mine' }] }).expect(403);
  await expect(server.services.documents.open(edda.viewer, grantedTag, null, null)).rejects.toThrow();
  expect(((await edda.get('/find?q=weirs')).body.findings as { title: string }[]).map(({ title }) => title)).toEqual([
    'Open page',
  ]);
});

test('8 what was given to read is read, and changed by nothing', async () => {
  const before = stored();
  const wrong: unknown[] = [];
  for (const { key, method, asks } of routesOf(withGranted())) {
    const statuses: number[] = [];
    for (const each of asks) statuses.push(await ask(method, each));
    if (String(statuses) !== String(ROUTE_CELLS[key])) wrong.push([key, statuses]);
    const described = statusesOf(declaredRoutes.get(key)!);
    if (statuses.some((status) => !described.includes(status))) wrong.push([key, 'not described', statuses]);
  }
  for (const kind of Object.keys(ACT_CELLS) as (keyof typeof ACT_CELLS)[]) {
    const statuses: number[] = [];
    for (const act of acts[kind](withGranted())) {
      statuses.push(await ask('post', { address: '/acts', body: { acts: [act] } }));
    }
    if (String(statuses) !== String(ACT_CELLS[kind])) wrong.push([kind, statuses]);
  }
  expect(wrong).toEqual([]);
  expect(told).toEqual([]);
  expect(stored()).toBe(before);
}, 300_000);

test('8 ids of what was not given fare as ids that nobody has', async () => {
  const before = stored();
  const wrong: unknown[] = [];
  const statusesOf = async (attempt: Attempt) => {
    const found: Record<string, number[]> = {};
    for (const { key, method, asks } of routesOf(attempt)) {
      found[key] = [];
      for (const each of asks) found[key].push(await ask(method, each));
    }
    for (const kind of ACT_KINDS) {
      found[kind] = [];
      for (const act of acts[kind](attempt)) {
        found[kind].push(await ask('post', { address: '/acts', body: { acts: [act] } }));
      }
    }
    return found;
  };
  const [kepts, none] = [await statusesOf(withKept()), await statusesOf(withNone())];
  for (const [key, statuses] of Object.entries(none)) {
    if (String(statuses) !== String(kepts[key])) wrong.push([key, kepts[key], statuses]);
  }
  expect(wrong).toEqual([]);
  expect(told).toEqual([]);
  expect(stored()).toBe(before);
  console.log(
    `${declaredRoutes.size} routes, ${ACT_KINDS.length} acts, ${asked} requests with a part granted, 0 leaks`,
  );
}, 300_000);

test('8 the socket gives what was given, and takes nothing for it', async () => {
  const socket = new WebSocket(`${server.url.replace('http', 'ws')}/api/socket?schema=${SCHEMA_VERSION}`, {
    headers: { Origin: server.url, Cookie: edda.cookie },
  });
  const heard: { type: string; page: string; reason?: string }[] = [];
  let wake = () => {};
  socket.on('message', (data) => {
    heard.push(JSON.parse(String(data)) as (typeof heard)[number]);
    wake();
  });
  await new Promise((resolve) => socket.on('open', resolve));
  const answer = async (message: object, type: string) => {
    socket.send(JSON.stringify(message));
    while (!heard.some((each) => each.type === type)) await new Promise<void>((resolve) => (wake = resolve));
    return heard.splice(0).find((each) => each.type === type)!;
  };
  expect((await answer(messages.open(granted.page), 'state')).page).toBe(granted.page);
  expect((await answer(messages.update(granted.page), 'refused')).reason).toMatch(/to read/u);
  for (const id of kept()) expect((await answer(messages.open(id), 'refused')).reason).toMatch(/nothing here/u);
  // What is written on a page that she has open reaches her; what is written elsewhere does not.
  const put = (id: string) => ({
    do: 'putBlocks',
    id,
    afterId: null,
    nodes: [{ type: 'divider', attrs: { id: newId() } }],
  });
  await ines.post('/acts', { acts: [put(theirs.other)] }).expect(200);
  await ines.post('/acts', { acts: [put(granted.page)] }).expect(200);
  while (!heard.some((each) => each.type === 'update')) await new Promise<void>((resolve) => (wake = resolve));
  expect(heard.map(({ page }) => page)).toEqual([granted.page]);
  // Taken back, nothing of it is seen any more.
  await server.services.database.write((manager) => manager.query('DELETE FROM grants'));
  expect((await answer(messages.open(granted.page), 'refused')).reason).toMatch(/nothing here/u);
  await edda.get(`/pages/${granted.page}`).expect(404);
  socket.close();
});
