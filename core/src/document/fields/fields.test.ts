import fc from 'fast-check';
import * as Y from 'yjs';
import { newId } from '../ids';
import { NOTHING_BESIDE, canonicalContent, fieldText, readBeside, writeField, writeKinds, type Content } from '.';

const [trade, firm, year] = [newId(), newId(), newId()];
const [person, reading, wren, frayne] = [newId(), newId(), newId(), newId()];

const copyOf = (document: Y.Doc): Y.Doc => {
  const copy = new Y.Doc();
  Y.applyUpdate(copy, Y.encodeStateAsUpdate(document));
  return copy;
};
/** What each of two windows wrote while apart comes to both. */
const meet = (one: Y.Doc, other: Y.Doc): void => {
  Y.applyUpdate(one, Y.encodeStateAsUpdate(other));
  Y.applyUpdate(other, Y.encodeStateAsUpdate(one));
  expect(readBeside(one)).toEqual(readBeside(other));
};

test('F7 a page without fields holds nothing beside its text', () => {
  expect(readBeside(new Y.Doc())).toEqual(NOTHING_BESIDE);
});

test('F7 the first words of a field that two windows type while apart are both kept', () => {
  const one = new Y.Doc();
  const other = copyOf(one);
  fieldText(one, trade).insert(0, 'millwright');
  fieldText(other, trade).insert(0, 'carpenter');
  meet(one, other);
  const { text } = readBeside(one).fields[trade]!;
  expect(text).toContain('millwright');
  expect(text).toContain('carpenter');
});

test('F7 a text that was emptied is typed anew by two windows at once, and keeps both', () => {
  const one = new Y.Doc();
  writeField(one, trade, { text: 'smith' });
  writeField(one, trade, {});
  expect(readBeside(one)).toEqual(NOTHING_BESIDE);
  const other = copyOf(one);
  writeField(one, trade, { text: 'farrier' });
  writeField(other, trade, { text: 'founder' });
  meet(one, other);
  expect(readBeside(one).fields[trade]!.text).toMatch(/farrierfounder|founderfarrier/u);
});

test('F7 pages that two windows add and take away at once are all as they left them', () => {
  const one = new Y.Doc();
  writeField(one, firm, { pages: [wren] });
  const other = copyOf(one);
  writeField(one, firm, { pages: [wren, frayne] });
  writeField(other, firm, {});
  meet(one, other);
  expect(readBeside(one).fields[firm]).toEqual({ pages: [frayne] });
});

test('F7 kinds that two windows give at once are both given', () => {
  const one = new Y.Doc();
  const other = copyOf(one);
  writeKinds(one, [person]);
  writeKinds(other, [reading]);
  meet(one, other);
  expect([...readBeside(one).kinds].sort()).toEqual([person, reading].sort());
});

test('F7 what is written with two code units is never cut in half', () => {
  const document = new Y.Doc();
  writeField(document, trade, { text: '🌊🌊' });
  writeField(document, trade, { text: '🌋🌊' });
  expect(readBeside(document).fields[trade]).toEqual({ text: '🌋🌊' });
});

test.each<[string, (map: Y.Map<unknown>) => void]>([
  ['a field that has no id', (map) => map.set('trade', 'smith')],
  ['a list', (map) => map.set(year, [1])],
  ['a number that is none', (map) => map.set(year, NaN)],
  ['a text that is none', (map) => map.set(`${trade}/text`, 'smith')],
  ['a page without a place', (map) => map.set(`${firm}/${wren}`, 'first')],
  ['a kind without an id', (map) => map.set('kinds/person', 0)],
  ['a text too long', (map) => map.set(`${trade}/text`, new Y.Text('x'.repeat(20_001)))],
])('F7 a document that holds %s is refused', (_what, write) => {
  const document = new Y.Doc();
  write(document.getMap('fields'));
  expect(() => readBeside(document)).toThrow(/field|page/u);
});

const content = fc.record<Content>(
  {
    atom: fc.oneof(fc.string(), fc.double({ noNaN: true, noDefaultInfinity: true }), fc.boolean()),
    text: fc.string({ unit: 'grapheme' }),
    pages: fc.uniqueArray(fc.constantFrom(wren, frayne, person, reading)),
  },
  { requiredKeys: [] },
);

test('F7 a field holds what was written last, whatever was written before', () => {
  fc.assert(
    fc.property(fc.array(content, { minLength: 1, maxLength: 6 }), (contents) => {
      const document = new Y.Doc();
      for (const each of contents) {
        writeField(document, year, each);
        const held = readBeside(document).fields[year] ?? {};
        expect(held).toEqual(canonicalContent(each));
      }
    }),
  );
});
