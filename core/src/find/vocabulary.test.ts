import fc from 'fast-check';
import { slipsForgiven, Vocabulary } from './vocabulary';

const vocabulary = (...words: string[]) => new Vocabulary(words.map((word) => [word, 1]));
const near = (typed: string, slips: number, isBeginning: boolean, ...words: string[]) =>
  vocabulary(...words).near(typed, slips, isBeginning, 9);

test('one slip is forgiven in words of four letters and more, two from eight, none in short words and figures', () => {
  expect(['pin', 'gate', 'pintles', 'gudgeons', '1868', 'b2b4b6b8', '水車'].map(slipsForgiven)).toEqual([
    0, 1, 1, 2, 0, 0, 0,
  ]);
});

test('a slip is a letter more, less, another, or two that changed places', () => {
  const slips = (typed: string, word: string) => near(typed, 3, false, word)[0]?.slips;
  expect(slips('pintel', 'pintle')).toBe(1);
  expect(slips('gudgon', 'gudgeon')).toBe(1);
  expect(slips('gudgeoon', 'gudgeon')).toBe(1);
  expect(slips('gudgeom', 'gudgeon')).toBe(1);
  expect(slips('kompost', 'compost')).toBe(1);
  expect(slips('licnece', 'licence')).toBe(1);
  expect(slips('merridue', 'merridew')).toBe(2);
  expect(slips('gate', 'barrow')).toBeUndefined();
});

test('the nearest come first, then what more lines hold; the word itself is no slip', () => {
  const words = new Vocabulary([
    ['gate', 9],
    ['gates', 2],
    ['grate', 5],
    ['grates', 9],
  ]);
  expect(words.near('gate', 2, false, 9).map(({ word }) => word)).toEqual(['grate', 'gates', 'grates']);
  expect(words.near('gate', 1, false, 1)).toEqual([{ word: 'grate', slips: 1 }]);
});

test('what is still being typed is near what begins almost so', () => {
  expect(near('gudgo', 1, true, 'gudgeon', 'gull', 'judge')).toEqual([{ word: 'gudgeon', slips: 1 }]);
  expect(near('gudgo', 1, false, 'gudgeon')).toEqual([]);
});

/** The same distance, plainly: every beginning against every beginning. */
function distance(one: string, other: string): number {
  const table = Array.from({ length: one.length + 1 }, (_row, i) =>
    Array.from({ length: other.length + 1 }, (_cell, j) => (i === 0 ? j : j === 0 ? i : 0)),
  );
  for (let i = 1; i <= one.length; i += 1)
    for (let j = 1; j <= other.length; j += 1) {
      const swap =
        i > 1 && j > 1 && one[i - 1] === other[j - 2] && one[i - 2] === other[j - 1] ? table[i - 2]![j - 2]! + 1 : 99;
      const other3 = [
        table[i - 1]![j]! + 1,
        table[i]![j - 1]! + 1,
        table[i - 1]![j - 1]! + Number(one[i - 1] !== other[j - 1]),
      ];
      table[i]![j] = Math.min(swap, ...other3);
    }
  return table[one.length]![other.length]!;
}

test('all near words are found, in any vocabulary, however it came to be', () => {
  const word = fc.string({ unit: fc.constantFrom('a', 'b', 'c', 'я'), minLength: 1, maxLength: 7 });
  const change = fc.tuple(word, fc.nat(3));
  fc.assert(
    fc.property(
      fc.array(word),
      fc.array(change),
      word,
      fc.nat(2),
      fc.boolean(),
      (begun, changes, typed, slips, isBeginning) => {
        const words = new Vocabulary([...new Set(begun)].map((each) => [each, 1]));
        words.near('a', 1, false, 9);
        const held = new Map(begun.map((each) => [each, 1]));
        for (const [each, lines] of changes) {
          words.set(each, lines);
          if (lines > 0) held.set(each, lines);
          else held.delete(each);
        }
        expect(words.size).toBe(held.size);
        const beginnings = (each: string) =>
          Array.from({ length: each.length + 1 }, (_none, length) => each.slice(0, length));
        const plain = [...held.keys()].flatMap((each) => {
          const between = Math.min(...(isBeginning ? beginnings(each) : [each]).map((part) => distance(typed, part)));
          return each !== typed && between <= slips ? [`${each} ${between}`] : [];
        });
        const found = words.near(typed, slips, isBeginning, Infinity).map((each) => `${each.word} ${each.slips}`);
        expect(found.sort()).toEqual(plain.sort());
        expect(words.beginningWith(typed, Infinity).sort()).toEqual(
          [...held.keys()].filter((each) => each.startsWith(typed)).sort(),
        );
      },
    ),
    { numRuns: 1_000 },
  );
});
