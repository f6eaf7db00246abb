import { isNearlySame, slipsBetween } from '../links/near';
import { partings, Pickables, type PickContext, type Pickable } from './pickables';

const entry = (id: string, title: string, parentId: string | null, more: Partial<Pickable> = {}): Pickable => ({
  id,
  kind: parentId === null ? 'notebook' : 'page',
  parentId,
  title,
  names: [],
  kinds: [],
  day: null,
  standsIn: null,
  pigment: parentId === null ? 'lapis' : null,
  season: null,
  isDeleted: false,
  isEmpty: false,
  ...more,
});

const pickables = new Pickables();
const rows = [
  entry('mill', 'Saltmere Tide Mill', null),
  entry('craft', 'Field Craft', null),
  entry('water', 'Waterworks', 'mill', { kind: 'section' }),
  entry('gate', 'Sluice gate no. 2', 'water', { names: ['Lower gate'] }),
  entry('gate1', 'Sluice gate no. 1', 'water'),
  entry('b1', 'Budget', 'water'),
  entry('b2', 'Budget', 'craft'),
  entry('old', 'Budget of 1999', 'mill', { season: 'aside' }),
  entry('gone', 'Budget thrown away', 'mill', { isDeleted: true }),
  entry('under', 'Budget beneath it', 'gone'),
  entry('new', 'Lift method', 'water', { isEmpty: true }),
];
rows.forEach((row) => pickables.set(row));

const context: PickContext = { pageId: 'gate', trail: ['mill', 'water'], recent: [], selected: null };
const titles = (typed: string, more: Partial<PickContext> = {}) =>
  pickables.offers(typed, { ...context, ...more }, 8).map(({ id }) => id);

test('what stands near comes first among the same letters, what was opened lately before it', () => {
  expect(titles('budget')).toEqual(['b1', 'b2', 'old']);
  expect(titles('budget', { trail: ['craft'] })).toEqual(['b2', 'b1', 'old']);
  expect(titles('budget', { trail: [], recent: ['b2', 'gate1'] })[0]).toBe('b2');
});

test('the bin is not offered, nor what stands in it, nor the page itself', () => {
  expect(titles('thrown')).toEqual([]);
  expect(titles('beneath it')).toEqual([]);
  expect(titles('sluice')).toEqual(['gate1']);
});

test('an other name finds, and says so; slips are forgiven; states are told', () => {
  const [lower] = pickables.offers('lower', { ...context, pageId: 'b1' }, 8);
  expect(lower).toMatchObject({ id: 'gate', title: 'Sluice gate no. 2', alias: 'Lower gate' });
  expect(lower!.trail.map(({ name }) => name)).toEqual(['Saltmere Tide Mill', 'Waterworks']);
  expect(titles('slucie gate no. 1')).toEqual(['gate1']);
  expect(pickables.offers('1999', context, 8)[0]).toMatchObject({ state: 'aside', season: 'aside' });
  expect(pickables.offers('lift', context, 8)[0]).toMatchObject({ state: 'unwritten' });
});

test('a title that matches selected words comes first, and nothing typed offers what was opened last', () => {
  expect(titles('gate', { pageId: 'b1', recent: ['gate1'], selected: 'sluice gate no 2' })[0]).toBe('gate');
  expect(titles('', { recent: ['b2', 'gone', 'gate1'] })).toEqual(['b2', 'gate1']);
});

test.each([
  ['Sluice gate no. 2', 'sluice  gate no 2', true],
  ['Winch ratings', 'Winch rating', true],
  ['Winch rating', 'Wnich rating', true],
  ['Marine licence', 'Licence, marine', true],
  ['Café', 'cafe', true],
  ['Pit wheel', 'Pitwheel', true],
  ['Draft 3', 'Draft 4', false],
  ['Oak', 'Oat', false],
  ['Elm', 'Helm', false],
  ['Hot lime', 'Hot line', true],
  ['Tide log', 'Tide pool survey', false],
])('%s and %s are nearly the same: %s', (one, other, is) => {
  expect(isNearlySame(one, other)).toBe(is);
  expect(isNearlySame(other, one)).toBe(is);
});

test('slips are counted: added, left out, changed, swapped', () => {
  expect(slipsBetween('gate', 'gaet', 3)).toBe(1);
  expect(slipsBetween('gate', 'grate', 3)).toBe(1);
  expect(slipsBetween('gate', 'late', 3)).toBe(1);
  expect(slipsBetween('gate', '', 3)).toBe(4);
});

test('pages with nearly a title are found, and those with just it', () => {
  expect(pickables.near('Sluice gate no 1').map(({ id }) => id)).toEqual(['gate1']);
  expect(pickables.near('Budgte').map(({ id }) => id)).toEqual(['b1', 'b2']);
  expect(pickables.near('Thatch')).toEqual([]);
  expect(pickables.called('lower GATE').map(({ id }) => id)).toEqual(['gate']);
});

test('what is typed past a name is looked for on the page', () => {
  expect(partings('sluice gate next')).toEqual([
    { name: 'sluice gate', rest: 'next' },
    { name: 'sluice', rest: 'gate next' },
  ]);
  expect(partings('gate ')).toEqual([{ name: 'gate', rest: '' }]);
  expect(partings('gate')).toEqual([]);
});
