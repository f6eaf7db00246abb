import fc from 'fast-check';
import { bodyFacts, newId, type BodyJson, type NodeJson } from '@glossarion/core/document';
import { dayId } from '@glossarion/core/journal';
import type { Act } from '@glossarion/core/acts';
import { times } from '@glossarion/core/testing';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';
import { checkData } from './checkData';

let server: TestedServer;
let ines: Person;

const notes = [
  { path: 'Mill/Water/Sluice gate.md', text: 'The leaf has dropped.\n\n## Next\n\n- [ ] Measure the bore\n' },
  { path: 'Mill/Water/Budget.md', text: 'Oak for the sluice gate comes to £1,140. The `sluice gate` in code.\n' },
  {
    path: 'Mill/Water/Plan.md',
    text: '## Lifts\n\n- Neaps\n  - The [[Sluice gate]] first, then the Sluice Gate again\n',
  },
  { path: 'Mill/Money/Old.md', text: 'SLUICE GATE, and the lower leaf.\n' },
  { path: 'Journal/2026-03-09.md', text: 'Rang on 2 March 2026 about the sluice gate. Again tomorrow.\n' },
];

const idOf = async (title: string): Promise<string> =>
  (await server.services.find.byName(ines.viewer, title, 5)).find((each) => each.title === title)!.id;
const act = async (...acts: Act[]) => {
  const done = await server.services.acts.perform(ines.viewer, acts);
  server.services.forgetNames(ines.id);
  return done;
};
const named = (id: string) => server.services.alsoNamed.list(ines.viewer, id, 0, 50);
const glosses = async (id: string) => (await server.services.margin.glosses(ines.viewer, id)).glosses;
const idle = () => server.services.background.idle();
const agrees = async () => expect(await checkData(server.services.database)).toEqual([]);

beforeEach(async () => {
  server = await makeServer();
  ines = await server.person();
  await ines.post('/imports', { files: notes }).expect(200);
  await idle();
});
afterEach(() => server.stop());

test('L12 what names a page is found in the background, as texts and names change', async () => {
  const gate = await idOf('Sluice gate');
  // The line of the plan links already; what stands in code names nothing.
  expect((await named(gate)).lines.map(({ pageTitle, places }) => [pageTitle, places.length]).sort()).toEqual([
    ['Budget', 1],
    ['Monday 9 March 2026', 1],
    ['Old', 1],
  ]);
  await act({ do: 'name', id: gate, name: 'Lower leaf' });
  await idle();
  expect((await named(gate)).lines.map(({ pageTitle }) => pageTitle)).toEqual(['Old']);
  await act({ do: 'otherNames', id: gate, names: ['Sluice gate', 'Sluice gate', ' '] });
  await idle();
  expect((await named(gate)).count).toBe(3);
  await agrees();
});

test('L12 one is linked, all are linked, one is never offered again; each is taken back', async () => {
  const gate = await idOf('Sluice gate');
  const [first] = (await named(gate)).lines.filter(({ pageTitle }) => pageTitle === 'Budget');
  const { undo } = await act({ do: 'linkNames', id: gate, places: [first!] });
  expect((await named(gate)).count).toBe(2);
  expect((await glosses(gate)).map(({ pageTitle }) => pageTitle).sort()).toEqual(['Budget', 'Plan']);
  const budget = server.row<{ json: string }>('SELECT json FROM documents WHERE id = ?', await idOf('Budget'))!;
  // Case apart it is the page’s title, so the words stay as they were written.
  expect(JSON.stringify(JSON.parse(budget.json))).toContain(`{"target":"${gate}","words":"sluice gate"}`);
  await act(...undo);
  await idle();
  expect((await named(gate)).count).toBe(3);
  await act({ do: 'linkNames', id: gate, places: (await named(gate)).lines });
  await idle();
  expect((await named(gate)).count).toBe(0);
  expect(await glosses(gate)).toHaveLength(4);
  await agrees();
});

test('L12 a line that was left unlinked is not offered again, until that is taken back', async () => {
  const gate = await idOf('Sluice gate');
  const [first] = (await named(gate)).lines;
  const { undo } = await act({
    do: 'leaveUnlinked',
    id: gate,
    pageId: first!.pageId,
    blockId: first!.blockId,
    isLeft: true,
  });
  expect((await named(gate)).count).toBe(2);
  await act(...undo);
  expect((await named(gate)).count).toBe(3);
});

test('a line can’t be left out for a day that has no page, nor a link be made to what is no day', async () => {
  const day = dayId(ines.id, '2026-03-02');
  const [first] = (await named(day)).lines;
  const left: Act = { do: 'leaveUnlinked', id: day, pageId: first!.pageId, blockId: first!.blockId, isLeft: true };
  await expect(act(left)).rejects.toThrow(/Nothing is written on that day yet/u);
  await expect(act({ do: 'linkNames', id: newId(), day: '2026-03-02', places: [first!] })).rejects.toThrow();
});

test('L15 a day shows what names it, and a day not yet written is no page that is gone', async () => {
  const day = dayId(ines.id, '2026-03-10');
  const second = dayId(ines.id, '2026-03-02');
  expect((await named(second)).lines.map(({ day: on }) => on)).toEqual(['2026-03-09']);
  // “Tomorrow” counts from the day it was written on.
  expect((await named(day)).lines.map(({ day: on }) => on)).toEqual(['2026-03-09']);
  const [target] = server.services.entries.targets(ines.viewer, [second]);
  expect(target).toMatchObject({ day: '2026-03-02', state: 'unwritten', title: 'Monday 2 March 2026' });
  await act({ do: 'linkNames', id: second, day: '2026-03-02', places: (await named(second)).lines });
  expect((await glosses(second)).map(({ day: on }) => on)).toEqual(['2026-03-09']);
  expect((await named(second)).count).toBe(0);
});

test('L13 other names find and are offered', async () => {
  const gate = await idOf('Sluice gate');
  await act({ do: 'otherNames', id: gate, names: ['Seaward door'] });
  expect((await server.services.find.byName(ines.viewer, 'seaward', 5)).map(({ id }) => id)).toEqual([gate]);
  expect((await server.services.find.find(ines.viewer, 'seaward door')).findings[0]!.id).toBe(gate);
  const { entries } = await server.services.pickables.since(ines.viewer, null);
  expect(entries.find(({ id }) => id === gate)).toMatchObject({ names: ['Seaward door'] });
  await agrees();
});

test('L7 a page merged into another takes its links, names and lines along, and can be taken out again', async () => {
  const [gate, plan, old] = [await idOf('Sluice gate'), await idOf('Plan'), await idOf('Old')];
  const before = JSON.stringify(server.rows('SELECT id, json FROM documents ORDER BY id'));
  const { undo } = await act({ do: 'merge', id: gate, intoId: old });
  const [target] = server.services.entries.targets(ines.viewer, [gate]);
  expect(target).toMatchObject({ id: gate, pageId: old, title: 'Old', state: 'written' });
  expect((await glosses(old)).map(({ pageId }) => pageId)).toEqual([plan]);
  expect(server.services.entries.info(ines.viewer, old).names).toEqual(['Sluice gate']);
  expect(await server.services.bin.list(ines.viewer, '')).toEqual([]);
  const body = readBodyOf(old);
  expect(JSON.stringify(body)).toContain('The leaf has dropped');
  await act(...undo);
  expect(JSON.stringify(server.rows('SELECT id, json FROM documents ORDER BY id'))).toBe(before);
  expect(server.services.entries.info(ines.viewer, old).names).toEqual([]);
  await agrees();
});

test('a merge that can’t be is refused in words', async () => {
  const gate = await idOf('Sluice gate');
  await act({ do: 'make', id: newId(), kind: 'page', parentId: gate, name: 'Beneath' });
  await expect(act({ do: 'merge', id: gate, intoId: await idOf('Beneath') })).rejects.toThrow(/stands beneath/u);
  await expect(act({ do: 'merge', id: gate, intoId: gate })).rejects.toThrow(/into itself/u);
});

test('L9 the Margin is filtered and comes in pieces, with exact counts; L11 a gloss knows what it stands beneath', async () => {
  const gate = await idOf('Sluice gate');
  await act({ do: 'linkNames', id: gate, places: (await named(gate)).lines });
  const { margin } = server.services;
  const all = await margin.glosses(ines.viewer, gate, {}, { hasFacets: true });
  expect([all.total, all.count, all.glosses.length]).toEqual([4, 4, 4]);
  expect(all.facets!.notebooks.map(({ name, count }) => [name, count])).toEqual([
    ['Mill', 3],
    ['Journal', 1],
  ]);
  const piece = await margin.glosses(ines.viewer, gate, {}, { from: 2, limit: 1 });
  expect([piece.count, piece.glosses.length]).toEqual([4, 1]);
  expect(piece.glosses[0]!.blockId).toBe(all.glosses[2]!.blockId);
  expect((await margin.glosses(ines.viewer, gate, { notebook: 'journal' })).glosses.map(({ day }) => day)).toEqual([
    '2026-03-09',
  ]);
  const plan = all.glosses.find(({ pageTitle }) => pageTitle === 'Plan')!;
  expect(plan.above.map(({ words }) => words)).toEqual(['Lifts', 'Neaps']);
  await act({ do: 'season', id: await idOf('Old'), season: 'aside' });
  expect((await margin.glosses(ines.viewer, gate, { isWithoutAside: true })).count).toBe(3);
  expect((await margin.glosses(ines.viewer, gate, { since: '2026-04-01' })).count).toBe(3);
});

test('a line is rewritten from elsewhere, but not over what was written meanwhile', async () => {
  const budget = await idOf('Budget');
  const [node] = readBodyOf(budget).content as [NodeJson];
  const next = { ...node, content: [{ type: 'text', text: 'Oak, paid.' }] };
  const { undo } = await act({ do: 'rewrite', id: budget, nodes: [next], was: [node] });
  expect(readBodyOf(budget).content[0]).toEqual(next);
  await expect(act({ do: 'rewrite', id: budget, nodes: [node], was: [node] })).rejects.toThrow(/changed elsewhere/u);
  await act(...undo);
  expect(readBodyOf(budget).content[0]).toEqual(node);
});

test('L16 pages alike are found off the path of the request, with why', async () => {
  await ines.post('/imports', {
    files: [
      { path: 'Craft/Oak moisture.md', text: 'The meter reads the oak butt at 22 % in the middle.\n' },
      { path: 'Craft/Oak rail.md', text: 'An oak butt, the meter says wet.\n' },
      { path: 'Craft/Quince.md', text: 'Cheese in October.\n' },
    ],
  });
  const [oak, rail] = [await idOf('Oak moisture'), await idOf('Oak rail')];
  expect(await server.services.kin.of(ines.viewer, oak)).toEqual({ kin: [], isPending: true });
  await idle();
  const { kin, isPending } = await server.services.kin.of(ines.viewer, oak);
  expect(isPending).toBe(false);
  expect(kin[0]!.target.id).toBe(rail);
  expect(kin[0]!.words).toEqual(expect.arrayContaining(['butt', 'meter']));
  // A link makes them neighbours, no kin.
  const [node] = readBodyOf(rail).content as [NodeJson];
  const link = { type: 'pageLink', attrs: { target: oak, words: null } };
  await act({ do: 'rewrite', id: rail, nodes: [{ ...node, content: [...node.content!, link] }] });
  expect((await server.services.kin.of(ines.viewer, oak)).kin.map(({ target }) => target.id)).not.toContain(rail);
});

test('what links can lead to is told whole, then by what changed', async () => {
  const { pickables } = server.services;
  const whole = await pickables.since(ines.viewer, null);
  expect(whole.isWhole).toBe(true);
  const gate = await idOf('Sluice gate');
  await ines.post('/acts', { acts: [{ do: 'name', id: gate, name: 'Renamed' }] }).expect(200);
  const changed = await pickables.since(ines.viewer, whole.revision);
  expect(changed.isWhole).toBe(false);
  expect(changed.entries.map(({ title }) => title)).toEqual(['Renamed']);
  expect((await pickables.since(ines.viewer, whole.revision + 99)).isWhole).toBe(true);
});

test('titles of web addresses come from the made-up web alone', async () => {
  const known = await ines.get(`/web-title?address=${encodeURIComponent('https://tides.saltmere.example/tables#may')}`);
  expect(known.body).toEqual({ title: 'Tide tables for Saltmere Quay' });
  const unknown = await ines.get(`/web-title?address=${encodeURIComponent('https://example.com/')}`);
  expect(unknown.body).toEqual({ title: null });
});

const readBodyOf = (id: string): BodyJson =>
  JSON.parse(server.row<{ json: string }>('SELECT json FROM documents WHERE id = ?', id)!.json) as BodyJson;

/** Every line that links to a page or a block of it, from the bodies alone, following what was merged. */
function pointingAt(): Map<string, Set<string>> {
  const pages = server.rows<{
    id: string;
    json: string;
    deletedAt: string | null;
    mergedInto: string | null;
    parentId: string | null;
  }>(`SELECT e.id, b.json, e.deletedAt, e.mergedInto, e.parentId FROM entries e JOIN documents b ON b.id = e.id`);
  const all = new Map(
    server
      .rows<{ id: string; parentId: string | null; deletedAt: string | null }>(
        'SELECT id, parentId, deletedAt FROM entries',
      )
      .map((each) => [each.id, each]),
  );
  const isDeleted = (id: string): boolean => {
    for (let at = all.get(id); at; at = at.parentId ? all.get(at.parentId) : undefined) if (at.deletedAt) return true;
    return false;
  };
  const merged = new Map(pages.map((page) => [page.id, page.mergedInto]));
  const facts = pages.map((page) => ({ id: page.id, facts: bodyFacts(JSON.parse(page.json) as BodyJson) }));
  const pageOf = new Map<string, string>();
  for (const { id, facts: own } of facts) {
    pageOf.set(id, id);
    for (const block of own.blocks) pageOf.set(block.id, id);
    for (const { formerId } of own.formerIds) if (!pageOf.has(formerId)) pageOf.set(formerId, id);
  }
  const pointing = new Map<string, Set<string>>(pages.map(({ id }) => [id, new Set()]));
  for (const { id, facts: own } of facts) {
    if (isDeleted(id)) continue;
    for (const { target, blockId } of own.links) {
      let to = pageOf.get(target);
      // A link to a page follows what it was merged into; the lines of that page are on the other by themselves.
      for (let at = to === target ? merged.get(target) : null; at; at = merged.get(at)) to = at;
      if (to) pointing.get(to)!.add(`${id}/${blockId}`);
    }
  }
  // What was merged into another has a Margin there alone.
  for (const [id, into] of merged) if (into) pointing.delete(id);
  return pointing;
}

const wish = fc.record({ kind: fc.nat(8), one: fc.nat(30), other: fc.nat(30), line: fc.nat(6) });

test(
  'after any edits, moves, renames, merges, bins and restores the links as stored are those of the bodies, both ways',
  async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(wish, { minLength: 1, maxLength: 14 }), async (wishes) => {
        const ids = server
          .rows<{ id: string }>("SELECT id FROM entries WHERE kind = 'page' AND day IS NULL")
          .map(({ id }) => id);
        for (const { kind, one, other, line } of wishes) {
          const [id, second] = [ids[one % ids.length]!, ids[other % ids.length]!];
          const { content } = readBodyOf(id);
          const node = content[line % content.length]!;
          const target = line % 2 === 0 ? second : String(readBodyOf(second).content[0]!.attrs!.id);
          const link = { type: 'pageLink', attrs: { target, words: null } };
          const text = [{ type: 'text', text: 'See ' }, link];
          const acts: Act[] = [
            { do: 'rewrite', id, nodes: node.type === 'block' ? [{ ...node, content: text }] : [] },
            { do: 'rewrite', id, nodes: node.type === 'block' ? [{ ...node, content: [] }] : [] },
            { do: 'merge', id, intoId: second },
            { do: 'bin', id },
            { do: 'restore', id },
            { do: 'name', id, name: `Called ${one}` },
            { do: 'place', id, parentId: second },
            { do: 'lift', id, blockIds: [String(node.attrs!.id)], pageId: newId(), parentId: id },
            { do: 'duplicate', id, copyId: newId() },
          ];
          await act(acts[kind]!).catch((error: Error) =>
            expect(['ActError', 'PlaceError', 'Problem']).toContain(error.name),
          );
        }
        const wanted = pointingAt();
        expect(wanted.size).toBeGreaterThan(0);
        for (const [id, lines] of wanted) {
          const margin = await server.services.margin.glosses(ines.viewer, id, {}, { limit: 500 });
          const shown = new Set(margin.glosses.map((each) => `${each.pageId}/${each.blockId}`));
          expect([id, [...shown].sort()]).toEqual([id, [...lines].sort()]);
        }
        await agrees();
      }),
      { numRuns: times(25) },
    );
  },
  times(120_000),
);
