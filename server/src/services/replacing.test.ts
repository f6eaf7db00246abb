import { block, newId, pageLink, tag, text, type NodeJson } from '@glossarion/core/document';
import type { ChosenLine, ReplacePreview } from '@glossarion/core/replace';
import { makeServer, type Person, type TestedServer } from '../testing/makeServer';
import { checkData } from './checkData';

let server: TestedServer;
let ines: Person;
const gate = newId();
const weir = newId();
const book = newId();

beforeEach(async () => {
  server = await makeServer();
  ines = await server.person('Ines');
  const notebook = newId();
  const make = (id: string, name: string) => ({ do: 'make', id, kind: 'page', parentId: notebook, name });
  await act(
    { do: 'make', id: notebook, kind: 'notebook', parentId: null, name: 'Mill' },
    make(gate, 'Gate'),
    make(weir, 'Weir'),
    make(book, 'Book'),
    { do: 'describeTag', id: newId(), name: 'iron' },
  );
  const bold: NodeJson = { ...text('gudgeon'), marks: [{ type: 'bold' }] };
  await put(gate, [block('paragraph', [text('The '), bold, text(' of the '), pageLink(weir), text('.')])]);
  await put(gate, [block('todo', 'Grease the gudgeon')]);
  await put(weir, [block('paragraph', 'No gudgeon here, two gudgeons there.')]);
  await put(book, [block('paragraph', 'Of eels.')]);
});
afterEach(async () => {
  await server.services.background.idle();
  expect(await checkData(server.services.database)).toEqual([]);
  await server.stop();
});

const act = async (...acts: object[]): Promise<object[]> =>
  ((await ines.post('/acts', { acts }).expect(200)).body as { undo: object[] }).undo;
const put = (id: string, nodes: NodeJson[]) => act({ do: 'putBlocks', id, afterId: null, nodes });
const content = async (id: string): Promise<NodeJson[]> =>
  ((await ines.get(`/pages/${id}`)).body as { body: { content: NodeJson[] } }).body.content;
const words = async (id: string): Promise<string[]> =>
  (await content(id)).map((node) => (node.content ?? []).map((each) => each.text ?? '|').join('')).filter(Boolean);

const WISH = { find: 'gudgeon', by: 'pintle', isExpression: false, isCase: false, isWhole: true };
const preview = async (more: object = {}, searched = '', who = ines) =>
  (await who.post('/replace/preview', { ...WISH, ...more, searched }).expect(200)).body as ReplacePreview;
const chosenOf = ({ pages }: ReplacePreview): ChosenLine[] =>
  pages.flatMap(({ page, lines }) => lines.map(({ blockId, state }) => ({ pageId: page.id, blockId, state })));
const replace = async (chosen: ChosenLine[], more: object = {}) =>
  (await ines.post('/replace', { ...WISH, ...more, chosen }).expect(200)).body as {
    undo: object[];
    lines: number;
    left: { title: string }[];
  };

test('F9 what is chosen is replaced as one, with its links and styles, and taken back as one', async () => {
  const shown = await preview();
  expect(shown.pages.map(({ page, lines }) => [page.title, lines.length])).toEqual([
    ['Weir', 1],
    ['Gate', 2],
  ]);
  const said = shown.pages[0]!.lines[0]!;
  expect(said.before.filter(({ isMarked }) => isMarked).map((piece) => piece.text)).toEqual(['gudgeon']);
  expect(said.after.map((piece) => piece.text).join('')).toBe('No pintle here, two gudgeons there.');
  const before = await Promise.all([gate, weir, book].map(content));
  const chosen = chosenOf(shown).filter(({ blockId }) => blockId !== shown.pages[1]!.lines[0]!.blockId);
  const done = await replace(chosen);
  expect([done.lines, done.left]).toEqual([2, []]);
  expect(await words(gate)).toEqual(['Grease the gudgeon', 'The pintle of the |.']);
  const [, line] = await content(gate);
  expect(line!.content![1]).toEqual({ type: 'text', text: 'pintle', marks: [{ type: 'bold' }] });
  expect(line!.attrs!.id).toBe(before[0]![1]!.attrs!.id);
  await act(...done.undo);
  expect(await Promise.all([gate, weir, book].map(content))).toEqual(before);
});

test('F9 a line that was changed meanwhile is left and said, the others are replaced', async () => {
  const chosen = chosenOf(await preview());
  const [task] = await content(gate);
  await act({ do: 'rewrite', id: gate, nodes: [{ ...task!, content: [text('Grease the gudgeon today')] }] });
  const done = await replace(chosen);
  expect([done.lines, done.left.map(({ title }) => title)]).toEqual([2, ['Gate']]);
  expect(await words(gate)).toEqual(['Grease the gudgeon today', 'The pintle of the |.']);
  expect(await words(weir)).toEqual(['No pintle here, two gudgeons there.']);
  expect((await replace(chosen)).lines).toBe(0);
});

test('F9 only pages that a search finds are looked through, and nothing in the bin or of another account', async () => {
  expect((await preview({}, 'has:tasks')).pages.map(({ page }) => page.title)).toEqual(['Gate']);
  await act({ do: 'bin', id: weir });
  expect((await preview()).pages.map(({ page }) => page.title)).toEqual(['Gate']);
  const edda = await server.person('Edda');
  expect((await preview({}, '', edda)).pages).toEqual([]);
  const chosen = chosenOf(await preview());
  const tried = await edda.post('/replace', { ...WISH, chosen });
  expect(tried.status).toBe(200);
  expect((tried.body as { lines: number }).lines).toBe(0);
  expect(await words(gate)).toEqual(['Grease the gudgeon', 'The gudgeon of the |.']);
});

test('F9 an expression fills in what it holds; one that is none is said to be, and changes nothing', async () => {
  const asked = { find: '(gudgeon)s?', by: '<$1>', isExpression: true, isWhole: false };
  const shown = await preview(asked);
  expect(shown.pages[0]!.lines[0]!.after.map((piece) => piece.text).join('')).toBe(
    'No <gudgeon> here, two <gudgeon> there.',
  );
  const none = await preview({ find: '(', isExpression: true });
  expect(none.pages).toEqual([]);
  expect(none.trouble).toContain('no regular expression');
  const refused = await ines.post('/replace', { ...WISH, find: '(', isExpression: true, chosen: chosenOf(shown) });
  expect(refused.status).toBe(400);
});

test('F9 tags stay tags, and a page of more lines than are replaced at once says so', async () => {
  const many = Array.from({ length: 1_200 }, (_each, index) => block('paragraph', `Gudgeon ${index}`));
  const iron = ((await ines.get('/tags')).body as { id: string }[])[0]!.id;
  await put(book, [block('paragraph', [text('A gudgeon '), tag(iron)])]);
  await ines
    .post('/imports', {
      files: [{ path: 'Mill/Long.md', text: many.map((_each, index) => `Gudgeon ${index}`).join('\n\n') }],
    })
    .expect(200);
  const shown = await preview();
  expect(shown.isMore).toBe(true);
  expect(chosenOf(shown)).toHaveLength(1_000);
  const ofBook = chosenOf(await preview({}, 'tag:iron'));
  expect((await replace(ofBook)).lines).toBe(1);
  expect((await content(book))[0]!.content).toEqual([text('A pintle '), tag(iron)]);
});
