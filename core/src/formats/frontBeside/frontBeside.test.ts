import fc from 'fast-check';
import { stringify } from 'yaml';
import { canonicalBeside, type Beside, type Content } from '../../document/fields';
import { namedId, newId } from '../../document/ids';
import { besideOfSaid, KindTree, newField, newKind, shippedFieldId, shippedKindId, withShipped } from '../../kinds';
import { times } from '../../testing';
import { followed } from '../markdown/fields';
import { readFrontMatter } from '../markdown/frontMatter';
import { planImport } from '../markdown';
import { writeFrontBeside } from '.';

const ACCOUNT = namedId('front', 'account');
const [boat, hull, draught] = [newId(), newId(), newId()];
const all = withShipped(ACCOUNT, {
  kinds: [{ ...newKind(boat, 'boat'), broaderId: shippedKindId(ACCOUNT, 'place') }],
  fields: [
    { ...newField(hull, boat), name: 'Hull', order: 'a0' },
    { ...newField(draught, boat), name: 'Draught', type: 'number', unit: 'm', order: 'a1' },
  ],
});
const tree = new KindTree(all.kinds, all.fields);
const [wren, frayne] = [newId(), newId()];
const linkOf = (id: string) => `[A page](#${id})`;

/** The same beside as it is read in an account that has these kinds. */
function readBack(beside: Beside, known = tree) {
  const written = writeFrontBeside(beside, tree, linkOf);
  const { front, problems } = readFrontMatter(stringify(written));
  expect(problems).toEqual([]);
  const fields = Object.entries(front.fields ?? {}).map(([name, field]) =>
    followed(name, field, ({ form, name: to }) => (form === 'block' ? to : null)),
  );
  return { written, ...besideOfSaid(known, { kinds: front.kinds ?? [], fields }, newId) };
}

const content = fc.record<Content>(
  {
    atom: fc.oneof(
      fc.string({ unit: 'grapheme' }),
      fc.double({ noNaN: true, noDefaultInfinity: true }),
      fc.boolean(),
      fc.constantFrom('2026-03-09', '2026-03-01/..', 'https://mill.example/', 'yes', '5', `[[Wren]]`),
      fc.constantFrom(...all.fields.flatMap(({ choices }) => choices.map(({ id }) => id))),
    ),
    text: fc.oneof(
      fc.string({ unit: 'grapheme' }),
      fc.constantFrom('about 1868', '- one', 'a: b', 'two\nlines', '[[Wren]]'),
    ),
    pages: fc.uniqueArray(fc.constantFrom(wren, frayne)),
  },
  { requiredKeys: [] },
);
const beside = fc
  .record({
    kinds: fc.uniqueArray(fc.constantFrom(...all.kinds.map(({ id }) => id), newId()), { maxLength: 4 }),
    fields: fc.dictionary(fc.constantFrom(...all.fields.map(({ id }) => id), newId()), content, { maxKeys: 5 }),
  })
  .map(canonicalBeside);

test('F7 whatever a page is and holds is read back from the head of its file as it was', () => {
  fc.assert(
    fc.property(beside, (before) => {
      const { beside: after, made } = readBack(before);
      expect(after).toEqual(before);
      expect(made).toEqual({ kinds: [], fields: [] });
    }),
    { numRuns: times(400) },
  );
});

test('F7 the head of a file reads as one would write it', () => {
  const person = (name: string) => shippedFieldId(ACCOUNT, 'person', name);
  const { written } = readBack({
    kinds: [shippedKindId(ACCOUNT, 'person'), boat],
    fields: {
      [person('Trade')]: { text: 'Millwright' },
      [person('Mail')]: { atom: 'mailto:tomas@wren.example' },
      [person('Works for')]: { pages: [wren] },
      [draught]: { atom: 1.4, text: 'about 1.4, loaded' },
    },
  });
  expect(written).toEqual({
    kinds: ['person', 'boat'],
    fields: {
      Trade: 'Millwright',
      Mail: 'mailto:tomas@wren.example',
      'Works for': linkOf(wren),
      Draught: { value: 1.4, text: 'about 1.4, loaded' },
    },
  });
});

test('F7 kinds, fields and choices that an account does not know are made as what they look like', () => {
  const none = new KindTree([], []);
  const said = {
    kinds: ['Recipe'],
    fields: [
      { name: 'Serves', words: [4], pages: [] },
      { name: 'First made', words: ['2026-03-09'], pages: [] },
      { name: 'From', words: [], pages: [wren] },
      { name: 'How', words: ['Slowly, in a pot'], pages: [] },
    ],
  };
  const { beside: read, made } = besideOfSaid(none, said, newId);
  expect(made.kinds.map(({ name }) => name)).toEqual(['Recipe']);
  expect(made.fields.map(({ name, type }) => [name, type])).toEqual([
    ['Serves', 'number'],
    ['First made', 'date'],
    ['From', 'pages'],
    ['How', 'text'],
  ]);
  expect(Object.values(read.fields)).toEqual(
    expect.arrayContaining([{ atom: 4 }, { atom: '2026-03-09' }, { pages: [wren] }, { text: 'Slowly, in a pot' }]),
  );
  // Read again, it makes nothing: the second file finds what the first has made.
  const again = besideOfSaid(none.with(made), said, newId);
  expect([again.beside, again.made]).toEqual([read, { kinds: [], fields: [] }]);
});

test('F7 a folder comes in with the fields of its pages, links followed, and what is no field stays to be read', () => {
  const { entries, remarks } = planImport(
    [
      {
        path: 'People/Wren.md',
        text: '---\nkinds: person\nfields:\n  Works for: "[the firm](Firms/Stroud.md)"\n---\nMillwright.\n',
      },
      { path: 'People/Firms/Stroud.md', text: '---\nkinds: [firm]\n---\n' },
      { path: 'People/Odd.md', text: '---\nfields:\n  Trade: smith\n---\nNo kind.\n' },
      { path: 'People/Bad.md', text: '---\nkinds: [person]\nfields: [smith]\n---\nNo fields.\n' },
    ],
    { dayIdOf: (day) => namedId(ACCOUNT, day), looseNotebook: 'Loose' },
  );
  const entry = (name: string) => entries.find((each) => each.name === name)!;
  expect(entry('Wren').said).toEqual({
    kinds: ['person'],
    fields: [{ name: 'Works for', words: [], pages: [entry('Stroud').id] }],
  });
  expect(JSON.stringify(entry('Odd').body)).toContain('Trade: smith');
  expect(JSON.stringify(entry('Bad').body)).toContain('[smith]');
  expect(remarks.map(({ path }) => path).sort()).toEqual(['People/Bad.md', 'People/Odd.md']);
});
