import type { Act } from '@glossarion/core/acts';
import type { NodeJson } from '@glossarion/core/document';
import type { Gloss } from '@glossarion/core/margin';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';

/** Where glosses stand, as the server finds it, keeps it and lets it be changed by hand. */

let server: TestedServer;
let ines: Person;

const notes = [
  {
    path: 'Mill/Sluice gate.md',
    text: 'The leaf has dropped on its hinge side.\n\nSeven boards of elm, oak frame.\n\nTar it in June.\n',
  },
  {
    path: 'Mill/Timber.md',
    text: 'Elm boards for the [[Sluice gate]] are at the yard.\n\nThe [[Sluice gate]] again.\n',
  },
  { path: 'Mill/Hinges.md', text: 'A worn hinge lets the leaf of the [[Sluice gate]] drop.\n' },
];

const idOf = async (title: string): Promise<string> =>
  (await server.services.find.byName(ines.viewer, title, 5)).find((each) => each.title === title)!.id;
const act = (...acts: Act[]) => server.services.acts.perform(ines.viewer, acts);
const bodyOf = async (id: string) => (await ines.get(`/pages/${id}`).expect(200)).body.body.content as Line[];
interface Line {
  attrs: { id: string };
  content?: { text?: string }[];
}
const words = (line?: Line): string => (line?.content ?? []).map(({ text = '' }) => text).join('');
const kept = () => server.rows<{ lineId: string | null }>('SELECT * FROM glossPlaces');

/** The first words of each gloss, and those of the line that it stands beside. */
async function beside(id: string): Promise<Record<string, string>> {
  const lines = new Map((await bodyOf(id)).map((line) => [line.attrs.id, words(line).slice(0, 12)]));
  const { glosses, stacks } = await server.services.margin.glosses(ines.viewer, id);
  // What is kept is written after all that was asked for before.
  await server.services.database.write(() => undefined);
  for (const { lineId, count } of stacks) {
    expect(glosses.filter((gloss) => gloss.lineId === lineId)).toHaveLength(count);
  }
  return Object.fromEntries(
    glosses.map(({ node, lineId }) => [
      words(node as unknown as Line).slice(0, 8),
      lineId === null ? 'head' : (lines.get(lineId) ?? 'gone'),
    ]),
  );
}
const glossOf = async (id: string, start: string): Promise<Gloss> =>
  (await server.services.margin.glosses(ines.viewer, id)).glosses.find(({ node }) =>
    words(node as unknown as Line).startsWith(start),
  )!;

beforeEach(async () => {
  server = await makeServer();
  ines = await server.person();
  await ines.post('/imports', { files: notes }).expect(200);
  await server.services.background.idle();
});
afterEach(() => server.stop());

const STANDS = { 'Elm boar': 'Seven boards', 'The  aga': 'head', 'A worn h': 'The leaf has' };

test('L10 each gloss has its line, found once and kept until either side changes', async () => {
  const gate = await idOf('Sluice gate');
  expect(await beside(gate)).toEqual(STANDS);
  expect(kept()).toHaveLength(3);
  expect(await beside(gate)).toEqual(STANDS);
  const [leaf, boards] = await bodyOf(gate);
  const line = (id: string, text: string) => ({ type: 'block', attrs: { id }, content: [{ type: 'text', text }] });
  // What it was placed by moves to another line, and the line is gone.
  await act({ do: 'dropBlocks', id: gate, blockIds: [boards!.attrs.id] });
  expect(kept()).toHaveLength(0);
  expect(await beside(gate)).toMatchObject({ 'Elm boar': 'head', 'A worn h': 'The leaf has' });
  await act({
    do: 'putBlocks',
    id: gate,
    afterId: leaf!.attrs.id,
    nodes: [line('01a21f90-7081-757c-b751-f957febab900', 'Elm boards, planed')],
  });
  expect(await beside(gate)).toMatchObject({ 'Elm boar': 'Elm boards, ' });
  // The other side changes.
  const hinges = await idOf('Hinges');
  const [worn] = await bodyOf(hinges);
  await act({ do: 'dropBlocks', id: hinges, blockIds: [worn!.attrs.id] });
  expect(await beside(gate)).toEqual({ 'Elm boar': 'Elm boards, ', 'The  aga': 'head' });
  await act({ do: 'name', id: await idOf('Timber'), name: 'Planed elm' });
  expect(kept()).toHaveLength(0);
});

test('L10 a gloss that was moved by hand stays there through edits of both, and is taken back', async () => {
  const gate = await idOf('Sluice gate');
  const [leaf, , tar] = await bodyOf(gate);
  const { blockId } = await glossOf(gate, 'Elm');
  const move = (lineId: string | null): Act => ({ do: 'moveGloss', id: gate, blockId, lineId, isMoved: true });
  const first = await act(move(tar!.attrs.id));
  expect(await beside(gate)).toEqual({ ...STANDS, 'Elm boar': 'Tar it in Ju' });
  expect((await glossOf(gate, 'Elm')).isMoved).toBe(true);
  const second = await act(move(null));
  expect(await beside(gate)).toMatchObject({ 'Elm boar': 'head' });
  await act(...second.undo);
  expect(await beside(gate)).toMatchObject({ 'Elm boar': 'Tar it in Ju' });
  // Its line is joined to another, and the gloss moves to another page.
  await act({ do: 'dropBlocks', id: gate, blockIds: [tar!.attrs.id] }, {
    do: 'addFormer',
    id: gate,
    blockId: leaf!.attrs.id,
    formerIds: [tar!.attrs.id],
  } as Act);
  expect(await beside(gate)).toMatchObject({ 'Elm boar': 'The leaf has' });
  const [timber, hinges] = [await idOf('Timber'), await idOf('Hinges')];
  await act({
    do: 'moveBlocks',
    id: hinges,
    blocks: [{ id: blockId, from: timber, to: hinges, afterId: null, depth: 0 }],
  });
  expect(await beside(gate)).toMatchObject({ 'Elm boar': 'The leaf has' });
  await act(...first.undo);
  expect(await beside(gate)).toMatchObject({ 'Elm boar': 'Seven boards' });
});

test('L10 glosses come in the order that was chosen, and those of one line by themselves', async () => {
  const more = Array.from({ length: 5 }, (_each, index) => ({
    path: `Mill/More ${index}.md`,
    text: `${'Rain. '.repeat(index)}Oak and elm boards for the [[Sluice gate]], seven.\n`,
  }));
  ines = await server.person();
  await ines.post('/imports', { files: [...notes, ...more] }).expect(200);
  const gate = await idOf('Sluice gate');
  const [, boards] = await bodyOf(gate);
  const ask = (query: string) => ines.get(`/pages/${gate}/margin?${query}`).expect(200);
  const { body: own } = await ask(`line=${boards!.attrs.id}&limit=4`);
  expect([own.count, own.glosses.length]).toEqual([8, 4]);
  expect(own.glosses.every(({ lineId }: Gloss) => lineId === boards!.attrs.id)).toBe(true);
  expect(own.stacks.find(({ lineId }: Gloss) => lineId === boards!.attrs.id)).toMatchObject({ count: 6 });
  const { body: head } = await ask('line=head');
  expect(head.glosses).toHaveLength(1);
  const { body: telling } = await ask(`line=${boards!.attrs.id}&order=telling`);
  expect(telling.glosses.map(({ pageTitle }: Gloss) => pageTitle)).toEqual([
    ...['More 0', 'More 1', 'More 2', 'More 3', 'More 4', 'Timber'],
  ]);
  await ines.get(`/pages/${gate}/margin?order=sideways`).expect(400);
});

test('L10 read for many pages at once, as a site shows them, glosses stand where the Margin of each has them', async () => {
  const more = Array.from({ length: 12 }, (_each, index) => ({
    path: `Mill/Visit ${index}.md`,
    text: `---\nkinds: [Meeting]\n---\nHinge tarred, see [[Sluice gate]] and [[Timber]].\n\nThe [[Old gate]], elm.\n`,
  }));
  await ines.post('/imports', { files: [...more, { path: 'Mill/Old gate.md', text: 'Elm too.\n' }] }).expect(200);
  await server.services.background.idle();
  const [gate, old, timber] = [await idOf('Sluice gate'), await idOf('Old gate'), await idOf('Timber')];
  const [first, , last] = await bodyOf(gate);
  const ofOld = (await server.services.margin.glosses(ines.viewer, old)).glosses;
  await act({ do: 'moveGloss', id: old, blockId: ofOld[0]!.blockId, lineId: null, isMoved: true });
  const ofGate = (await server.services.margin.glosses(ines.viewer, gate)).glosses;
  const move = (gloss: Gloss | undefined, lineId: string | null): Act => ({
    do: 'moveGloss',
    id: gate,
    blockId: gloss!.blockId,
    lineId,
    isMoved: true,
  });
  await act(move(ofGate[0], last!.attrs.id), move(ofGate[1], null), move(ofGate[2], first!.attrs.id));
  await act({ do: 'merge', id: old, intoId: gate });
  await server.services.background.idle();
  const { margin } = server.services;
  const ids = [gate, timber, await idOf('Hinges'), await idOf('Visit 3')];
  const read = await margin.newestGlosses(ines.viewer, ids, 5);
  for (const id of ids) {
    const { glosses } = await margin.glosses(ines.viewer, id, {}, { limit: 5 });
    const asRead = glosses.map(({ pageId, blockId, field, lineId, trail, pigment, node }) => ({
      ...{ pageId, blockId: field === null ? blockId : null, lineId, trail, pigment, node },
    }));
    expect(read.get(id) ?? []).toEqual(asRead);
  }
  expect(read.get(gate)).toHaveLength(5);
  expect(read.get(timber)).toHaveLength(5);
});

test('L11 what a Margin shows of a line is as old as its page, though it was read before and others were not changed', async () => {
  const gate = await idOf('Sluice gate');
  const hinges = await idOf('Hinges');
  const [worn] = await bodyOf(hinges);
  const shown = async () => {
    const { node, children } = await glossOf(gate, 'A worn');
    return [words(node as unknown as Line), ...children.map((each) => words(each as unknown as Line))];
  };
  const before = await shown();
  expect(before).toHaveLength(1);
  const beneath = { type: 'block', attrs: { id: '01a21f90-7081-757c-b751-f957febab901', depth: 1 } };
  const undo = await act({
    do: 'putBlocks',
    id: hinges,
    afterId: worn!.attrs.id,
    nodes: [{ ...beneath, content: [{ type: 'text', text: 'on both pins' }] }],
  });
  expect(await shown()).toEqual([...before, 'on both pins']);
  await act(...undo.undo);
  expect(await shown()).toEqual(before);
  // Read while it is being changed, it is what it was, and after that what it became.
  const { database, documents, margin } = server.services;
  const [node] = (await bodyOf(hinges)) as unknown as NodeJson[];
  const renewed = { ...node!, content: [{ type: 'text', text: 'A worn pin, and a ' }, ...node!.content!] };
  await database.write(async (manager) => {
    await documents.rewriteWithin(manager, ines.viewer, hinges, { type: 'doc', content: [renewed] });
    await margin.glosses(ines.viewer, gate);
  });
  expect((await shown())[0]).toMatch(/^A worn pin, and a A worn hinge/u);
});
