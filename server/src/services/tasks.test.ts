import fc from 'fast-check';
import type { Act } from '@glossarion/core/acts';
import { block, body, pageLink, type NodeJson } from '@glossarion/core/document';
import { addDays, dayId } from '@glossarion/core/journal';
import type { BroughtForward, TaskChange } from '@glossarion/core/tasks';
import { times } from '@glossarion/core/testing';
import type { Happening } from '../entities';
import { make } from '../testing/trespassing/people';
import { Typist } from '../testing/typist';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';
import { newId } from '@glossarion/core/document';
import { checkData } from './checkData';
import { checkHappenings } from './checkHappenings';

const TODAY = '2026-11-26';
let server: TestedServer;
let ines: Person;
let notebook: string;

beforeAll(async () => {
  server = await makeServer();
});
afterAll(async () => server.stop());
beforeEach(async () => {
  ines = await server.person();
  notebook = newId();
  await act(make(notebook, 'notebook', null, 'Mill'));
});
afterEach(async () => expect(await checkData(server.services.database)).toEqual([]));

const act = async (...acts: object[]): Promise<Act[]> => {
  const answer = await ines.post('/acts', { acts });
  expect([answer.status, answer.body]).toEqual([200, expect.anything()]);
  return (answer.body as { undo: Act[] }).undo;
};
const todo = (words: string, more: Record<string, unknown> = {}): NodeJson =>
  block('todo', words, { id: newId(), state: 'open', ...more });

/** A page with these lines; on a day's page where a day is given. */
async function pageOf(lines: NodeJson[], title = 'Gate'): Promise<string> {
  const id = newId();
  await act(make(id, 'page', notebook, title), { do: 'putBlocks', id, afterId: null, nodes: lines });
  return id;
}
async function dayOf(day: string, lines: NodeJson[]): Promise<string> {
  const id = dayId(ines.id, day);
  await server.services.database.write((manager) =>
    server.services.documents.makeDay(manager, ines.viewer, id, day, body(...lines)),
  );
  return id;
}
const brought = async (day = TODAY, today = TODAY, older = false): Promise<BroughtForward> =>
  (await ines.get(`/tasks/brought?day=${day}&today=${today}&older=${older}`)).body as BroughtForward;
const words = ({ tasks }: BroughtForward) => tasks.map(({ node }) => node.content?.[0]?.text);
const setTask = (id: string, blockId: string, change: TaskChange, occurrence: string | null = null) => ({
  do: 'setTask',
  id,
  blockId,
  change,
  occurrence,
});
const idOf = (node: NodeJson) => String(node.attrs!.id);
const happened = (what: string) =>
  server.rows<Happening>(
    'SELECT * FROM happenings WHERE ownerId = ? AND what = ? AND isTakenBack = 0 ORDER BY number',
    ines.id,
    what,
  );

test('T2 what is left, due, or for today is brought forward from wherever it stands, and nothing else', async () => {
  await dayOf('2026-11-25', [
    todo('Left yesterday'),
    todo('Done', { state: 'done' }),
    todo('For Monday', { for: '2026-11-30' }),
  ]);
  await dayOf(TODAY, [todo('Written today')]);
  await dayOf('2026-11-28', [todo('Written for Saturday')]);
  await dayOf('2026-09-01', [todo('Left in September')]);
  await pageOf([
    todo('Due today', { due: `${TODAY}T09:30` }),
    todo('Due tomorrow', { due: '2026-11-27' }),
    todo('Overdue, and put off', { due: '2026-11-20', for: '2026-11-30' }),
    todo('For today', { for: TODAY }),
    todo('On no day', { due: '2026-11-20', for: 'none' }),
    todo('No day'),
    todo('Dropped', { due: TODAY, state: 'dropped' }),
    todo('Begun', { due: TODAY, state: 'begun', priority: 'high' }),
  ]);
  expect(words(await brought())).toEqual(['Begun', 'Due today', 'For today', 'Left yesterday']);
  expect((await brought()).older).toBe(1);
  expect(words(await brought(TODAY, TODAY, true))).toContain('Left in September');
  // On a day that is to come stands what is for it, or due on it.
  expect(words(await brought('2026-11-27'))).toEqual(['Due tomorrow']);
  expect(words(await brought('2026-11-30')).sort()).toEqual(['For Monday', 'Overdue, and put off']);
  // And on that day, all that was left.
  expect(words(await brought('2026-11-30', '2026-11-30')).sort()).toEqual(
    [...['Begun', 'Due today', 'Due tomorrow', 'For Monday', 'For today', 'Left yesterday', 'Overdue, and put off']]
      .concat('Written for Saturday', 'Written today')
      .sort(),
  );
});

test('J2 the calendar counts what is due on a day, or for it, and what was written', async () => {
  await dayOf('2026-11-25', [
    todo('For the 30th', { for: '2026-11-30' }),
    todo('Done', { due: '2026-11-30', state: 'done' }),
  ]);
  await pageOf([
    todo('Due', { due: '2026-11-30T09:30' }),
    todo('Due, and for that day', { due: '2026-11-30', for: '2026-11-30' }),
    todo('Due on it, for another', { due: '2026-11-30', for: '2026-12-02' }),
    todo('On no day', { due: '2026-11-30', for: 'none' }),
  ]);
  const days = (await ines.get('/journal/calendar?from=2026-11-25&to=2026-12-02')).body as {
    day: string;
    wordCount: number;
    due: number;
  }[];
  expect(days).toHaveLength(8);
  expect(days.filter(({ wordCount, due }) => wordCount + due > 0)).toEqual([
    { day: '2026-11-25', wordCount: 4, due: 0 },
    { day: '2026-11-30', wordCount: 0, due: 5 },
    { day: '2026-12-02', wordCount: 0, due: 1 },
  ]);
  await ines.get('/journal/calendar?from=2026-11-25&to=2029-12-02').expect(400);
});

test('words are noted on the day they were typed, where the person is, less those taken away', async () => {
  await ines.put('/settings', { key: 'timeZone', value: 'Pacific/Kiritimati' }).expect(204);
  await ines.put('/settings', { key: 'timeZone', value: 'Nowhere/Town' }).expect(400);
  const page = await pageOf([block('paragraph', 'Not typed at all')]);
  const typist = await Typist.at({ address: server.url, cookie: ines.cookie }, page);
  await typist.type('three words more');
  await typist.type('two more');
  typist.close();
  const there = new Intl.DateTimeFormat('sv', { timeZone: 'Pacific/Kiritimati' }).format(new Date());
  expect(happened('words')).toMatchObject([{ documentId: page, day: there, words: 5 }]);
  const around = (await ines.get(`/journal/days/${there}/around`)).body as { begun: { title: string }[] };
  expect(around.begun.map(({ title }) => title)).toEqual(['Gate']);
  const before = (await ines.get(`/journal/days/${addDays(there, -1)}/around`)).body as { begun: unknown[] };
  expect(before.begun).toEqual([]);
});

test('T1 an open child stands within its open parent, shown once; a link alone is a task too', async () => {
  const gate = await pageOf([]);
  const parent = todo('Parent', { due: TODAY });
  await pageOf([
    parent,
    todo('Child', { depth: 1, due: TODAY }),
    block('paragraph', 'Said beneath', { depth: 1 }),
    todo('No day of its own'),
    todo('Child alone', { depth: 1, due: TODAY }),
    block('todo', [pageLink(gate)], { state: 'open', due: TODAY }),
    block('todo', [], { state: 'open', due: TODAY }),
  ]);
  const { tasks, targets } = await brought();
  expect(tasks.map(({ node }) => node.content?.[0]?.text ?? node.content?.[0]?.type)).toEqual([
    'Parent',
    'Child alone',
    'pageLink',
  ]);
  expect(tasks[0]!.beneath.map((node) => node.content?.[0]?.text)).toEqual(['Child', 'Said beneath']);
  expect(targets.map(({ title }) => title)).toEqual(['Gate']);
});

test('T1 what is in the bin, for later, laid aside or in a template is no task', async () => {
  const pages = await Promise.all([0, 1, 2, 3].map((each) => pageOf([todo(`Task ${each}`, { due: TODAY })])));
  expect(words(await brought())).toHaveLength(4);
  await act({ do: 'bin', id: pages[0] }, { do: 'season', id: pages[1], season: 'later' });
  await act({ do: 'season', id: pages[2], season: 'aside' }, { do: 'describe', id: pages[3], isTemplate: true });
  expect(words(await brought())).toEqual([]);
  expect(((await ines.get('/desk')).body as { tasks: unknown[] }).tasks).toEqual([]);
});

test('T1 ticked twice at once it counts once, and is taken back to what it was', async () => {
  const line = todo('Grease the screw', { due: '2026-11-24', repeat: 'FREQ=WEEKLY;BYDAY=TU' });
  const page = await pageOf([line]);
  const tick = setTask(page, idOf(line), { set: 'state', state: 'done', today: TODAY }, '2026-11-24');
  const [first, second] = await Promise.all([act(tick), act(tick)]);
  const node = async () =>
    ((await ines.get(`/pages/${page}`)).body as { body: { content: NodeJson[] } }).body.content.find(
      (each) => idOf(each) === idOf(line),
    )!;
  expect((await node()).attrs).toMatchObject({ due: '2026-12-01', doneOn: '2026-11-26/2026-11-24', state: 'open' });
  expect(happened('done')).toMatchObject([{ day: TODAY, occurrence: '2026-11-24', blockId: idOf(line) }]);
  await act(...[...first, ...second]);
  expect((await node()).attrs).toEqual(line.attrs);
  expect(happened('done')).toEqual([]);
});

test('T2 a task says how often it was put off; what is taken back was not', async () => {
  const line = todo('Ask Tomas');
  const page = await dayOf('2026-11-20', [line]);
  const now = new Date().toISOString().slice(0, 10);
  const put = (day: string) => act(setTask(page, idOf(line), { set: 'for', day }));
  await put(addDays(now, 1));
  const undo = await put(addDays(now, 7));
  const putOffs = async () => (await brought(addDays(now, 7), addDays(now, 7))).tasks[0]?.putOffs;
  expect(await putOffs()).toBe(2);
  await act(...undo);
  expect(await putOffs()).toBe(1);
  expect(happened('putOff')).toMatchObject([{ day: now, fromDay: '', toDay: addDays(now, 1) }]);
});

test('what happened to a task goes with it from page to page, and with the page for good', async () => {
  const line = todo('Ring Callum');
  const [page, other] = [await pageOf([line, todo('Stays')]), await pageOf([])];
  await act(setTask(page, idOf(line), { set: 'state', state: 'done', today: TODAY }));
  const undo = await act({
    do: 'moveBlocks',
    id: page,
    blocks: [{ id: idOf(line), from: page, to: other, afterId: null, depth: 0 }],
  });
  expect(happened('done')).toMatchObject([{ documentId: other }]);
  await act(...undo);
  expect(happened('done')).toMatchObject([{ documentId: page }]);
  // A copy was not done on that day.
  const copyId = newId();
  await act({ do: 'duplicate', id: page, copyId });
  expect(happened('done')).toHaveLength(1);
  await act({ do: 'bin', id: page });
  await ines.delete(`/bin/${page}`).expect(204);
  expect(happened('done')).toEqual([]);
});

const arbitraryWish = fc.record({ kind: fc.nat(9), one: fc.nat(5), other: fc.nat(2), days: fc.nat(12) });

test(
  'whatever is done with tasks and their lines, what happened agrees with what they say, and all of it is taken back',
  async () => {
    const lines = Array.from({ length: 6 }, (_each, index) =>
      todo(`Task ${index}`, index % 2 ? { due: '2026-11-24', repeat: 'FREQ=DAILY' } : {}),
    );
    const pages = [await pageOf(lines.slice(0, 3)), await pageOf(lines.slice(3)), await pageOf([])];
    const present = () =>
      server.rows<{ id: string; json: string }>(
        'SELECT d.id, d.json FROM documents d JOIN entries e ON e.id = d.id WHERE e.ownerId = ? ORDER BY d.id',
        ines.id,
      );
    await fc.assert(
      fc.asyncProperty(fc.array(arbitraryWish, { minLength: 1, maxLength: 10 }), async (wishes) => {
        const before = present();
        const was = server.rows(
          'SELECT what, day, blockId, occurrence, fromDay, toDay FROM happenings WHERE ownerId = ? AND isTakenBack = 0',
          ines.id,
        );
        const undos: Act[][] = [];
        for (const { kind, one, other, days } of wishes) {
          const blockId = idOf(lines[one]!);
          const place = server.row<{ documentId: string }>('SELECT documentId FROM blocks WHERE id = ?', blockId);
          const id = place?.documentId ?? pages[0]!;
          const day = addDays(TODAY, days);
          const changes: TaskChange[] = [
            { set: 'state', state: 'done', today: day },
            { set: 'state', state: 'dropped', today: day },
            { set: 'state', state: 'open', today: day },
            { set: 'for', day },
            { set: 'for', day: 'none' },
            { set: 'repeat', repeat: days % 2 ? 'FREQ=WEEKLY' : null, today: day },
            { set: 'due', due: day },
          ];
          const acts: object[] = [
            ...changes.map((change) => setTask(id, blockId, change)),
            { do: 'moveBlocks', id, blocks: [{ id: blockId, from: id, to: pages[other], afterId: null, depth: 0 }] },
            { do: 'dropBlocks', id, blockIds: [blockId] },
            { do: 'rewrite', id, nodes: [block('paragraph', 'No task any more', { id: blockId })] },
          ];
          const done = await server.services.acts
            .perform(ines.viewer, [acts[kind] as Act])
            .catch((error: Error) => error);
          if (done instanceof Error) expect(done.name).toMatch(/^(ActError|PlaceError|Problem)$/u);
          else undos.unshift(done.undo);
          expect(await checkHappenings(server.services.database.manager)).toEqual([]);
        }
        for (const undo of undos) if (undo.length > 0) await server.services.acts.perform(ines.viewer, undo);
        expect(present()).toEqual(before);
        expect(
          server.rows(
            'SELECT what, day, blockId, occurrence, fromDay, toDay FROM happenings WHERE ownerId = ? AND isTakenBack = 0',
            ines.id,
          ),
        ).toEqual(was);
      }),
      { numRuns: times(25) },
    );
  },
  times(60_000),
);
