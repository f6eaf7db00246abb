import { block, body, pageLink, tag, text } from '../build';
import { blockIds, withIds } from '../copy';
import { countBlocks } from '../counts';
import { bodyFacts, countWords } from '.';
import { newId } from '../ids';
import type { NodeJson } from '../types';

const [one, two, three, four, page, other] = Array.from({ length: 6 }, newId) as [
  string,
  string,
  string,
  string,
  string,
  string,
];
const iron = newId();
const node = (type: string, attrs: Record<string, unknown> = {}): NodeJson => ({
  type,
  attrs: { id: newId(), depth: 0, tint: null, ...attrs },
});
const cell = (...content: NodeJson[]): NodeJson => ({ type: 'tableCell', content });

test('each line knows what it stands beneath, by depth and by heading', () => {
  const { blocks } = bodyFacts(
    body(
      block('paragraph', 'Before', { id: one }),
      block('heading', 'Lift', { id: two }),
      block('todo', 'Measure', { id: three, state: 'begun' }),
      block('todo', 'twice', { id: four, depth: 1 }),
      block('paragraph', 'After'),
    ),
  );
  expect(blocks.map(({ parentId, headingId, kind, state }) => [parentId, headingId, kind, state])).toEqual([
    [null, null, 'paragraph', null],
    [null, null, 'heading', null],
    [null, two, 'todo', 'begun'],
    [three, two, 'todo', 'open'],
    [null, two, 'paragraph', null],
  ]);
});

test('a line beneath one that was taken out belongs to the nearest that is less deep', () => {
  const { blocks } = bodyFacts(
    body(
      block('bulleted', 'a', { id: one }),
      block('bulleted', 'b', { id: two, depth: 1 }),
      block('bulleted', 'c', { id: three, depth: 3 }),
      block('bulleted', 'd', { depth: 2 }),
    ),
  );
  expect(blocks.map((each) => each.parentId)).toEqual([null, one, two, two]);
});

test('links, tags and files are found wherever they stand, in the order they are read', () => {
  const table: NodeJson = {
    ...node('table'),
    content: [{ type: 'tableRow', content: [cell(block('paragraph', [pageLink(other, 'mill')])), cell()] }],
  };
  const facts = bodyFacts(
    body(
      block('paragraph', [text('See '), pageLink(page), text(' '), tag(iron)], { id: one }),
      table,
      node('card', { target: page }),
      node('picture', { file: other, caption: '' }),
    ),
  );
  expect(facts.links.map(({ target, words, position }) => [position, target, words])).toEqual([
    [0, page, null],
    [1, other, 'mill'],
    [2, page, null],
  ]);
  expect(facts.tags).toEqual([{ blockId: one, position: 0, tag: iron }]);
  expect(facts.files.map(({ fileId }) => fileId)).toEqual([other]);
});

test('an id that two lines say they were once is that of the later', () => {
  const once = (formerIds: string, id: string) => {
    const line = block('paragraph', 'x', { id });
    return { ...line, attrs: { ...line.attrs, formerIds } };
  };
  const { formerIds } = bodyFacts(body(once(`${three} ${four}`, one), once(four, two)));
  expect(formerIds).toEqual([
    { formerId: three, blockId: one },
    { formerId: four, blockId: two },
  ]);
});

test('a page without a title is known by its first words, or by what it shows', () => {
  const first = (...nodes: NodeJson[]) => bodyFacts(body(...nodes)).firstWords;
  expect(first(block('paragraph'), block('paragraph', '  The leaf \n has dropped '))).toBe('The leaf has dropped');
  expect(first(node('picture', { caption: '' }), block('paragraph', 'words'))).toBe('Picture');
  expect(first(node('divider'), block('paragraph', 'words'))).toBe('words');
  const long = first(
    block('paragraph', 'the leaf of the sluice gate has dropped by more than anybody had thought it could'),
  );
  expect(long).toBe('the leaf of the sluice gate has dropped by more than anybody had thought it…');
  expect(first(block('paragraph', '😀'.repeat(90)))).toBe(`${'😀'.repeat(80)}…`);
  expect(first(block('paragraph'))).toBe('');
});

test.each([
  ['The leaf’s 38-mm pin', 4],
  ['水車 gate', 3],
  ['— … 😀', 0],
  ['naïve cafe\u0301', 2],
])('%s has %d words', (words, count) => {
  expect(countWords(words)).toBe(count);
});

test('counts are of what is shown: titles of links, characters as a reader sees them, minutes begun', () => {
  const lines = [block('paragraph', [text('👩‍🔧 at the '), pageLink(page)]), block('paragraph', 'é')];
  expect(countBlocks(lines, () => 'gate')).toEqual({ words: 4, characters: 14, minutes: 1 });
  expect(countBlocks([], () => '')).toEqual({ words: 0, characters: 0, minutes: 0 });
  expect(countBlocks([block('paragraph', 'word '.repeat(239))], () => '').minutes).toBe(2);
});

test('a copy has other ids, links inside it point inside it, and the first is left as it was', () => {
  const overview: NodeJson = node('overview', { id: two, target: page, chosen: `${one} ${other}` });
  const line = block('paragraph', [pageLink(one), pageLink(other)], { id: one });
  const original = body({ ...line, attrs: { ...line.attrs, formerIds: four } }, overview);
  const before = JSON.stringify(original);
  const ids = new Map([
    [one, three],
    [two, newId()],
    [page, newId()],
  ]);
  const copy = withIds(original, ids);
  expect(blockIds(copy)).toEqual([three, ids.get(two)]);
  expect(copy.content[0]!.content!.map((each) => each.attrs!.target)).toEqual([three, other]);
  expect(copy.content[0]!.attrs!.formerIds).toBeUndefined();
  expect(copy.content[1]!.attrs).toMatchObject({ target: ids.get(page), chosen: `${three} ${other}` });
  expect(JSON.stringify(original)).toBe(before);
});
