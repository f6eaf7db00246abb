import { expressionOf, Vocabulary, wantedOf } from '../find';
import { readQueryLine } from '../find/query/read';
import { wordsIn } from '../words';
import { alikeTags, newTag, tagFit, tagPath, tagToken, TagTree, writtenTag } from '.';

const tag = newTag;
const tree = new TagTree([
  tag('i', 'Iron'),
  tag('w', 'Wrought iron', 'i'),
  tag('p', 'Plough share', 'w'),
  tag('t', 'Ironmongery'),
]);

test.each([
  ['#Iron/Wrought', ['Iron', 'Wrought']],
  [' iron // wrought /', ['iron', 'wrought']],
  ['two   words', ['two words']],
  ['/', []],
  ['#', []],
])('%s is taken apart', (typed, path) => expect(tagPath(typed)).toEqual(path));

test('a tag is called by what it stands beneath, and found by its path however it is written', () => {
  expect(tree.nameOf('p')).toBe('Iron/Wrought iron/Plough share');
  expect(tree.find(tagPath('IRON/wrought  Iron'))).toBe('w');
  expect(tree.find(['Wrought iron'])).toBeUndefined();
  expect(tree.nameOf('gone')).toBeNull();
  expect(tree.all().map(({ path }) => path)[0]).toBe('Iron');
  expect(writtenTag(tagPath('a/b'))).toBe('a/b');
});

test('what stands beneath a tag goes with it, and a circle ends', () => {
  expect(tree.beneath('i').sort()).toEqual(['i', 'p', 'w']);
  const round = new TagTree([tag('a', 'A', 'b'), tag('b', 'B', 'a')]);
  expect(round.nameOf('a')).toBe('B/A');
});

test('a word finds the tags whose path holds it, the shortest first', () => {
  expect(tree.named('iron', 9)).toEqual(['i', 'w', 'p']);
  expect(tree.named('iron', 9, 2)).toEqual(['i', 'w', 'p', 't']);
  expect(tree.named('iron', 2)).toEqual(['i', 'w']);
  expect(tree.named('ir', 9, 2)).toEqual(['i', 't']);
});

test('a word is looked for as itself or as a tag that it names, and nobody can type what stands for one', () => {
  const namedBy = (word: string) => tree.named(word, 9).map(tagToken);
  const wanted = wantedOf(readQueryLine('plough mi'), { vocabulary: new Vocabulary(), formsOf: () => [], namedBy });
  expect(expressionOf(wanted!)).toBe(`(("plough" OR "${tagToken('p')}") AND "mi" *)`);
  expect(wordsIn(`${tagToken('p')} x`).map(({ word }) => word)).toEqual(['p', 'x']);
});

test('a tag that was merged is called by the one that stands for it, with all beneath it', () => {
  const merged = new TagTree([
    { ...tag('b', 'Boat'), mergedInto: 's' },
    tag('s', 'Boats'),
    tag('h', 'Hull', 'b'),
    tag('k', 'Keel', 'h'),
  ]);
  expect(merged.nameOf('b')).toBe('Boats');
  expect(merged.nameOf('k')).toBe('Boats/Hull/Keel');
  expect(merged.beneath('s').sort()).toEqual(['b', 'h', 'k', 's']);
  expect(merged.worn('s').sort()).toEqual(['b', 's']);
  expect(merged.all().map(({ path }) => path)).toEqual(['Boats', 'Boats/Hull', 'Boats/Hull/Keel']);
  expect(merged.children('s').map(({ id }) => id)).toEqual(['h']);
  expect(merged.find(['boats', 'hull'])).toBe('h');
  const round = new TagTree([
    { ...tag('a', 'A'), mergedInto: 'b' },
    { ...tag('b', 'B'), mergedInto: 'a' },
  ]);
  expect(round.nameOf('a')).not.toBeNull();
});

test('what stands beneath a deleted tag is deleted with it, and shows its words', () => {
  const left = new TagTree([
    { ...tag('i', 'Iron'), deletedAt: '2026-03-10' },
    tag('w', 'Wrought', 'i'),
    tag('t', 'Tin'),
  ]);
  expect(left.isGone('w')).toBe(true);
  expect(left.nameOf('w')).toBe('Iron/Wrought');
  expect(left.find(['Iron'])).toBeUndefined();
  expect(left.all().map(({ id }) => id)).toEqual(['t']);
  expect(left.children(null).map(({ id }) => id)).toEqual(['t']);
});

test.each([
  ['boat', 'boats', true],
  ['lime-mortar', 'lime mortar', true],
  ['gudgeon', 'gudgoen', true],
  ['gudgeon', 'gudgon', true],
  ['timber', 'timbre', true],
  ['Iron', 'irons', true],
  ['oak', 'oat', false],
  ['2025', '2026', false],
  ['wheel', 'wheat', false],
  ['smith', 'smithy', true],
])('%s and %s may be one: %s', (one, other, isOne) => {
  const all = new TagTree([tag('a', one), tag('b', other), tag('z', 'elsewhere')]).all();
  const pairs = alikeTags(all, (id) => (id === 'a' ? 3 : 7));
  expect(pairs.map(({ from, into }) => [from.id, into.id])).toEqual(isOne ? [['a', 'b']] : []);
});

test('a tag beneath one of nearly its name is another thing, one elsewhere is not', () => {
  const all = new TagTree([tag('a', 'lime'), tag('b', 'limes', 'a'), tag('c', 'limes')]).all();
  // Each is named once as the one to go.
  expect(alikeTags(all, () => 1).map(({ from, into }) => [from.id, into.id].sort())).toEqual([['b', 'c']]);
});

test('what begins as it was typed fits better than what holds it', () => {
  const fits = ['timber', 'timber/sawn', 'fabric/timber', 'oak'].map((path) =>
    tagFit({ path, name: path.split('/').at(-1)! }, '#Timb'),
  );
  expect(fits).toEqual([4, 3, 2, 0]);
});
