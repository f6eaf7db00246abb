import type { Act } from '@glossarion/core/acts';
import { block, newId, pageLink, text, type BodyJson, type NodeJson } from '@glossarion/core/document';
import { addDays, periodId } from '@glossarion/core/journal';
import type { Found } from '@glossarion/core/find';
import type { EntryInfo } from '@glossarion/core/outline';
import type { Tray } from '@glossarion/core/tray';
import { make } from '../testing/trespassing/people';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';
import { checkData } from './checkData';
import { checkHappenings } from './checkHappenings';

let server: TestedServer;
let ines: Person;
let notebook: string;
let gate: string;
let today: string;

beforeAll(async () => {
  server = await makeServer();
});
afterAll(async () => server.stop());
beforeEach(async () => {
  ines = await server.person();
  [notebook, gate] = [newId(), newId()];
  await act(make(notebook, 'notebook', null, 'Mill'), make(gate, 'page', notebook, 'Gate'));
  today = new Date().toISOString().slice(0, 10);
});
afterEach(async () => expect(await checkData(server.services.database)).toEqual([]));

const act = async (...acts: object[]): Promise<Act[]> => {
  const answer = await ines.post('/acts', { acts });
  expect([answer.status, answer.body]).toEqual([200, expect.anything()]);
  return (answer.body as { undo: Act[] }).undo;
};
const get = async <T>(address: string): Promise<T> => (await ines.get(address)).body as T;
const jot = (nodes: NodeJson[], at = new Date().toISOString(), id = newId()) => ({ do: 'jot' as const, id, nodes, at });
const words = (lines: readonly NodeJson[]) => lines.map(({ content }) => content?.map((each) => each.text).join(''));
const tray = async () => (await get<Tray>('/tray')).jottings.map(({ nodes }) => words(nodes)[0]);
const linesOf = async (id: string) => words((await get<{ body: BodyJson }>(`/pages/${id}`)).body.content);
const line = (said: string) => block('paragraph', said, { id: newId() });

test('what was caught arrives once, waits in the order of its moments, and counts among the words of the day', async () => {
  const early = jot([line('Hessian under the chain')], '2026-11-03T09:00:00.000Z');
  await act(jot([line('Later thought')]));
  await act(early);
  await act(early);
  expect(await tray()).toEqual(['Hessian under the chain', 'Later thought']);
  expect(await get('/tray/waiting?today=2026-11-28')).toEqual({ count: 2 });
  expect(server.rows('SELECT SUM(words) AS words FROM happenings WHERE documentId = ?', early.id)).toEqual([
    { words: 4 },
  ]);
  // It stands in no notebook, among no recent pages and no contents, and is found.
  expect((await get<unknown[]>('/notebooks')).length).toBe(1);
  expect((await get<{ id: string }[]>('/recent')).map(({ id }) => id)).not.toContain(early.id);
  const found = (await get<Found>('/find?q=hessian ')).findings;
  expect(found.map(({ id, standsIn }) => [id, standsIn])).toEqual([[early.id, 'tray']]);
  // A clock that goes fast catches nothing in time to come.
  const fast = jot([line('Tomorrow’s')], addDays(today, 3));
  await act(fast);
  expect((await get<EntryInfo>(`/entries/${fast.id}`)).begunAt.slice(0, 10)).toBe(today);
  expect((await ines.post('/acts', { acts: [jot([])] })).status).toBe(400);
});

test('filed to a page or beneath its heading, its lines keep their ids and links to it lead there; taken back, it waits again', async () => {
  const [head, rest, caught] = [newId(), newId(), newId()];
  await act({
    do: 'putBlocks',
    id: gate,
    afterId: null,
    nodes: [block('heading', 'Winch', { id: head, level: 2 }), block('heading', 'Oak', { id: rest, level: 2 })],
  });
  const one = jot([block('todo', 'Ask about hessian', { id: caught, state: 'open' })]);
  await act(one);
  const other = newId();
  await act(make(other, 'page', notebook, 'Other'), {
    do: 'putBlocks',
    id: other,
    afterId: null,
    nodes: [block('paragraph', [text('See '), pageLink(one.id)], { id: newId() })],
  });
  const undo = await act({ do: 'file', id: one.id, toId: gate, at: head });
  expect(await tray()).toEqual([]);
  expect((await linesOf(gate)).slice(0, 3)).toEqual(['Winch', 'Ask about hessian', 'Oak']);
  expect(await get(`/blocks/${caught}`)).toEqual({ pageId: gate, blockId: caught });
  const [target] = await get<{ title: string }[]>(`/targets?ids=${one.id}`);
  expect(target!.title).toBe('Gate');
  expect((await get<Found>('/find?q=hessian ')).findings.map(({ id }) => id)).toEqual([gate]);
  // Emptied, it is nothing to be brought back.
  expect(await get('/bin')).toEqual([]);
  expect((await ines.post('/acts', { acts: [{ do: 'file', id: one.id, toId: gate, at: 'end' }] })).status).toBe(409);
  await act(...undo);
  expect(await tray()).toEqual(['Ask about hessian']);
  expect(await linesOf(gate)).not.toContain('Ask about hessian');
  expect(await get(`/blocks/${caught}`)).toEqual({ pageId: one.id, blockId: caught });
});

test('a jotting that names a page without a link is shown to it', async () => {
  const one = jot([line('Would the Gate bear it?')]);
  await act(one);
  await server.services.background.idle();
  const { lines } = await get<{ lines: { pageId: string; standsIn: string }[] }>(`/pages/${gate}/alsoNamed?limit=5`);
  expect(lines.map(({ pageId, standsIn }) => [pageId, standsIn])).toEqual([[one.id, 'tray']]);
});

test('it becomes a page, comes back on a day, is kept, thrown away; each is taken back', async () => {
  const one = jot([line('The winch: would hessian do?')]);
  await act(one);
  const state = async () => {
    const { parentId, jotting, comesBack, isDeleted, standsIn } = await get<EntryInfo>(`/entries/${one.id}`);
    return { parentId, jotting, comesBack, isDeleted, standsIn };
  };
  const waiting = { parentId: null, jotting: 'waiting', comesBack: null, isDeleted: false, standsIn: 'tray' };
  expect(await state()).toEqual(waiting);
  const back = addDays(today, 2);
  for (const [done, expected] of [
    [
      { do: 'place', id: one.id, parentId: notebook },
      { parentId: notebook, jotting: null, standsIn: null },
    ],
    [{ do: 'tray', id: one.id, jotting: 'waiting', comesBack: back }, { comesBack: back }],
    [{ do: 'tray', id: one.id, jotting: 'kept', comesBack: null }, { jotting: 'kept' }],
    [{ do: 'bin', id: one.id }, { isDeleted: true }],
  ]) {
    const undo = await act(done!);
    expect(await state()).toMatchObject(expected!);
    const again = await act(...undo);
    expect(await state()).toEqual(waiting);
    const redone = await act(...again);
    expect(await state()).toMatchObject(expected!);
    await act(...redone);
    expect(await state()).toEqual(waiting);
  }
  // Of a page that holds others by now no jotting is made again.
  const undo = await act({ do: 'place', id: one.id, parentId: notebook });
  await act(make(newId(), 'page', one.id, 'Beneath'));
  expect((await ines.post('/acts', { acts: undo })).status).toBe(409);
  expect(await state()).toMatchObject({ parentId: notebook });
});

test('a jotting holds no pages; out of the bin it comes back to the Tray', async () => {
  const one = jot([line('Alone')]);
  await act(one);
  const refused = await ines.post('/acts', { acts: [make(newId(), 'page', one.id, 'Beneath')] });
  expect([refused.status, (refused.body as { detail: string }).detail]).toEqual([
    400,
    'A jotting holds no pages. Make a page of it first.',
  ]);
  await act({ do: 'bin', id: one.id });
  expect(await tray()).toEqual([]);
  expect((await get<{ id: string }[]>('/bin')).map(({ id }) => id)).toEqual([one.id]);
  await act({ do: 'restore', id: one.id });
  expect(await tray()).toEqual(['Alone']);
});

test('what comes back stands among what is brought forward on its day, and not before', async () => {
  const one = jot([line('Look at the frost')]);
  await act(one, { do: 'tray', id: one.id, jotting: 'waiting', comesBack: '2026-12-01' });
  const on = async (day: string, now: string) =>
    (await get<{ jottings: { id: string }[] }>(`/tasks/brought?day=${day}&today=${now}`)).jottings.length;
  expect(await on('2026-11-30', '2026-11-30')).toBe(0);
  expect(await on('2026-12-01', '2026-11-30')).toBe(1);
  expect(await on('2026-12-02', '2026-11-30')).toBe(0);
  expect(await on('2026-12-01', '2026-12-01')).toBe(1);
  expect(await on('2026-12-05', '2026-12-05')).toBe(1);
  expect(await get('/tray/waiting?today=2026-11-30')).toEqual({ count: 0 });
  expect(await get('/tray/waiting?today=2026-12-01')).toEqual({ count: 1 });
});

test('a week and a month have a page to write on, which stays in the journal', async () => {
  const week = periodId(ines.id, '2026-W48');
  const begin = { do: 'beginPeriod', id: week, period: '2026-W48' };
  await act(begin);
  await act(begin, { do: 'putBlocks', id: week, afterId: null, nodes: [line('A week of frost.')] });
  expect(await get('/journal/periods/2026-W48,2026-11')).toEqual([
    expect.objectContaining({ pageId: week, title: 'Week 48 of 2026', firstWords: 'A week of frost.' }),
    expect.objectContaining({ period: '2026-11', title: 'November 2026', firstWords: '', wordCount: 0 }),
  ]);
  expect(await get<EntryInfo>(`/entries/${week}`)).toMatchObject({ standsIn: 'journal', period: '2026-W48' });
  for (const wish of [
    { do: 'bin', id: week },
    { do: 'place', id: week, parentId: notebook },
    make(newId(), 'page', week, 'Beneath'),
    { do: 'beginPeriod', id: newId(), period: '2026-W48' },
    { do: 'beginPeriod', id: periodId(ines.id, '2026-W60'), period: '2026-W60' },
  ])
    expect((await ines.post('/acts', { acts: [wish] })).status).toBe(400);
  expect((await ines.get('/journal/periods/2026-W60')).status).toBe(400);
});

test('what was done in a jotting goes along when it is filed', async () => {
  const task = newId();
  const one = jot([block('todo', 'Order oak', { id: task, state: 'open' })]);
  await act(one);
  await act({
    do: 'setTask',
    id: one.id,
    blockId: task,
    change: { set: 'state', state: 'done', today },
    occurrence: null,
  });
  await act({ do: 'file', id: one.id, toId: gate, at: 'end' });
  expect(server.rows('SELECT documentId FROM happenings WHERE blockId = ?', task)).toEqual([{ documentId: gate }]);
  expect(await checkHappenings(server.services.database.manager)).toEqual([]);
});
