import fc from 'fast-check';
import { block, pageLink, tag, text } from '../document/build';
import type { NodeJson } from '../document/types';
import { times } from '../testing';
import { matcherOf, MatcherError, replacedIn, type ReplaceWish } from '.';

const wish = (find: string, by: string, more: Partial<ReplaceWish> = {}): ReplaceWish => ({
  ...{ find, by, isExpression: false, isCase: false, isWhole: false },
  ...more,
});
const bold = (words: string): NodeJson => ({ ...text(words), marks: [{ type: 'bold' }] });
const line = (...content: NodeJson[]) => block('paragraph', content, { id: 'line' });
const replaced = (node: NodeJson, asked: ReplaceWish) => replacedIn(node, matcherOf(asked), (id) => `<${id}>`);
const contentOf = (node: NodeJson, asked: ReplaceWish) => replaced(node, asked)?.node.content;

test('words are replaced in the style in which they begin; links, tags and the id stay', () => {
  const before = line(text('The gud'), bold('geon of '), pageLink('gate'), text(' is a gudgeon. '), tag('iron'));
  const { node, before: was, after } = replaced(before, wish('gudgeon', 'pintle'))!;
  expect(node).toEqual({
    ...before,
    content: [text('The pintle'), bold(' of '), pageLink('gate'), text(' is a pintle. '), tag('iron')],
  });
  expect(was.map((piece) => (piece.isMarked ? `[${piece.text}]` : piece.text)).join('')).toBe(
    'The [gudgeon] of <gate> is a [gudgeon]. <iron>',
  );
  expect(after.map((piece) => (piece.isMarked ? `[${piece.text}]` : piece.text)).join('')).toBe(
    'The [pintle] of <gate> is a [pintle]. <iron>',
  );
});

test.each([
  ['capitals do not count unless they are to', 'Oak and OAK', wish('oak', 'elm'), 'elm and elm'],
  ['capitals', 'Oak and oak', wish('oak', 'elm', { isCase: true }), 'Oak and elm'],
  ['whole words', 'lime, limes, sublime', wish('lime', 'chalk', { isWhole: true }), 'chalk, limes, sublime'],
  ['whole words of other letters', 'żółw żółwia', wish('żółw', 'ryba', { isWhole: true }), 'ryba żółwia'],
  ['signs are signs', '1.5 (m) 1x5', wish('1.5 (m)', '$1.50'), '$1.50 1x5'],
  ['an expression', '12 ft 6', wish('(\\d+) ft (\\d+)', "$1' $2 $$$3", { isExpression: true }), "12' 6 $"],
  ['an expression of nothing', 'ab', wish('x*', '-', { isExpression: true }), '-a-b'],
  ['nothing in its place', 'a very old mill', wish(' very', ''), 'a old mill'],
  ['lines that are typed in', 'a b', wish(' ', '\n'), null],
])('%s', (_name, words, asked, expected) => {
  expect(contentOf(line(text(words)), asked)).toEqual(expected === null ? undefined : [text(expected)]);
});

test('what goes over a link or a new line is left, and what is not there changes nothing', () => {
  const before = line(text('see '), pageLink('gate'), text(' now'));
  expect(contentOf(before, wish('see.*now', 'x', { isExpression: true }))).toBeUndefined();
  expect(replaced(before, wish('pintle', 'x'))).toBeNull();
  expect(replaced(before, wish('see', 'see'))).toBeNull();
});

test('cells and code are replaced in', () => {
  const cell = (words: string): NodeJson => ({ type: 'tableCell', content: [line(text(words))] });
  const table: NodeJson = { type: 'table', content: [{ type: 'tableRow', content: [cell('oak'), cell('elm')] }] };
  const shown = replaced(table, wish('oak', 'ash'))!;
  expect(JSON.stringify(shown.node)).toBe(JSON.stringify(table).replace('oak', 'ash'));
  expect(shown.before.map((piece) => piece.text).join('')).toBe('oak · elm');
  const code: NodeJson = { type: 'codeBlock', attrs: { id: 'c' }, content: [text('gate = 2')] };
  expect(contentOf(code, wish('gate', 'leaf'))).toEqual([text('leaf = 2')]);
});

test('an expression that is none is said to be, and none takes long', () => {
  expect(() => matcherOf(wish('(', '', { isExpression: true }))).toThrow(MatcherError);
  expect(() => matcherOf(wish('(?=a)', '', { isExpression: true }))).toThrow(MatcherError);
  expect(() => matcherOf(wish('', 'x'))).toThrow(MatcherError);
  const slow = matcherOf(wish('(a+)+$', 'x', { isExpression: true }));
  const started = performance.now();
  slow(`${'a'.repeat(5_000)}!`);
  expect(performance.now() - started).toBeLessThan(2_000);
});

test('whatever is looked for, what is replaced back by words that were nowhere is what it was', () => {
  const runs = fc.array(fc.tuple(fc.stringMatching(/^[ab ]{1,6}$/u), fc.constantFrom('plain', 'bold', 'link')), {
    minLength: 1,
    maxLength: 6,
  });
  fc.assert(
    fc.property(runs, fc.stringMatching(/^[ab]{1,2}$/u), (content, find) => {
      const nodes = content.map(([words, kind]) =>
        kind === 'link' ? pageLink(words) : kind === 'bold' ? bold(words) : text(words),
      );
      const before = line(...nodes);
      const there = replaced(before, wish(find, 'ZZ', { isCase: true }));
      if (!there) return;
      const wordsOf = (node: NodeJson) => (node.content ?? []).map((each) => each.text ?? '|').join('');
      const back = replaced(there.node, wish('ZZ', find, { isCase: true }))!;
      expect(wordsOf(back.node)).toBe(wordsOf(before));
      expect(there.before.map((piece) => piece.text).join('')).toBe(
        nodes.map((each) => each.text ?? `<${String(each.attrs!.target)}>`).join(''),
      );
    }),
    { numRuns: times(300) },
  );
});
