import BetterSqlite3 from 'better-sqlite3';
import { readdirSync } from 'node:fs';
import path from 'node:path';
import { newId } from '@glossarion/core/document';
import { times } from '@glossarion/core/testing';
import { EXPORT_FORMS, type Work } from '@glossarion/core/works';
import { openToRead } from '../database/reading';
import { checkData } from '../services/checkData';
import { BuiltServer, type Asker } from '../testing/builtServer';
import { zipped } from '../testing/zipped';

/**
 * An import or an export that is stopped, or whose server is killed, at any moment is there whole or has left nothing.
 * `npm run soak -- 25` tries more than a hundred moments.
 */
const MOMENTS = times(4);
const FILES = 300;

const contents = (notebook: string): Promise<Buffer> =>
  zipped({
    ...Object.fromEntries(
      Array.from({ length: FILES }, (_each, index) => [
        `${notebook}/Part ${index % 7}/Page ${index}.md`,
        `Line ${index} #brass, see [[Page ${(index * 31) % FILES}]].\n\n![](oak${index % 9}.png)\n\n`.repeat(6),
      ]),
    ),
    ...Object.fromEntries(Array.from({ length: 9 }, (_each, index) => [`${notebook}/oak${index}.png`, `p${index}`])),
  });

const server = new BuiltServer();
let ines: Asker;

beforeAll(async () => {
  expect(await server.start()).toBeNull();
  ines = await server.person('Ines');
}, 60_000);
afterAll(() => server.end());

/** How many pages stand in a notebook of this name. */
function pagesIn(notebook: string): number {
  const database = new BetterSqlite3(path.join(server.data, 'glossarion.sqlite'), { readonly: true });
  const pages = database
    .prepare(
      `SELECT count(*) FROM entries n JOIN entries s ON s.parentId = n.id JOIN entries p ON p.parentId = s.id
       WHERE n.name = ?`,
    )
    .pluck()
    .get(notebook) as number;
  database.close();
  return pages;
}

async function agrees(): Promise<void> {
  const { source, reader } = await openToRead(path.join(server.data, 'glossarion.sqlite'));
  expect(await checkData({ manager: source.manager, reader })).toEqual([]);
  await source.destroy();
}

const takeIn = (archive: Buffer, id: string): Promise<Response | null> =>
  ines.ask('POST', `/imports/zip?id=${id}&name=notes.zip`, new Uint8Array(archive)).catch(() => null);

/** Kills the server and starts it again, or stops the work. */
async function breakOff(id: string, isKilled: boolean): Promise<void> {
  if (!isKilled) return void (await ines.ask('DELETE', `/works/${id}`));
  await server.end('SIGKILL');
  expect(await server.start()).toBeNull();
}

const works = () => ines.get<Work[]>('/works');

/** Waits until nothing is under way any more. */
async function rest(): Promise<void> {
  while ((await works()).some(({ state }) => state === 'running')) await new Promise((go) => setTimeout(go, 10));
}

test(
  'O2 an import that is broken off is there whole or not at all',
  async () => {
    let took = 0;
    const found = { whole: 0, none: 0 };
    for (let moment = 0; moment < MOMENTS; moment += 1) {
      const notebook = `Mill ${moment}`;
      const id = newId();
      const archive = await contents(notebook);
      const began = Date.now();
      const sent = takeIn(archive, id);
      // The first is let be, so that it is known how long one takes.
      if (moment > 0) {
        await new Promise((go) => setTimeout(go, Math.random() * took * 1.2));
        await breakOff(id, moment % 2 === 0);
      }
      const answer = await sent;
      took ||= Date.now() - began;
      await rest();
      const pages = pagesIn(notebook);
      expect(answer?.status === 200 ? [FILES] : [0, FILES]).toContain(pages);
      found[pages > 0 ? 'whole' : 'none'] += 1;
      if (moment % 20 === 0) await agrees();
    }
    await agrees();
    expect(found.none).toBeGreaterThan(0);
    console.log(`${MOMENTS} imports: ${found.whole} whole, ${found.none} not at all`);
  },
  60_000 + MOMENTS * 10_000,
);

test(
  'O1 an export that is broken off has written all or nothing',
  async () => {
    const took = new Map<string, number>();
    const found = { whole: 0, none: 0 };
    for (let moment = 0; moment < MOMENTS + EXPORT_FORMS.length; moment += 1) {
      const form = EXPORT_FORMS[moment % EXPORT_FORMS.length]!;
      const id = newId();
      const began = Date.now();
      expect((await ines.ask('POST', '/exports', { id, of: null, form })).status).toBe(200);
      const usual = took.get(form);
      if (usual !== undefined) {
        await new Promise((go) => setTimeout(go, Math.random() * usual * 1.2));
        await breakOff(id, Math.random() < 0.5);
      }
      await rest();
      if (usual === undefined) took.set(form, Date.now() - began);
      const work = (await works()).find((each) => each.id === id);
      const kept = readdirSync(path.join(server.data, 'works'));
      expect(kept).toEqual(work?.state === 'done' ? [id] : []);
      found[work?.state === 'done' ? 'whole' : 'none'] += 1;
      if (work) await ines.ask('DELETE', `/works/${id}`);
    }
    expect(found.none).toBeGreaterThan(0);
    console.log(`${MOMENTS} exports broken off: ${found.none} left nothing`);
  },
  60_000 + MOMENTS * 10_000,
);
