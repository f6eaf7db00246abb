import { mkdirSync, statSync } from 'node:fs';
import path from 'node:path';
import request from 'supertest';
import { newId } from '@glossarion/core/document';
import { checkData } from '../services/checkData';
import { BuiltServer } from '../testing/builtServer';
import { fill, smallDisk } from '../testing/smallDisk';
import { makeServer, notes, type Person, type TestedServer } from '../testing/makeServer';

/** What happens when the disk is full, and when there is room again. */

describe('1 a database that can grow no more', () => {
  let server: TestedServer;
  let ines: Person;
  const limit = (pages: number) => server.services.database.writer.pragma(`max_page_count = ${pages}`);
  const present = () => server.services.database.writer.pragma('page_count', { simple: true }) as number;
  const notebook = (name: string) =>
    ines.post('/acts', { acts: [{ do: 'make', id: newId(), kind: 'notebook', parentId: null, name }] });

  beforeEach(async () => {
    server = await makeServer();
    ines = await server.person();
    await ines.post('/imports', { files: notes }).expect(200);
  });
  afterEach(() => server.stop());

  test('refuses with a sentence, is ill meanwhile, and stores all that comes once there is room', async () => {
    limit(present());
    const long = 'x'.repeat(6_000);
    let refused = 0;
    for (let tries = 0; tries < 40 && refused === 0; tries += 1) {
      const { status, body } = await notebook(`${long}${tries}`);
      if (status === 200) continue;
      refused += 1;
      expect(status).toBe(507);
      expect(body.detail).toMatch(/no room left/u);
    }
    expect(refused).toBe(1);
    limit(1_000_000);
    // An act that is refused in words takes nothing with it, and nothing before or after it.
    await ines.post('/acts', { acts: [{ do: 'name', id: newId(), name: 'Nobody' }] }).expect(404);
    for (let each = 0; each < 30; each += 1) await notebook(`Kept ${each}`).expect(200);
    await ines.post('/imports', { files: [{ path: 'Later/Page.md', text: 'Kept too.' }] }).expect(200);
    const folder = server.folder;
    await server.stop();
    server = await makeServer(folder);
    const names = server.rows<{ name: string }>('SELECT name FROM entries').map(({ name }) => name);
    expect(names.filter((name) => name.startsWith('Kept'))).toHaveLength(30);
    expect(names).toContain('Later');
    expect(await checkData(server.services.database)).toEqual([]);
  });

  test('is read while the connection that writes is made anew', async () => {
    const { database } = server.services;
    database.writer.close();
    const { body } = await ines.get('/notebooks').expect(200);
    expect(body).not.toEqual([]);
  });

  test('is as large as the server may be, files and all', async () => {
    const bounded = await makeServer(undefined, { GLOSSARION_SERVER_MEGABYTES: '2' });
    const tomas = await bounded.person();
    let status = 200;
    let tries = 0;
    for (; status === 200 && tries < 400; tries += 1) {
      const act = { do: 'make', id: newId(), kind: 'notebook', parentId: null, name: `N${'z'.repeat(9_000)}` };
      ({ status } = await tomas.post('/acts', { acts: [act] }));
    }
    expect(status).toBe(507);
    expect(statSync(bounded.services.database.file).size).toBeLessThanOrEqual(2_000_000 + 4_096);
    const file = await request(bounded.url)
      .post('/api/files?name=a.bin')
      .set('Cookie', tomas.cookie)
      .set('Origin', bounded.url)
      .type('application/octet-stream')
      .send(Buffer.alloc(400_000, 7));
    expect(file.status).toBe(507);
    await bounded.stop();
  });

  test('says that it is ill until a write goes through', async () => {
    limit(present());
    while ((await notebook('y'.repeat(6_000))).status === 200);
    server.services.database.writer.pragma('query_only = 1');
    await ines.get('/health').expect(503);
    server.services.database.writer.pragma('query_only = 0');
    limit(1_000_000);
    await ines.get('/health').expect(200);
  });
});

test('1 a disk that is really full: uploads and acts say so, all goes through afterwards, and it stops in order', async () => {
  const disk = smallDisk(20);
  // Where no disk may be mounted, the database's own limit above stands for it.
  if (!disk) return expect(process.getuid?.()).not.toBe(0);
  try {
    const data = path.join(disk.folder, 'data');
    mkdirSync(data);
    const server = new BuiltServer(data);
    expect(await server.start()).toBeNull();
    const ines = await server.person('Ines');
    const empty = fill(disk.folder);
    let status = 200;
    for (let tries = 0; tries < 50 && status === 200; tries += 1) {
      const act = { do: 'make', id: newId(), kind: 'notebook', parentId: null, name: `N${'z'.repeat(9_000)}` };
      ({ status } = await ines.ask('POST', '/acts', { acts: [act] }));
    }
    expect(status).toBe(507);
    expect(await server.isWell()).toBe(false);
    expect((await ines.ask('POST', '/files?name=a.bin', new Uint8Array(400_000).fill(7))).status).toBe(507);
    empty();
    expect(await server.isWell()).toBe(true);
    const wanted: string[] = [];
    for (let each = 0; each < 20; each += 1) {
      const act = { do: 'make', id: newId(), kind: 'notebook', parentId: null, name: `Kept ${each}` };
      expect((await ines.ask('POST', '/acts', { acts: [act] })).status).toBe(200);
      wanted.push(act.name);
    }
    expect((await ines.ask('POST', '/files?name=a.bin', new Uint8Array(40_000).fill(7))).status).toBe(200);
    expect(await server.end('SIGTERM')).toBe(0);
    expect(await server.start()).toBeNull();
    const names = (await ines.get<{ name: string }[]>('/notebooks')).map(({ name }) => name);
    expect(names).toEqual(expect.arrayContaining(wanted));
    expect(await server.end('SIGTERM')).toBe(0);
  } finally {
    disk.free();
  }
}, 300_000);
