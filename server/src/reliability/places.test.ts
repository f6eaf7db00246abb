import { newId } from '@glossarion/core/document';
import fc from 'fast-check';
import type { Act } from '@glossarion/core/acts';
import { times } from '@glossarion/core/testing';
import { checkData } from '../services/checkData';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';

/** Whatever is done to the outline, in whatever order, by two windows: all of it can be seen, and every answer is true. */

let server: TestedServer;
let ines: Person;
let ids: string[];

beforeEach(async () => {
  server = await makeServer();
  ines = await server.person();
  const files = ['Water/Gate', 'Water/Race', 'Wheel/Cogs'].map((name) => ({
    path: `Mill/${name}.md`,
    text: `Of ${name}.`,
  }));
  await ines.post('/imports', { files }).expect(200);
  ids = server.rows<{ id: string }>('SELECT id FROM entries ORDER BY row').map(({ id }) => id);
});
afterEach(async () => {
  expect(await checkData(server.services.database)).toEqual([]);
  await server.stop();
});

const act = (...acts: Act[]) => ines.post('/acts', { acts });
const undoOf = async (...acts: Act[]): Promise<Act[]> =>
  ((await act(...acts).expect(200)).body as { undo: Act[] }).undo;
const idOf = (name: string) => server.row<{ id: string }>('SELECT id FROM entries WHERE name = ?', name)!.id;

test('3 what holds something older than itself is deleted for good', async () => {
  const [page, section] = [idOf('Cogs'), newId()];
  await act({ do: 'make', id: section, kind: 'section', parentId: idOf('Mill'), name: 'Younger' }).expect(200);
  await act({ do: 'place', id: page, parentId: section }).expect(200);
  await act({ do: 'bin', id: section }).expect(200);
  await ines.delete('/bin').expect(200);
  await ines.get(`/entries/${page}`).expect(404);
});

test('3 what comes back after its notebook was deleted for good stands in a notebook named for it', async () => {
  const gate = idOf('Gate');
  await act({ do: 'bin', id: gate }).expect(200);
  const mill = idOf('Mill');
  await act({ do: 'bin', id: mill }).expect(200);
  await ines.delete(`/bin/${mill}`).expect(204);
  await act({ do: 'restore', id: gate }).expect(200);
  const { trail } = (await ines.get(`/entries/${gate}`)).body as { trail: { name: string }[] };
  expect(trail.map(({ name }) => name)).toEqual(['Brought back']);
  const notebooks = (await ines.get('/notebooks')).body as { kind: string }[];
  expect(notebooks.every(({ kind }) => kind === 'notebook')).toBe(true);
});

test('4 two pages merged into each other by redo: the second is refused, nothing is changed, and all is found', async () => {
  const [gate, race] = [idOf('Gate'), idOf('Race')];
  const taken = await undoOf({ do: 'merge', id: gate, intoId: race });
  const redo = await undoOf(...taken);
  await act({ do: 'merge', id: race, intoId: gate }).expect(200);
  const before = JSON.stringify(server.rows('SELECT * FROM entries ORDER BY row'));
  const answer = await act(...redo);
  expect([answer.status, answer.body.detail]).toEqual([409, expect.stringContaining('Nothing was changed')]);
  expect(JSON.stringify(server.rows('SELECT * FROM entries ORDER BY row'))).toBe(before);
  await ines.get('/find?q=gate').expect(200);
  await ines.get('/names?q=race').expect(200);
});

test('4 a circle in the data ends no request', async () => {
  const [gate, race] = [idOf('Gate'), idOf('Race')];
  const lead = server.services.database.writer.prepare('UPDATE entries SET mergedInto = ? WHERE id = ?');
  lead.run(race, gate);
  lead.run(gate, race);
  for (const address of [
    '/find?q=gate',
    '/names?q=gate',
    `/targets?ids=${gate},${race}`,
    `/pages/${gate}`,
    `/pages/${gate}/margin`,
  ])
    await ines.get(address).expect(200);
  const disagreements = await checkData(server.services.database);
  expect(disagreements.map(({ what }) => what)).toContain('It was merged into itself.');
  lead.run(null, gate);
  lead.run(null, race);
});

test('4 asked for twice, a copy is made once', async () => {
  const copyId = newId();
  await act({ do: 'duplicate', id: idOf('Water'), copyId }).expect(200);
  const count = () => server.row<{ n: number }>('SELECT COUNT(*) AS n FROM entries')!.n;
  const once = count();
  expect(await undoOf({ do: 'duplicate', id: idOf('Water'), copyId })).toEqual([]);
  expect(count()).toBe(once);
});

test('4 places whose keys are equal, worn out or no keys at all take what is moved there', async () => {
  const [gate, race, cogs] = [idOf('Gate'), idOf('Race'), idOf('Cogs')];
  const set = server.services.database.writer.prepare('UPDATE entries SET orderKey = ? WHERE id = ?');
  for (const [one, other] of [
    ['a0', 'a0'],
    ['zzz', 'zzz'],
    ['a0', `a0${'z'.repeat(190)}`],
    ['!', '0'],
  ] as const) {
    set.run(one, gate);
    set.run(other, race);
    await act({ do: 'place', id: cogs, parentId: idOf('Water'), afterId: gate }).expect(200);
    await act({ do: 'place', id: cogs, parentId: idOf('Water'), afterId: race }).expect(200);
    await act({ do: 'place', id: cogs, parentId: idOf('Water'), afterId: null }).expect(200);
    await act({ do: 'putBack', id: cogs, parentId: idOf('Wheel'), orderKey: one === '!' ? '0' : one }).expect(200);
  }
});

const arbitraryDeed = fc.record({ window: fc.nat(1), kind: fc.nat(11), one: fc.nat(40), other: fc.nat(40) });

/** Everything of the account that can be seen: in the contents, in the journal, or in the bin. */
async function seen(): Promise<Set<string>> {
  const found = new Set<string>();
  const walk = (parentId: string | null): void => {
    for (const { id } of server.rows<{ id: string }>(
      'SELECT id FROM entries WHERE parentId IS ? AND deletedAt IS NULL AND day IS NULL',
      parentId,
    )) {
      if (found.has(id)) continue;
      found.add(id);
      walk(id);
    }
  };
  for (const { id } of (await ines.get('/notebooks')).body as { id: string }[]) {
    found.add(id);
    walk(id);
  }
  for (const { id } of (await ines.get('/bin')).body as { id: string }[]) {
    found.add(id);
    walk(id);
  }
  return found;
}

test(
  '4 two windows that do, take back and do again in any order leave all of it to be seen, and never an error of ours',
  async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(arbitraryDeed, { minLength: 2, maxLength: 9 }), async (deeds) => {
        const windows = [0, 1].map(() => ({ undo: [] as Act[][], redo: [] as Act[][] }));
        for (const { window, kind, one, other } of deeds) {
          const [id, second] = [ids[one % ids.length]!, ids[other % ids.length]!];
          const { undo, redo } = windows[window]!;
          const fresh: Act[] = [
            { do: 'merge', id, intoId: second },
            { do: 'merge', id: second, intoId: id },
            { do: 'place', id, parentId: second },
            { do: 'bin', id },
            { do: 'restore', id },
            { do: 'duplicate', id, copyId: newId() },
            { do: 'make', id: newId(), kind: 'page', parentId: second, name: 'Made' },
            { do: 'lift', id, blockIds: [], pageId: newId(), parentId: id },
          ];
          if (kind === 11) {
            const { status } = await ines.delete('/bin');
            expect(status).toBeLessThan(500);
            continue;
          }
          const acts = kind === 8 || kind === 9 ? undo.pop() : kind === 10 ? redo.pop() : [fresh[kind]!];
          if (!acts || acts.length === 0) continue;
          const { status, body } = await act(...acts);
          expect(status).toBeLessThan(500);
          if (status !== 200) continue;
          const back = (body as { undo: Act[] }).undo;
          if (kind === 8 || kind === 9) redo.push(back);
          else undo.push(back);
        }
        const all = server.rows<{ id: string; mergedInto: string | null; wordCount: number }>(
          'SELECT id, mergedInto, wordCount FROM entries WHERE day IS NULL',
        );
        const visible = await seen();
        // A page that was merged into another, and is empty, leads there and is shown nowhere else.
        const hidden = all.filter(
          ({ id, mergedInto, wordCount }) => !visible.has(id) && (mergedInto === null || wordCount > 0),
        );
        expect(hidden).toEqual([]);
        expect(await checkData(server.services.database)).toEqual([]);
      }),
      { numRuns: times(150) },
    );
  },
  times(120_000),
);
