import fc from 'fast-check';
import type { Act, ActEntry, PinnedEntry } from '@glossarion/core/acts';
import { MemoryOutline, planAll } from '@glossarion/core/acts/inMemory';
import { newId, ownWords, type BodyJson, type NodeJson } from '@glossarion/core/document';
import { SEASONS } from '@glossarion/core/outline';
import { times } from '@glossarion/core/testing';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';
import { checkData } from './checkData';

let server: TestedServer;
let ines: Person;
let ids: string[];

const notes = [
  { path: 'Mill/Water/Gate.md', text: 'See [[Pintle]].\n' },
  { path: 'Mill/Water/Gate/Pintle.md', text: 'Of the [[Gate]].\n' },
  { path: 'Mill/Water/Race.md', text: 'Silt.\n' },
  { path: 'Mill/Wheel/Cogs.md', text: 'For the [[Gate]].\n' },
  { path: 'Craft/Timber/Oak.md', text: 'Green.\n' },
];

beforeEach(async () => {
  server = await makeServer();
  ines = await server.person();
  await ines.post('/imports', { files: notes }).expect(200);
  ids = server
    .rows<{ id: string }>('SELECT id FROM entries WHERE ownerId = ? ORDER BY row', ines.id)
    .map((row) => row.id);
});
afterEach(() => server.stop());

/** All that is not in the bin: what stands where, in which order, called what, for when. */
const living = (): unknown[] => {
  const children = (parentId: string | null): unknown[] =>
    server
      .rows<{ id: string; name: string; season: string | null; showsLeaves: number; pagesBeneath: number }>(
        `SELECT id, name, season, showsLeaves, pagesBeneath FROM entries
         WHERE ownerId = ? AND parentId IS ? AND deletedAt IS NULL ORDER BY orderKey, row`,
        ines.id,
        parentId,
      )
      .map(({ id, ...entry }) => ({ id, ...entry, children: children(id) }));
  return [children(null), server.rows('SELECT entryId FROM pins WHERE ownerId = ? ORDER BY orderKey', ines.id)];
};

const arbitraryWish = fc.record({
  kind: fc.nat(8),
  one: fc.nat(40),
  other: fc.nat(40),
  place: fc.nat(2),
  season: fc.constantFrom(...SEASONS),
});
type Wish = typeof arbitraryWish extends fc.Arbitrary<infer T> ? T : never;

/** A blind act of a window that saw the outline a while ago. */
function actOf({ kind, one, other, place, season }: Wish): Act {
  const [id, second] = [ids[one % ids.length]!, ids[other % ids.length]!];
  const afterId = place === 0 ? null : place === 1 ? undefined : ids[(one + other) % ids.length]!;
  const where = { parentId: second, ...(afterId !== undefined && { afterId }) };
  const acts: Act[] = [
    { do: 'place', id, ...where },
    { do: 'place', id, ...where },
    { do: 'bin', id },
    { do: 'restore', id },
    { do: 'season', id, season },
    { do: 'name', id, name: `Renamed ${one % 7}` },
    { do: 'make', id: newId(), kind: 'page', name: 'Made', ...where },
    { do: 'duplicate', id, copyId: newId() },
    { do: 'pin', id, ...(afterId !== undefined && { afterId }) },
  ];
  return acts[kind]!;
}

test(
  'whatever is done, what is stored agrees, and taking all of it back leaves the account as it was',
  async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(arbitraryWish, { minLength: 1, maxLength: 14 }), async (wishes) => {
        const before = JSON.stringify(living());
        const undos: Act[][] = [];
        for (const wish of wishes) {
          const done = await server.services.acts.perform(ines.viewer, [actOf(wish)]).catch((error: Error) => error);
          // What can’t be done is refused in words, and changes nothing.
          if (done instanceof Error)
            expect(`${done.name}: ${done.message}`).toMatch(/^(ActError|PlaceError|Problem): /u);
          else undos.unshift(done.undo);
        }
        expect(await checkData(server.services.database)).toEqual([]);
        for (const undo of undos) await server.services.acts.perform(ines.viewer, undo);
        expect(JSON.stringify(living())).toBe(before);
        expect(await checkData(server.services.database)).toEqual([]);
      }),
      { numRuns: times(40) },
    );
  },
  times(60_000),
);

test('a list of acts is done whole or not at all', async () => {
  const before = JSON.stringify(living());
  const doing = server.services.acts.perform(ines.viewer, [
    { do: 'name', id: ids[2]!, name: 'Half done' },
    { do: 'bin', id: ids[2]! },
    { do: 'place', id: ids[0]!, parentId: ids[2]! },
  ]);
  await expect(doing).rejects.toThrow();
  expect(JSON.stringify(living())).toBe(before);
  expect(await checkData(server.services.database)).toEqual([]);
});

/** All of an account as acts see it, as it is stored now. */
function outlineNow(now = new Date().toISOString()): MemoryOutline {
  const entries = server.rows<ActEntry>('SELECT * FROM entries WHERE ownerId = ? ORDER BY row', ines.id);
  const contents = server
    .rows<{ id: string; json: string }>('SELECT id, json FROM documents')
    .map(({ id, json }): [string, NodeJson[]] => [id, (JSON.parse(json) as BodyJson).content]);
  const pins = server.rows<PinnedEntry>('SELECT entryId, orderKey FROM pins WHERE ownerId = ?', ines.id);
  return new MemoryOutline({ accountId: ines.id, entries, contents, pins }, now);
}

/** What stands where and how, with its text. */
function compared(outline: MemoryOutline): unknown {
  const { entries, contents, pins } = outline.held();
  const texts = new Map([...contents].map(([id, content]) => [id, content.map(ownWords)]));
  return {
    entries: [...entries]
      .map(({ id, kind, parentId, orderKey, name, season, deletedAt, mergedInto, firstWords, wordCount }) => {
        const state = { season, isDeleted: deletedAt !== null, mergedInto };
        return { id, kind, parentId, orderKey, name, ...state, firstWords, wordCount, text: texts.get(id) ?? null };
      })
      .sort((one, other) => (one.id < other.id ? -1 : 1)),
    pins,
  };
}

test(
  'the plan in memory is what the server stores',
  async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(arbitraryWish, { minLength: 1, maxLength: 8 }), async (wishes) => {
        for (const wish of wishes) {
          const act = actOf(wish);
          const now = new Date().toISOString();
          const outline = outlineNow(now);
          const planned = (() => {
            try {
              return planAll([act], outline).undo;
            } catch (error) {
              return (error as Error).message;
            }
          })();
          const done = await server.services.acts.perform(ines.viewer, [act], now).then(
            ({ undo }) => undo,
            (error: Error) => error.message,
          );
          expect(done).toEqual(planned);
          if (typeof done !== 'string') expect(compared(outlineNow())).toEqual(compared(outline));
        }
      }),
      { numRuns: times(25) },
    );
  },
  times(60_000),
);
