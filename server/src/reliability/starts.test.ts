import BetterSqlite3 from 'better-sqlite3';
import {
  copyFileSync,
  mkdtempSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { createHash } from 'node:crypto';
import os from 'node:os';
import path from 'node:path';
import { Asker, BuiltServer } from '../testing/builtServer';

/** What a server says that can't be started: one sentence, and nothing is touched. */

const started: BuiltServer[] = [];
afterEach(async () => {
  for (const server of started.splice(0)) await server.end();
});
const make = (data?: string, settings: NodeJS.ProcessEnv = {}, command?: 'demo'): BuiltServer => {
  const server = new BuiltServer(data, settings, command);
  started.push(server);
  return server;
};

/** A folder with an account in it, its server stopped in order or killed. */
async function used(signal: NodeJS.Signals): Promise<string> {
  const server = make();
  expect(await server.start()).toBeNull();
  const ines = await server.person('Ines');
  await ines.ask('POST', '/imports', { files: [{ path: 'Mill/Gate.md', text: 'Elm.' }] });
  await server.end(signal);
  return server.data;
}

const file = (folder: string) => path.join(folder, 'glossarion.sqlite');
const print = (folder: string) =>
  createHash('sha256')
    .update(readFileSync(file(folder)))
    .digest('hex');

async function refused(server: BuiltServer, sentence: RegExp): Promise<void> {
  const ended = await server.start();
  expect(ended).not.toBeNull();
  expect(ended!.code).toBe(1);
  expect(ended!.said.trim()).toMatch(sentence);
  expect(ended!.said.trim().split('\n')).toHaveLength(1);
}

test('9 a second server on the same folder is refused; a killed one leaves the folder free', async () => {
  const first = make();
  expect(await first.start()).toBeNull();
  await refused(make(first.data), /Another Glossarion serves/u);
  await first.end('SIGKILL');
  expect(await make(first.data).start()).toBeNull();
}, 300_000);

test('9 a port that is in use, settings and folders that make no sense', async () => {
  const first = make();
  expect(await first.start()).toBeNull();
  await refused(make(undefined, { PORT: String(first.port) }), /Port \d+ is in use/u);
  await refused(make(undefined, { GLOSSARION_ORIGIN: 'door' }), /settings don't make sense/u);
  const plain = path.join(mkdtempSync(path.join(os.tmpdir(), 'glossarion-')), 'file');
  writeFileSync(plain, 'not a folder');
  await refused(make(plain), /can’t be opened|can’t be written/u);
}, 300_000);

test('9 a database that is damaged, cut short, or of a newer version is refused, and left as it is', async () => {
  const folder = await used('SIGTERM');
  const whole = `${file(folder)}.whole`;
  copyFileSync(file(folder), whole);
  const spoilt: [RegExp, () => void][] = [
    [/is damaged/u, () => truncateSync(file(folder), Math.floor(statSync(whole).size / 2 / 4096) * 4096)],
    [
      /is damaged/u,
      () => writeFileSync(file(folder), Buffer.concat([Buffer.alloc(4096, 9), readFileSync(whole).subarray(4096)])),
    ],
    [
      /is damaged/u,
      () => {
        const bytes = readFileSync(whole);
        bytes.fill(0xa5, 4096 * 3, 4096 * 30);
        writeFileSync(file(folder), bytes);
      },
    ],
    [
      /newer Glossarion/u,
      () => {
        const database = new BetterSqlite3(file(folder));
        database.prepare("INSERT INTO migrations (timestamp, name) VALUES (9, 'Later9')").run();
        database.close();
      },
    ],
  ];
  for (const [sentence, spoil] of spoilt) {
    copyFileSync(whole, file(folder));
    spoil();
    const before = print(folder);
    await refused(make(folder), sentence);
    expect(print(folder)).toBe(before);
  }
  copyFileSync(whole, file(folder));
  expect(await make(folder).start()).toBeNull();
}, 300_000);

test('9 a folder that has lost its database, or the newest part of it, is not begun anew', async () => {
  const folder = await used('SIGKILL');
  const wal = `${file(folder)}-wal`;
  renameSync(wal, `${wal}.away`);
  await refused(make(folder), /lacks its newest part/u);
  renameSync(`${wal}.away`, wal);
  const server = make(folder);
  expect(await server.start()).toBeNull();
  expect(await server.end('SIGTERM')).toBe(0);
  rmSync(file(folder));
  await refused(make(folder), /There were notes in .* but its database is gone/u);
  writeFileSync(file(folder), '');
  await refused(make(folder), /There were notes in .* but its database is empty/u);
}, 300_000);

test('8 the first account only, or an invitation, where that is asked for', async () => {
  const first = make(undefined, { GLOSSARION_SIGN_UP: 'first' });
  await first.start();
  const ines = await first.person('Ines');
  expect((await ines.ask('POST', '/accounts', { name: 'Tomas', passphrase: 'tide and timber' })).status).toBe(403);
  const invited = make(undefined, { GLOSSARION_SIGN_UP: 'invitation', GLOSSARION_INVITATION: 'elm and hornbeam' });
  await invited.start();
  const wish = (invitation: string) =>
    fetch(`${invited.url}/api/accounts`, {
      method: 'POST',
      headers: { Origin: invited.url, 'Content-Type': 'application/json' },
      body: JSON.stringify({ name: 'Tomas', passphrase: 'tide and timber', invitation }),
    });
  expect((await wish('elm')).status).toBe(403);
  expect((await wish('elm and hornbeam')).status).toBe(200);
}, 300_000);

test('the demo answers nobody before all its notes are there', async () => {
  const demo = make(undefined, { GLOSSARION_DEMO: 'true' }, 'demo');
  expect(await demo.start()).toBeNull();
  // As a browser that has been waiting at the door: in at the first answer.
  const visitor = new Asker(() => demo.url);
  const entered = await visitor.ask('POST', '/session/demo');
  expect(entered.status).toBe(200);
  visitor.cookie = entered.headers.get('set-cookie')!.split(';')[0]!;
  expect(await visitor.get<unknown[]>('/notebooks')).toHaveLength(5);
  expect(await visitor.get<unknown[]>('/pins')).toHaveLength(4);
}, 300_000);
