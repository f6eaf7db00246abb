import { readFileSync } from 'node:fs';
import path from 'node:path';
import fc from 'fast-check';
import peggy from 'peggy';
import {
  chosenFilters,
  isTogether,
  leavesOf,
  readQueryLine,
  withFilter,
  withoutFilter,
  writeQueryLine,
  type Asked,
} from '.';

/** A query in few signs: … after what is still being typed. */
function shown(asked: Asked | null): string {
  if (asked === null) return '';
  if (asked.is === 'not') return `not ${shown(asked.part)}`;
  if (isTogether(asked)) return `${asked.is}(${asked.parts.map(shown).join(', ')})`;
  const more = asked.isBeginning ? '…' : '';
  if (asked.is === 'filter') return `${asked.field} is ${asked.value}${more}`;
  return (asked.is === 'phrase' ? `“${asked.text}”` : asked.text) + more;
}

test.each([
  ['', ''],
  ['gate pintle', 'all(gate, pintle…)'],
  ['gate pintle ', 'all(gate, pintle)'],
  ['a OR b c', 'any(a, all(b, c…))'],
  ['a (b OR c) ', 'all(a, any(b, c))'],
  ['-(a OR b)', 'not any(a, b)'],
  ['gate -order', 'all(gate, not order…)'],
  ['wednesday -4.80 ', 'all(wednesday, -4.80)'],
  ['“two people” «on» "the winch', 'all(“two people”, “on”, “the winch”…)'],
  ['tag:lime', 'tag is lime…'],
  ['tag:"wet and dry"', 'tag is wet and dry'],
  ['-tag:lime x', 'all(not tag is lime, x…)'],
  ['"moored at":Saltmere ', 'moored at is Saltmere'],
  ['written:"1 March".."5 March"', 'written is 1 March..5 March'],
  ['tag:', 'tag is …'],
  ['links:"The \\"old\\" gate"', 'links is The "old" gate'],
  ['11:40 https://mill.example/a ', 'all(11:40, https://mill.example/a)'],
  ['京都　水車', 'all(京都, 水車…)'],
])('%j asks for %s', (line, asked) => expect(shown(readQueryLine(line))).toBe(asked));

test.each([
  ['OR', 'or…'],
  ['OR gate', 'all(or, gate…)'],
  ['gate OR', 'all(gate, or…)'],
  ['(gate', 'gate…'],
  ['gate) pin(', 'all(gate, pin)'],
  ['() - "" gate', 'gate…'],
  ['a"b', 'all(a, “b”…)'],
  ['-', ''],
])('%j, which leaves something open, is %s', (line, asked) => expect(shown(readQueryLine(line))).toBe(asked));

/** Words, operators and signs in any order. */
const typed = fc
  .array(
    fc.oneof(
      fc.constantFrom(
        ...'gate|OR|-|(|)|"|“|”|:|tag:|tag:lime|written:|..|\\|//|4|4.8|京都|é| |  |\t|a-b|--|-OR|"x y"'.split('|'),
      ),
      fc.string({ maxLength: 4, unit: 'grapheme' }),
    ),
    { maxLength: 14 },
  )
  .map((parts) => parts.join(''));

/** Without places, and what is typed as a list of the same. */
const plain = (asked: Asked | null): unknown =>
  JSON.parse(JSON.stringify(asked, (key, value: unknown) => (key === 'from' || key === 'to' ? undefined : value)));

test('any text is a query, and a query that is written is read again as it was', () => {
  fc.assert(
    fc.property(typed, (line) => {
      const asked = readQueryLine(line);
      expect(plain(readQueryLine(writeQueryLine(asked)))).toEqual(plain(asked));
    }),
    { numRuns: 2_000 },
  );
});

test('words stand where they were typed', () => {
  fc.assert(
    fc.property(typed, (line) => {
      for (const leaf of leavesOf(readQueryLine(line))) {
        const written = line.slice(leaf.from, leaf.to);
        if (leaf.is === 'word') expect(written.toLowerCase()).toContain(leaf.text.toLowerCase());
        else expect(written.length).toBeGreaterThan(0);
      }
    }),
    { numRuns: 1_000 },
  );
});

test('a filter that is chosen and let go leaves the query as it was, and what is being typed stays the last', () => {
  const value = fc.oneof(
    fc.constantFrom('lime', 'wet and dry', '2026-03..', 'a"b', '//x', '(', 'OR'),
    fc.string({ minLength: 1 }),
  );
  const field = fc.constantFrom('tag', 'kind', 'moored at', 'has');
  fc.assert(
    fc.property(typed, field, value, (line, name, chosenValue) => {
      const chosen = { field: name, value: chosenValue };
      const asked = readQueryLine(line);
      fc.pre(!chosenFilters(asked).some((each) => each.field === name && each.value === chosenValue));
      const filtered = withFilter(asked, chosen);
      const read = readQueryLine(writeQueryLine(filtered));
      expect(plain(read)).toEqual(plain(filtered));
      expect(plain(withoutFilter(read, chosen))).toEqual(plain(asked));
      expect(plain(withFilter(filtered, chosen))).toEqual(plain(filtered));
    }),
    { numRuns: 500 },
  );
});

test('a line of brackets and quotation marks that are never closed is read in a moment', () => {
  for (const line of ['('.repeat(500), '"'.repeat(500), '(-'.repeat(250), 'a OR '.repeat(100), '(a OR '.repeat(80)]) {
    expect(() => readQueryLine(line)).not.toThrow();
  }
});

test('the reader is made from the grammar as it is', () => {
  const made = peggy.generate(readFileSync(path.join(__dirname, 'grammar.peggy'), 'utf8'), {
    cache: true,
    output: 'source',
    format: 'es',
  });
  expect(readFileSync(path.join(__dirname, 'grammar.js'), 'utf8')).toBe(made);
});
