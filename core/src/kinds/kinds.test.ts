import fc from 'fast-check';
import { newId } from '../document/ids';
import type { Content } from '../document/fields';
import {
  FIELD_TYPES,
  FIELD_TYPE_NAMES,
  KindTree,
  addressTyped,
  holdingWords,
  isFilled,
  joinBeside,
  likelyKind,
  lossOf,
  readHolding,
  shippedFieldId,
  shippedKindId,
  shippedKinds,
  withShipped,
  withValue,
  withoutKept,
  type Field,
  type FieldTypeName,
  type Kind,
  type Value,
} from '.';

const reading = { today: '2026-05-06', order: 'day first', weekBegins: 1 } as const;
const [oak, elm] = [newId(), newId()];
const [wren, frayne] = [newId(), newId()];
const titleOf = (id: string) => ({ [wren]: 'Tomas Wren', [frayne]: 'Callum Frayne' })[id] ?? '?';

const fieldOf = (type: FieldTypeName, rest: Partial<Field> = {}): Field => ({
  id: 'a',
  kindId: 'b',
  name: 'Timber',
  type,
  order: 'a0',
  unit: '',
  choices: [
    { id: oak, name: 'Oak', pigment: 'ochre', isDeleted: false },
    { id: elm, name: 'Elm', pigment: null, isDeleted: false },
  ],
  ofKind: null,
  isDeleted: false,
  ...rest,
});
const typed = (type: FieldTypeName, words: string, rest?: Partial<Field>) =>
  FIELD_TYPES[type].read!(words, fieldOf(type, rest), reading);

test.each<[FieldTypeName, string, unknown]>([
  ['number', '12', 12],
  ['number', ' -3.5', -3.5],
  ['number', '3,5', 3.5],
  ['number', '1,250', 1250],
  ['number', '1,250.5', 1250.5],
  ['number', '1 250 000', 1250000],
  ['number', '0,125', 0.125],
  ['number', '1.2.3', null],
  ['number', 'twelve', null],
  ['number', '', null],
  ['date', '2026-03-04', '2026-03-04'],
  ['date', '4 March 2026', '2026-03-04'],
  ['date', '4/3/2026', '2026-03-04'],
  ['date', 'tomorrow', '2026-05-07'],
  ['date', 'some day', null],
  ['span', '2026-03-04/2026-04-01', '2026-03-04/2026-04-01'],
  ['span', '4 March 2026 – 1 April 2026', '2026-03-04/2026-04-01'],
  ['span', '4 – 9 March 2026', '2026-03-04/2026-03-09'],
  ['span', '4 March 2026 to 1 April 2026', '2026-03-04/2026-04-01'],
  ['span', 'since 4 March 2026', '2026-03-04/..'],
  ['span', '4 March 2026 –', '2026-03-04/..'],
  ['span', 'until 4 March 2026', '../2026-03-04'],
  ['span', 'from 4 March 2026 until 1 April 2026', '2026-03-04/2026-04-01'],
  ['span', '4 March 2026', '2026-03-04/2026-03-04'],
  ['span', '9 – 4 March 2026', null],
  ['span', 'in spring', null],
  ['choice', 'oak', oak],
  ['choice', 'ash', null],
  ['yesNo', 'Yes', true],
  ['yesNo', 'no', false],
  ['yesNo', 'perhaps', null],
  ['address', 'saltmere.example/mill', 'https://saltmere.example/mill'],
  ['address', 'tomas@wren.example', 'mailto:tomas@wren.example'],
  ['address', '+44 1632 960 011', 'tel:+44-1632-960-011'],
  ['address', 'https://saltmere.example/', 'https://saltmere.example/'],
  ['address', 'javascript:alert(1)', null],
  ['address', 'the old forge', null],
])('F7 a field of type %s reads “%s”', (type, words, value) => {
  expect(typed(type, words)).toBe(value);
});

test('F7 a number is read with its unit before or after it', () => {
  expect(typed('number', '£1,250', { unit: '£' })).toBe(1250);
  expect(typed('number', '4.12m', { unit: 'm' })).toBe(4.12);
});

test('F7 retyping takes over what means the same to everybody, and keeps the rest as words', () => {
  const asDate = readHolding({ text: '4 March 2026' }, fieldOf('date'));
  expect(asDate).toMatchObject({ atom: '2026-03-04', takenFrom: 'text', kept: {} });
  // A day of the week is another day tomorrow, and 3/4 another abroad.
  expect(readHolding({ text: 'next Tuesday' }, fieldOf('date'))).toMatchObject({
    atom: null,
    kept: { text: 'next Tuesday' },
  });
  expect(readHolding({ text: '3/4/2026' }, fieldOf('date'))).toMatchObject({ atom: null, kept: { text: '3/4/2026' } });
  expect(readHolding({ atom: 12 }, fieldOf('text', { unit: 'kg' }))).toMatchObject({
    text: '12 kg',
    takenFrom: 'atom',
  });
  expect(readHolding({ pages: [wren] }, fieldOf('number'))).toMatchObject({ atom: null, kept: { pages: [wren] } });
});

test('F7 a deleted choice is said in the words that it had, and a new one beside it is taken', () => {
  const [first, second] = fieldOf('choice').choices;
  const field = fieldOf('choice', { choices: [{ ...first!, isDeleted: true }, second!] });
  expect(readHolding({ atom: oak }, field)).toMatchObject({ atom: null, kept: { atom: 'Oak' } });
  const chosen = withValue({ atom: oak }, field, elm);
  expect(readHolding(chosen, field)).toMatchObject({ atom: elm, kept: { text: 'Oak' } });
  expect(readHolding(withoutKept(chosen, field), field)).toMatchObject({ atom: elm, kept: {} });
});

test('F7 what a change of type can’t take over is told by page, in words', () => {
  const held = [
    { pageId: 'one', content: { text: '12' } },
    { pageId: 'two', content: { text: 'about twelve' } },
    { pageId: 'three', content: {} },
  ];
  expect(lossOf(held, fieldOf('text'), fieldOf('number'), titleOf)).toEqual([
    { pageId: 'two', words: ['about twelve'] },
  ]);
  const led = [{ pageId: 'one', content: { pages: [wren, frayne] } }];
  expect(lossOf(led, fieldOf('pages'), fieldOf('pages', { isDeleted: true }), titleOf)).toEqual([
    { pageId: 'one', words: ['Tomas Wren', 'Callum Frayne'] },
  ]);
});

const aType = fc.constantFrom(...FIELD_TYPE_NAMES);
const valueOf: Record<FieldTypeName, fc.Arbitrary<Value>> = {
  text: fc.constantFrom('12', 'yes', 'Oak', '4 March 2026', 'about twelve', 'a@b.example', '2026-01-01/..'),
  pages: fc.uniqueArray(fc.constantFrom(wren, frayne), { minLength: 1 }),
  date: fc.constantFrom('2026-03-04', '1999-12-31'),
  span: fc.constantFrom('2026-03-04/2026-04-01', '../2026-03-04', '2026-03-04/..'),
  choice: fc.constantFrom(oak, elm),
  number: fc.double({ noNaN: true, noDefaultInfinity: true }),
  yesNo: fc.boolean(),
  address: fc.constantFrom('https://saltmere.example/', 'mailto:a@b.example', 'tel:+441632960011'),
};

test('F7 whatever a type says in words, it reads again', () => {
  const any = fc.oneof(
    ...FIELD_TYPE_NAMES.filter((type) => FIELD_TYPES[type].read).map((type) =>
      valueOf[type].map((value) => ({ type, value })),
    ),
  );
  fc.assert(
    fc.property(any, fc.constantFrom('', 'm', '£'), ({ type, value }, unit) => {
      const words = FIELD_TYPES[type].words!(value as string, fieldOf(type, { unit }));
      // Nought has no sign in words.
      expect(typed(type, words, { unit })).toBe(Object.is(value, -0) ? 0 : value);
    }),
  );
});

test('F7 no value is lost by any row of retypings and writings: what was not written over is still said', () => {
  const step = aType.chain((type) => fc.record({ type: fc.constant(type), value: fc.option(valueOf[type]) }));
  fc.assert(
    fc.property(fc.array(step, { minLength: 1, maxLength: 8 }), (steps) => {
      let content: Content = {};
      for (const { type, value } of steps) {
        const field = fieldOf(type);
        const before = readHolding(content, field);
        const said = holdingWords({ ...before, atom: null, text: '', pages: [] }, field, titleOf);
        if (value === null) continue;
        content = withValue(content, field, value);
        const after = readHolding(content, field);
        expect(after.takenFrom).toBeNull();
        expect(isFilled(after)).toBe(true);
        const saidNow = holdingWords(after, field, titleOf).join('\n');
        for (const words of said) expect(saidNow).toContain(words);
      }
    }),
  );
});

test('F7 a field read as another type and back is as it was', () => {
  fc.assert(
    fc.property(
      aType.chain((type) => fc.tuple(fc.constant(type), valueOf[type])),
      aType,
      ([type, value], other) => {
        const content = withValue({}, fieldOf(type), value);
        readHolding(content, fieldOf(other));
        const { atom, text, pages } = readHolding(content, fieldOf(type));
        expect([atom, text, pages]).toContainEqual(value);
      },
    ),
  );
});

const kindOf = (id: string, broaderId: string | null = null): Kind => ({
  id,
  name: id,
  broaderId,
  pigment: null,
  templateId: null,
  placeId: null,
  homeId: null,
  isDeleted: false,
});

test('F7 a kind takes its broader kind’s fields over, and through it those of the next', () => {
  const fields = [
    fieldOf('text', { id: 'x', kindId: 'being', name: 'Born' }),
    fieldOf('text', { id: 'y', kindId: 'person', name: 'Trade' }),
    fieldOf('text', { id: 'z', kindId: 'smith', name: 'Forge', isDeleted: true }),
  ];
  const tree = new KindTree([kindOf('being'), kindOf('person', 'being'), kindOf('smith', 'person')], fields);
  expect(tree.fieldsOf('smith').map(({ id }) => id)).toEqual(['x', 'y']);
  expect(tree.isOf(['smith'], 'being')).toBe(true);
  expect(tree.isOf(['being'], 'smith')).toBe(false);
  // What a page holds of a deleted field is still shown.
  expect(tree.fieldsOfPage(['smith', 'person'], ['z', 'unknown']).map(({ id }) => id)).toEqual(['x', 'y', 'z']);
});

test('F7 whatever kinds are set broader, none takes over from itself; a circle that came from apart ends', () => {
  const names = ['a', 'b', 'c', 'd', 'e'];
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.constantFrom(...names), fc.constantFrom(...names)), { maxLength: 20 }),
      (pairs) => {
        const broader = new Map<string, string>();
        const tree = () =>
          new KindTree(
            names.map((id) => kindOf(id, broader.get(id) ?? null)),
            [],
          );
        for (const [id, of] of pairs) if (tree().mayHaveBroader(id, of)) broader.set(id, of);
        for (const id of names) {
          let at: string | undefined = broader.get(id);
          for (let step = 0; at !== undefined; step += 1) {
            expect(at).not.toBe(id);
            expect(step).toBeLessThan(names.length);
            at = broader.get(at);
          }
        }
        const circle = new KindTree(
          names.map((id, index) => kindOf(id, names[(index + 1) % names.length]!)),
          [],
        );
        expect(circle.broader('a')).toHaveLength(names.length);
      },
    ),
  );
});

test('F7 a page that another is merged into is of both kinds, and says what both said', () => {
  const one = { kinds: ['a'], fields: { t: { text: 'smith' }, n: { atom: 4 }, p: { pages: [wren] } } };
  const other = { kinds: ['b', 'a'], fields: { t: { text: 'farrier' }, n: { atom: 5 }, p: { pages: [frayne, wren] } } };
  const joined = joinBeside(one, other, () => fieldOf('number', { unit: 'm' }));
  expect(joined).toEqual({
    kinds: ['a', 'b'],
    fields: { n: { atom: 4, text: '5 m' }, p: { pages: [wren, frayne] }, t: { text: 'smith\nfarrier' } },
  });
  expect(joinBeside(joined, joined, () => undefined)).toEqual(joined);
});

test('F7 the kinds that one begins with have the same ids on every device, until they are changed', () => {
  const { kinds, fields } = shippedKinds('ines');
  expect(shippedKinds('ines')).toEqual({ kinds, fields });
  expect(shippedKindId('tomas', 'person')).not.toBe(shippedKindId('ines', 'person'));
  expect(new Set([...kinds, ...fields].map(({ id }) => id)).size).toBe(kinds.length + fields.length);
  const person = { ...kinds.find(({ name }) => name === 'person')!, name: 'acquaintance' };
  const all = new KindTree(
    ...(Object.values(withShipped('ines', { kinds: [person], fields: [] })) as [Kind[], Field[]]),
  );
  expect(all.named('Acquaintance')?.id).toBe(person.id);
  expect(all.named('person')).toBeUndefined();
  expect(all.fieldNamed([person.id], 'trade')?.id).toBe(shippedFieldId('ines', 'person', 'Trade'));
  for (const { ofKind } of all.fieldsOf(shippedKindId('ines', 'meeting')))
    if (ofKind) expect(all.get(ofKind)).toBeDefined();
});

test('F7 an address never runs anything', () => {
  fc.assert(
    fc.property(fc.string(), (words) => {
      const address = addressTyped(words);
      if (address !== null) expect(address).toMatch(/^(?:https?|mailto|tel):/iu);
    }),
  );
});

test.each<[string[], string | null]>([
  [['People & Firms', 'Smiths'], null],
  [['People & Firms', 'Suppliers'], 'firm'],
  [['People & Firms', 'Volunteers'], 'person'],
  [['Reading', 'Archive'], 'reading'],
  [['Work', 'Projects', 'Spring'], 'project'],
  [['Bookshelves'], null],
  [['Wer', 'PEOPLE'], 'person'],
  [[], null],
])('F7 pages in %j look like: %s', (names, kind) => {
  expect(likelyKind(names)).toBe(kind);
});
