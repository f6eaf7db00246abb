import BetterSqlite3 from 'better-sqlite3';
import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { block, newId, ownWords, type BodyJson } from '@glossarion/core/document';
import { times } from '@glossarion/core/testing';
import { openToRead } from '../database/reading';
import { checkData } from '../services/checkData';
import { BuiltServer, temporaryFolder, type Asker } from '../testing/builtServer';
import { fill, smallDisk } from '../testing/smallDisk';
import { Typist } from '../testing/typist';

/**
 * A server that is killed, or whose disk fills up, in the middle of typing, acts, imports, uploads and deleting for
 * good. What was acknowledged is there afterwards, once; an import is there whole or not at all.
 * `npm run soak -- 70` kills more than a thousand times.
 */
const KILLS = times(15);
const FULL_DISKS = times(2);
/** A folder is changed for a new one after so many kills: what is looked at grows. */
const FOLDER_AFTER = 40;

/** What the server has said yes to. */
interface Acknowledged {
  pages: Set<string>;
  lines: Set<string>;
  gone: Set<string>;
  files: Map<string, string>;
  /** Imports by the names of their pages, acknowledged or not. */
  imports: { names: string[]; isSure: boolean }[];
}

const nothing = (): Acknowledged => ({
  pages: new Set(),
  lines: new Set(),
  gone: new Set(),
  files: new Map(),
  imports: [],
});

let count = 0;
const fresh = (kind: string): string => `${kind}-${(count += 1)}-end`;

/** Numbers that look random and are the same in each run (a linear congruential generator, Numerical Recipes). */
let state = Number(process.env.SOAK_SEED ?? 20_260_311) >>> 0;
const random = (below: number): number => {
  state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
  return Math.floor((state / 2 ** 32) * below);
};

/** Does one thing after the other until the server does not answer any more, or `isOver`. */
async function work(
  ines: Asker,
  notebook: string,
  page: string,
  kept: Acknowledged,
  isOver: () => boolean,
): Promise<void> {
  let typist: Typist | null = null;
  const act = async (...acts: object[]) => (await ines.ask('POST', '/acts', { acts })).status === 200;
  const deeds: (() => Promise<void>)[] = [
    async () => {
      const name = fresh('page');
      if (await act({ do: 'make', id: newId(), kind: 'page', parentId: notebook, name })) kept.pages.add(name);
    },
    async () => {
      const words = fresh('line');
      const nodes = [block('paragraph', words)];
      if (await act({ do: 'putBlocks', id: page, afterId: null, nodes })) kept.lines.add(words);
    },
    async () => {
      const words = fresh('typed');
      typist ??= await Typist.at(ines, page);
      await typist.type(words);
      kept.lines.add(words);
    },
    async () => {
      const content = fresh('file');
      const answer = await ines.ask('POST', '/files?name=a.txt', new Uint8Array(Buffer.from(content)));
      if (answer.status === 200) kept.files.set(((await answer.json()) as { id: string }).id, content);
    },
    async () => {
      const names = [fresh('taken'), fresh('taken')];
      const one = { names, isSure: false };
      kept.imports.push(one);
      const files = names.map((name) => ({ path: `In/${name}.md`, text: name }));
      one.isSure = (await ines.ask('POST', '/imports', { files })).status === 200;
    },
    async () => {
      const [id, name] = [newId(), fresh('doomed')];
      if (!(await act({ do: 'make', id, kind: 'page', parentId: notebook, name }, { do: 'bin', id }))) return;
      if ((await ines.ask('DELETE', `/bin/${id}`)).status === 204) kept.gone.add(name);
    },
  ];
  try {
    while (!isOver()) await deeds[random(deeds.length)]!();
  } catch (error) {
    // A server that was killed answers no more; anything else is a fault.
    if (!/socket|fetch failed|ECONNRE/u.test(String(error))) throw error;
  } finally {
    (typist as Typist | null)?.close();
  }
}

/** Looks whether all that was acknowledged is there, once. */
async function verify(server: BuiltServer, ines: Asker, kept: Acknowledged): Promise<void> {
  const database = new BetterSqlite3(path.join(server.data, 'glossarion.sqlite'), { readonly: true });
  try {
    const names = database.prepare('SELECT name FROM entries').pluck().all() as string[];
    const bodies = database.prepare('SELECT json FROM documents').pluck().all() as string[];
    const lines = bodies.flatMap((json) => (JSON.parse(json) as BodyJson).content.map(ownWords));
    const times = new Map<string, number>();
    for (const each of names) times.set(`n${each}`, (times.get(`n${each}`) ?? 0) + 1);
    for (const each of lines) times.set(`l${each}`, (times.get(`l${each}`) ?? 0) + 1);
    expect([...kept.pages].filter((name) => times.get(`n${name}`) !== 1)).toEqual([]);
    expect([...kept.lines].filter((words) => times.get(`l${words}`) !== 1)).toEqual([]);
    expect([...kept.gone].filter((name) => times.has(`n${name}`))).toEqual([]);
    for (const { names: taken, isSure } of kept.imports) {
      const there = taken.filter((name) => times.get(`n${name}`) === 1).length;
      expect(isSure ? [taken.length] : [0, taken.length]).toContain(there);
    }
    expect([...times].filter(([key, many]) => many > 1 && key.endsWith('-end'))).toEqual([]);
    const { source, reader } = await openToRead(database.name);
    expect(await checkData({ manager: source.manager, reader })).toEqual([]);
    await source.destroy();
  } finally {
    database.close();
  }
  for (const [id, content] of [...kept.files].slice(-8)) {
    expect(await (await ines.ask('GET', `/files/${id}`)).text()).toBe(content);
  }
}

interface Begun {
  server: BuiltServer;
  ines: Asker;
  notebook: string;
  page: string;
}

async function begin(data: string): Promise<Begun> {
  const server = new BuiltServer(data);
  expect(await server.start()).toBeNull();
  const ines = await server.person('Ines');
  const [notebook, page] = [newId(), newId()];
  await ines.ask('POST', '/acts', {
    acts: [
      { do: 'make', id: notebook, kind: 'notebook', parentId: null, name: 'Mill' },
      { do: 'make', id: page, kind: 'page', parentId: notebook, name: 'Gate' },
    ],
  });
  return { server, ines, notebook, page };
}

test(
  '1, 2, 5, 10 whatever a killed server had acknowledged is there, once',
  async () => {
    let begun = await begin(temporaryFolder());
    let kept = nothing();
    let acknowledged = 0;
    for (let kill = 1; kill <= KILLS; kill += 1) {
      const { server, ines, notebook, page } = begun;
      const hands = [1, 2, 3].map(() => work(ines, notebook, page, kept, () => false));
      await new Promise((resolve) => setTimeout(resolve, 150 + random(400)));
      await server.end('SIGKILL');
      await Promise.all(hands);
      expect(await server.start()).toBeNull();
      await verify(server, ines, kept);
      if (kill % FOLDER_AFTER !== 0 && kill !== KILLS) continue;
      acknowledged += kept.pages.size + kept.lines.size + kept.files.size + kept.gone.size + kept.imports.length;
      expect(await server.end('SIGTERM')).toBe(0);
      if (kill < KILLS) [begun, kept] = [await begin(temporaryFolder()), nothing()];
    }
    console.log(`${KILLS} kills, ${acknowledged} things acknowledged, none missing, none twice`);
    expect(acknowledged).toBeGreaterThan(0);
  },
  60_000 + KILLS * 8_000,
);

test(
  '1 a disk that fills up and has room again loses nothing that was acknowledged',
  async () => {
    const disk = smallDisk(24);
    // Where no disk may be mounted, fullDisk.test.ts limits the database itself.
    if (!disk) return expect(process.getuid?.()).not.toBe(0);
    try {
      for (let round = 0; round < FULL_DISKS; round += 1) {
        const data = path.join(disk.folder, `data${round}`);
        mkdirSync(data);
        const { server, ines, notebook, page } = await begin(data);
        const kept = nothing();
        let isOver = false;
        const hands = [1, 2, 3].map(() => work(ines, notebook, page, kept, () => isOver));
        await new Promise((resolve) => setTimeout(resolve, 200 + random(200)));
        const empty = fill(disk.folder);
        await new Promise((resolve) => setTimeout(resolve, 500));
        empty();
        await new Promise((resolve) => setTimeout(resolve, 300));
        isOver = true;
        await Promise.all(hands);
        expect(await server.isWell()).toBe(true);
        await verify(server, ines, kept);
        expect(await server.end('SIGTERM')).toBe(0);
        expect(await server.start()).toBeNull();
        await verify(server, ines, kept);
        expect(await server.end('SIGTERM')).toBe(0);
        disk.free();
        Object.assign(disk, smallDisk(24));
      }
    } finally {
      disk.free();
    }
  },
  60_000 + FULL_DISKS * 15_000,
);
