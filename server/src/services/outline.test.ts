import { newId } from '@glossarion/core/document';
import type { Act } from '@glossarion/core/acts';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';
import { checkData } from './checkData';

let server: TestedServer;
let ines: Person;

const notes = [
  { path: 'Mill/index.md', text: '---\norder: [Waterworks, Wheel]\n---\n' },
  { path: 'Mill/Waterworks/Gate.md', text: 'See [[Pintle]] and [[Budget]].\n' },
  { path: 'Mill/Waterworks/Gate/Pintle.md', text: 'Belongs to the [[Gate]].\n' },
  { path: 'Mill/Waterworks/Tailrace.md', text: 'Silt.\n' },
  { path: 'Mill/Wheel/Cogs.md', text: 'For the [[Gate]].\n\n- [ ] Oil the cogs\n' },
  { path: 'Craft/Timber/Budget.md', text: 'Oak.\n' },
];

beforeEach(async () => {
  server = await makeServer();
  ines = await server.person();
  await ines.post('/imports', { files: notes }).expect(200);
});
afterEach(async () => {
  expect(await checkData(server.services.database)).toEqual([]);
  await server.stop();
});

const idOf = async (name: string): Promise<string> =>
  ((await ines.get(`/names?q=${encodeURIComponent(name)}`)).body as { id: string; title: string }[]).find(
    (each) => each.title === name,
  )!.id;

/** Does acts and gives what takes them back. */
const act = async (...acts: Act[]): Promise<Act[]> => {
  const done = await ines.post('/acts', { acts });
  expect([done.status, done.body.detail]).toEqual([200, undefined]);
  return (done.body as { undo: Act[] }).undo;
};
const refused = async (...acts: Act[]): Promise<string> => {
  const done = await ines.post('/acts', { acts });
  expect(done.status).toBe(400);
  return done.body.detail as string;
};

interface Listed {
  id: string;
  parentId: string;
  name: string;
  pagesBeneath: number;
  isOpen: boolean;
}

/** The contents of a notebook as lines, indented by what they stand in. */
async function lines(notebook = 'Mill'): Promise<string[]> {
  const id = await idOf(notebook);
  const { entries } = (await ines.get(`/entries/${id}/contents`)).body as { entries: Listed[] };
  const walk = (parentId: string, depth: number): string[] =>
    entries
      .filter((entry) => entry.parentId === parentId)
      .flatMap((entry) => [`${'  '.repeat(depth)}${entry.name}`, ...walk(entry.id, depth + 1)]);
  return walk(id, 0);
}
const pages = async () =>
  Object.fromEntries(
    ((await ines.get('/notebooks')).body as Listed[]).map((each) => [each.name, each.pagesBeneath]),
  ) as Record<string, number>;

const START = ['Waterworks', '  Gate', '    Pintle', '  Tailrace', 'Wheel', '  Cogs'];

test('moves go where they were asked to, across notebooks too, and are taken back to the very spot', async () => {
  const [gate, cogs, timber] = [await idOf('Gate'), await idOf('Cogs'), await idOf('Timber')];
  const undo = await act(
    { do: 'place', id: cogs, parentId: await idOf('Waterworks'), afterId: gate },
    { do: 'place', id: gate, parentId: timber, afterId: null },
  );
  expect(await lines()).toEqual(['Waterworks', '  Cogs', '  Tailrace', 'Wheel']);
  expect(await lines('Craft')).toEqual(['Timber', '  Gate', '    Pintle', '  Budget']);
  expect(await pages()).toEqual({ Mill: 2, Craft: 3 });
  const redo = await act(...undo);
  expect(await lines()).toEqual(START);
  expect(await pages()).toEqual({ Mill: 4, Craft: 1 });
  await act(...redo);
  expect(await lines('Craft')).toContain('    Pintle');
});

test('a move into itself is refused with a sentence, and with it the whole list', async () => {
  const [gate, pintle, tailrace] = [await idOf('Gate'), await idOf('Pintle'), await idOf('Tailrace')];
  const sentence = await refused(
    { do: 'place', id: tailrace, parentId: gate },
    { do: 'place', id: gate, parentId: pintle },
  );
  expect(sentence).toContain('can’t be moved into itself');
  expect(await lines()).toEqual(START);
});

test('seasons fold away at the end, are carried by what is beneath, and the place is kept', async () => {
  const [gate, pintle, mill] = [await idOf('Gate'), await idOf('Pintle'), await idOf('Mill')];
  const undo = await act({ do: 'season', id: gate, season: 'aside' });
  expect(await lines()).toEqual(['Waterworks', '  Tailrace', 'Wheel', '  Cogs']);
  const groups = async () => (await ines.get(`/entries/${mill}/contents`)).body.seasons;
  expect(await groups()).toMatchObject([
    { season: 'later', count: 0 },
    { season: 'aside', count: 1, pages: 2, isOpen: false, roots: [] },
  ]);
  await ines.put(`/entries/${mill}/fold`, { isOpen: true, season: 'aside' }).expect(204);
  expect((await groups())[1].roots.map((root: Listed) => root.name)).toEqual(['Gate']);
  const [target] = (await ines.get(`/targets?ids=${pintle}`)).body;
  expect(target).toMatchObject({ state: 'aside', season: 'aside', title: 'Pintle' });
  expect((await ines.get('/find?q=belongs')).body.findings[0].title).toBe('Pintle');
  await act(...undo);
  expect(await lines()).toEqual(START);
});

test('the bin keeps what went along, is searched, and gives things back to their place or the nearest', async () => {
  const [gate, pintle, water] = [await idOf('Gate'), await idOf('Pintle'), await idOf('Waterworks')];
  await act({ do: 'bin', id: gate });
  await act({ do: 'bin', id: water });
  expect(await lines()).toEqual(['Wheel', '  Cogs']);
  expect(await pages()).toEqual({ Mill: 1, Craft: 1 });
  const binned = async (words = '') =>
    ((await ines.get(`/bin?q=${words}`)).body as { title: string; withTitle: string | null }[]).map(
      ({ title, withTitle }) => [title, withTitle],
    );
  expect(await binned()).toEqual([
    ['Waterworks', null],
    ['Gate', null],
  ]);
  expect(await binned('belongs')).toEqual([['Pintle', 'Gate']]);
  expect(await binned('silt')).toEqual([['Tailrace', 'Waterworks']]);

  await act({ do: 'restore', id: pintle });
  expect(await lines()).toEqual(['Wheel', '  Cogs', 'Pintle']);
  await act({ do: 'restore', id: water }, { do: 'restore', id: gate });
  expect(await lines()).toEqual(['Waterworks', '  Gate', '  Tailrace', 'Wheel', '  Cogs', 'Pintle']);
  const margin = (await ines.get(`/pages/${gate}/margin`)).body.glosses as { pageTitle: string }[];
  expect(margin.map((gloss) => gloss.pageTitle).sort()).toEqual(['Cogs', 'Pintle']);
});

test('what comes back when every notebook is gone gets a shelter', async () => {
  const pintle = await idOf('Pintle');
  await act({ do: 'bin', id: await idOf('Mill') }, { do: 'bin', id: await idOf('Craft') });
  const undo = await act({ do: 'restore', id: pintle });
  expect(await pages()).toEqual({ 'Brought back': 1 });
  const redo = await act(...undo);
  expect(await pages()).toEqual({});
  await act(...redo);
  expect(await pages()).toEqual({ 'Brought back': 1 });
  const [shelter] = (await ines.get('/notebooks')).body as { description: string; pigment: string }[];
  expect(shelter).toMatchObject({ pigment: 'slate', description: expect.stringMatching(/^Holds what came back/u) });
});

test('a shelter stays for what else came to it when the page it was made for goes back to the bin', async () => {
  const [pintle, cogs] = [await idOf('Pintle'), await idOf('Cogs')];
  await act({ do: 'bin', id: await idOf('Mill') }, { do: 'bin', id: await idOf('Craft') });
  const undo = await act({ do: 'restore', id: pintle });
  await act({ do: 'restore', id: cogs });
  expect(await pages()).toEqual({ 'Brought back': 2 });
  await act(...undo);
  expect(await pages()).toEqual({ 'Brought back': 1 });
});

test('deleting for good says what breaks first, leaves what the links said, and nothing else ever does it', async () => {
  const [gate, cogs] = [await idOf('Gate'), await idOf('Cogs')];
  expect((await ines.delete(`/bin/${gate}`)).status).toBe(409);
  const pintle = await idOf('Pintle');
  await act({ do: 'bin', id: pintle });
  await act({ do: 'bin', id: gate });
  const { body: breaks } = await ines.get(`/bin/${gate}/breaks`);
  expect(breaks).toMatchObject({ pages: 1, links: 1, from: [{ links: 1, page: { title: 'Cogs' } }] });
  await ines.delete(`/bin/${gate}`).expect(204);
  const [gone] = (await ines.get(`/targets?ids=${gate}`)).body;
  expect(gone).toMatchObject({ state: 'gone', title: 'Gate' });
  expect((await ines.get(`/pages/${cogs}`)).body.targets[0].state).toBe('gone');
  expect((await ines.get('/bin')).body.map((each: { title: string }) => each.title)).toEqual(['Pintle']);
  expect((await ines.get(`/pages/${gate}`)).status).toBe(404);
  expect((await ines.delete('/bin')).body).toEqual({ gone: 1 });
  expect((await ines.get('/bin')).body).toEqual([]);
});

test('a copy has everything beneath, and links inside it point inside it', async () => {
  const [water, copyId] = [await idOf('Waterworks'), newId()];
  await act({ do: 'duplicate', id: water, copyId });
  expect(await lines()).toEqual([
    'Waterworks',
    '  Gate',
    '    Pintle',
    '  Tailrace',
    'Copy of Waterworks',
    '  Gate',
    '    Pintle',
    '  Tailrace',
    'Wheel',
    '  Cogs',
  ]);
  const beneath = (await ines.get(`/entries/${copyId}/beneath?levels=0`)).body as Listed[];
  const copied = Object.fromEntries(beneath.map((entry) => [entry.name, entry.id]));
  const page = (await ines.get(`/pages/${copied.Gate}`)).body;
  expect(page.targets.map((target: { id: string }) => target.id)).toEqual([copied.Pintle, await idOf('Budget')]);
  expect(await pages()).toEqual({ Mill: 7, Craft: 1 });
});

test('making, naming, describing and pinning are each taken back by their inverse', async () => {
  const id = newId();
  const water = await idOf('Waterworks');
  const make = { do: 'make', id, kind: 'page', name: 'New', parentId: water, afterId: null } as const;
  const unmake = await act(make);
  expect(await act(make)).toEqual([]);
  expect((await lines()).slice(0, 2)).toEqual(['Waterworks', '  New']);
  const unname = await act({ do: 'name', id, name: 'Newer' }, { do: 'describe', id, showsLeaves: true });
  expect((await ines.get(`/entries/${id}`)).body).toMatchObject({ name: 'Newer', showsLeaves: 1 });
  await act(...unname);
  expect((await ines.get(`/entries/${id}`)).body).toMatchObject({ name: 'New', showsLeaves: 0 });
  await act(...unmake);
  expect(await lines()).toEqual(START);

  const pinned = async () => ((await ines.get('/pins')).body as { title: string }[]).map((each) => each.title);
  const [gate, cogs] = [await idOf('Gate'), await idOf('Cogs')];
  await act({ do: 'pin', id: gate }, { do: 'pin', id: cogs });
  const undo = await act({ do: 'pin', id: cogs, afterId: null });
  expect(await pinned()).toEqual(['Cogs', 'Gate']);
  await act(...undo);
  expect(await pinned()).toEqual(['Gate', 'Cogs']);
  const repin = await act({ do: 'unpin', id: gate });
  await act(...repin);
  expect(await pinned()).toEqual(['Gate', 'Cogs']);
});

test('a page is found by any word of its trail, after a move and a rename above too', async () => {
  const found = async (typed: string) =>
    ((await ines.get(`/names?q=${encodeURIComponent(typed)}`)).body as { title: string }[]).map((each) => each.title);
  expect(await found('pintle waterworks')).toEqual(['Pintle']);
  await act({ do: 'place', id: await idOf('Gate'), parentId: await idOf('Timber') });
  expect(await found('pintle waterworks')).toEqual([]);
  await act({ do: 'name', id: await idOf('Timber'), name: 'Wood' });
  expect(await found('craft wood pin')).toEqual(['Pintle']);
});

test('the Desk gathers pins, visits, open tasks and unwritten pages; a tick there is a tick on the page', async () => {
  await ines.post('/imports', { files: [{ path: 'More/Plan.md', text: 'See [[Lift plan]] and [[Lift plan]].\n' }] });
  const [tailrace, cogs] = [await idOf('Tailrace'), await idOf('Cogs')];
  await ines.post(`/entries/${tailrace}/visits`).expect(204);
  await act({ do: 'pin', id: cogs });
  const { body: desk } = await ines.get('/desk');
  expect(desk.pins[0].title).toBe('Cogs');
  expect(desk.recent[0].title).toBe('Tailrace');
  expect(desk.unwritten[0]).toMatchObject({ links: 2, target: { title: 'Lift plan' } });
  const [task] = desk.tasks as { blockId: string; page: { title: string } }[];
  expect(task!.page.title).toBe('Cogs');
  const change = { set: 'state' as const, state: 'done' as const, today: '2026-11-26' };
  await act({ do: 'setTask', id: cogs, blockId: task!.blockId, change, occurrence: null });
  expect((await ines.get('/desk')).body.tasks).toEqual([]);
  expect(JSON.stringify((await ines.get(`/pages/${cogs}`)).body.body)).toContain('"state":"done"');
  await act({ do: 'season', id: await idOf('Plan'), season: 'aside' });
  await ines.put('/settings', { key: 'letters', value: false }).expect(204);
  expect((await ines.get('/settings')).body).toEqual({ letters: false });
});

test('how the Margins of pages were left is remembered for each, whichever was said first', async () => {
  const [one, two] = [await idOf('Gate'), await idOf('Cogs')];
  const left = { group: 'day', isFolded: true };
  await Promise.all([
    ines.put(`/settings/margins/${one}`, left).expect(204),
    ines.put(`/settings/margins/${two}`, { isHidden: true }).expect(204),
  ]);
  const margins = async () => ((await ines.get('/settings')).body as { margins: object }).margins;
  expect(await margins()).toEqual({ [one]: left, [two]: { isHidden: true } });
  await ines.put(`/settings/margins/${one}`, {}).expect(204);
  expect(await margins()).toEqual({ [two]: { isHidden: true } });
  await ines.put(`/settings/margins/${one}`, { group: 'colour' }).expect(400);
});

test('a contents opens level by level: what holds many is folded until it is opened', async () => {
  const files = Array.from({ length: 80 }, (_each, index) => ({ path: `Mill/Long/P ${index}.md`, text: 'x\n' }));
  await ines.post('/imports', { files: files.map((file) => ({ ...file, path: `Wide/${file.path}` })) });
  const wide = await idOf('Wide');
  const open = async () => (await ines.get(`/entries/${wide}/contents`)).body.entries as Listed[];
  expect((await open()).map((entry) => [entry.name, entry.isOpen])).toEqual([
    ['Mill', true],
    ['Long', false],
  ]);
  await ines.put(`/entries/${(await open())[1]!.id}/fold`, { isOpen: true }).expect(204);
  expect(await open()).toHaveLength(82);
  await ines.put(`/entries/${(await open())[0]!.id}/fold`, { isOpen: false }).expect(204);
  expect(await open()).toHaveLength(1);
});
