import { NameIndex } from './names';

const index = new NameIndex();
const names: [string, string, string | null][] = [
  ['mill', 'Saltmere Tide Mill', null],
  ['craft', 'Field Craft', null],
  ['money', 'Money and consent', 'mill'],
  ['b1', 'Budget', 'money'],
  ['b2', 'Budget', 'craft'],
  ['oak', 'Oak for the leaf', 'mill'],
];
for (const [id, name, parent] of names) index.set(id, name, parent);

test('any word of the title or of the trail finds, and the trail tells the same titles apart', () => {
  expect(index.search('budget')).toEqual(['b1', 'b2']);
  expect(index.search('budget craft')).toEqual(['b2']);
  expect(index.search('consent bud')).toEqual(['b1']);
  expect(index.search('tide budget')).toEqual(['b1']);
  expect(index.search('field')).toEqual(['craft', 'b2']);
  expect(index.search('tide oak leaf')).toEqual(['oak']);
  expect(index.search('zebra')).toEqual([]);
});

test('slips are forgiven, and a move or a rename above is found at once', () => {
  expect(index.search('bugdet')).toEqual(['b1', 'b2']);
  index.set('b2', 'Budget', 'money');
  expect(index.search('budget craft')).toEqual([]);
  index.set('money', 'Grants', 'mill');
  expect(index.search('budget grants')).toEqual(['b1', 'b2']);
  index.delete('b1');
  expect(index.search('budget grants')).toEqual(['b2']);
});

test('other names find, each page once, until they are taken away', () => {
  index.set('oak', 'Oak for the leaf', 'mill', ['Cutting list', 'Leaf oak']);
  expect(index.search('cutting')).toEqual(['oak']);
  expect(index.search('oak')).toEqual(['oak']);
  index.set('oak', 'Oak for the leaf', 'mill', ['Butt']);
  expect(index.search('cutting')).toEqual([]);
  expect(index.search('butt')).toEqual(['oak']);
  index.delete('oak');
  expect(index.search('butt')).toEqual([]);
});

test('F7 what a page is finds it too, with its name or alone, and no page beneath it', () => {
  const kinds = new NameIndex();
  kinds.set('mill', 'Mill', null);
  kinds.set('callum', 'Callum Frayne', 'mill', ['Frayne the smith'], ['person']);
  kinds.set('wren', 'Tomas Wren', 'mill', [], ['person']);
  kinds.set('gate', 'Callum’s gate', 'callum', [], ['project', 'job']);
  kinds.set('note', 'Note', 'wren');
  expect(kinds.search('person callum')).toEqual(['callum']);
  expect(kinds.search('callum pers')).toEqual(['callum']);
  expect(kinds.search('person').sort()).toEqual(['callum', 'wren']);
  expect(kinds.search('job gate')).toEqual(['gate']);
  kinds.set('wren', 'Tomas Wren', 'mill');
  expect(kinds.search('person')).toEqual(['callum']);
  kinds.delete('mill');
  expect(kinds.search('person callum')).toEqual(['callum']);
});
