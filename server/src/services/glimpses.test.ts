import { ownWords, type NodeJson } from '@glossarion/core/document';
import { dayId } from '@glossarion/core/journal';
import type { Glimpse, LinkableLine } from '@glossarion/core/links';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';

let server: TestedServer;
let ines: Person;

const many = Array.from({ length: 40 }, (_each, index) => `Reading ${index}: 38 mm`).join('\n\n');
const notes = [
  {
    path: 'Mill/Waterworks/Gate.md',
    text: '# Lift\n\nSlowly, see [[Pintle]].\n\n- Rope\n  - tarred\n- Wedges\n\n## After\n\nRest.\n',
  },
  { path: 'Mill/Waterworks/Pintle.md', text: '---\naliases: [Pin]\n---\n\nWorn.\n' },
  { path: 'Mill/Waterworks/Long.md', text: many },
];

beforeAll(async () => {
  server = await makeServer();
  ines = await server.person();
  await ines.post('/imports', { files: notes }).expect(200);
});
afterAll(() => server.stop());

const idOf = async (name: string): Promise<string> =>
  ((await ines.get(`/names?q=${name}`)).body as { id: string; title: string }[]).find((each) => each.title === name)!
    .id;
const glimpse = async (id: string) => (await ines.get(`/glimpses/${id}`)).body as Glimpse;
const words = (nodes: readonly NodeJson[]) => nodes.map(ownWords);
const lineOf = async (page: string, text: string): Promise<string> => {
  const { body } = (await ines.get(`/pages/${await idOf(page)}`)).body as { body: { content: NodeJson[] } };
  return String(body.content.find((node) => ownWords(node).includes(text))!.attrs!.id);
};

test('a page is seen by its first lines, with what its links lead to', async () => {
  const seen = await glimpse(await idOf('Gate'));
  expect(seen.target).toMatchObject({ title: 'Gate', state: 'written' });
  expect(words(seen.nodes)[0]).toBe('Lift');
  expect(seen.targets.map((target) => target.title)).toEqual(['Pintle']);
  expect(Date.parse(seen.changedAt!)).toBeLessThanOrEqual(Date.now());
  expect((await glimpse(await idOf('Long'))).nodes).toHaveLength(8);
});

test('of a line what stands beneath it is seen, of a heading what comes after it', async () => {
  expect(words((await glimpse(await lineOf('Gate', 'Rope'))).nodes)).toEqual(['Rope', 'tarred']);
  expect(words((await glimpse(await lineOf('Gate', 'Wedges'))).nodes)).toEqual(['Wedges']);
  expect(words((await glimpse(await lineOf('Gate', 'After'))).nodes)).toEqual(['After', 'Rest.']);
});

test('a day nobody wrote is seen as it would begin; a section shows its place alone; what is gone shows nothing', async () => {
  const day = await glimpse(dayId(ines.id, '2026-04-01'));
  expect(day.target.day).toBe('2026-04-01');
  expect(words(day.nodes)).toContain('On waking');
  expect((await glimpse(await idOf('Waterworks'))).nodes).toEqual([]);
  const gone = await glimpse('01890a5d-ac96-774b-bcce-b302099a8057');
  expect(gone).toMatchObject({ target: { state: 'gone' }, nodes: [], changedAt: null });
});

test('lines to link to: headings when nothing is typed, else what holds it, headings first, a handful', async () => {
  const lines = async (page: string, typed: string) =>
    (await ines.get(`/pages/${await idOf(page)}/lines?q=${typed}`)).body as LinkableLine[];
  expect((await lines('Gate', '')).map((each) => each.words)).toEqual(['Lift', 'After']);
  expect((await lines('Gate', 'pintle')).map((each) => each.words)).toEqual(['Slowly, see Pintle.']);
  expect((await lines('Gate', 'R')).map((each) => each.words)).toEqual(['After', 'Rope', 'tarred', 'Rest.']);
  expect(await lines('Long', 'reading')).toHaveLength(12);
});
