import fc from 'fast-check';
import { block, text } from '../document/build';
import type { NodeJson } from '../document/types';
import {
  isNearlySame,
  linkRanges,
  linkState,
  mapTextBlocks,
  searchedText,
  slipsBetween,
  textBlocks,
  type LinkTarget,
  type Range,
} from './index';

const TARGET = '01890a5d-ac96-774b-bcce-b302099a8057';

test.each([
  ['Sluice gate', 'sluice-gate'],
  ['Sluice gate', 'Sluicegate'],
  ['Młyny pływowe', 'mlyny plywowe'],
  ['Gate, sluice', 'Sluice gate'],
  ['Pintle', 'Pintel'],
  ['Tide and Timber', 'Tide and Timbr'],
  ['Oak moisture', 'Oak mosture'],
])('%s and %s are probably one page', (one, other) => {
  expect([isNearlySame(one, other), isNearlySame(other, one)]).toEqual([true, true]);
});
test.each([
  ['Draft 3', 'Draft 4'],
  ['Sluice gate no. 2', 'Sluice gate no. 3'],
  ['Oak', 'Oar'],
  ['Mill', 'Mull pool'],
  ['Gate', ''],
  ['…', '—'],
  ['Windows', 'Working windows'],
])('%s and %s are two', (one, other) => {
  expect([isNearlySame(one, other), isNearlySame(other, one)]).toEqual([false, false]);
});

/** The same by trying all ways. */
function slipsSlowly(a: string[], b: string[]): number {
  if (a.length === 0 || b.length === 0) return a.length + b.length;
  const ways = [
    slipsSlowly(a.slice(1), b) + 1,
    slipsSlowly(a, b.slice(1)) + 1,
    slipsSlowly(a.slice(1), b.slice(1)) + (a[0] === b[0] ? 0 : 1),
  ];
  if (a[0] === b[1] && a[1] === b[0] && a.length > 1 && b.length > 1) {
    ways.push(slipsSlowly(a.slice(2), b.slice(2)) + 1);
  }
  return Math.min(...ways);
}

test('slips are counted as by trying all ways, and cut off above what is asked', () => {
  const word = fc.array(fc.constantFrom('a', 'b', '😀'), { maxLength: 5 });
  fc.assert(
    fc.property(word, word, fc.integer({ min: 0, max: 4 }), (one, other, most) => {
      const slips = slipsSlowly(one, other);
      expect(slipsBetween(one.join(''), other.join(''), most)).toBe(Math.min(slips, most + 1));
    }),
  );
});

const bold = [{ type: 'bold' }];
const line = block('paragraph', [
  text('The '),
  { type: 'text', text: 'sluice', marks: bold },
  text(' gate and '),
  { type: 'pageLink', attrs: { target: TARGET, words: null } },
  { type: 'text', text: ' gate()', marks: [{ type: 'code' }] },
  { type: 'hardBreak' },
  text('gate'),
]);

test('names are looked for in running words alone; places are those of the line itself', () => {
  expect(searchedText(line)).toBe('The sluice gate and \uFFFC\uFFFC\uFFFC\uFFFC\uFFFC\uFFFC\uFFFC\uFFFC\ngate');
});

test('a name that is partly bold becomes one link, where it begins, and the rest stays as it was', () => {
  const linked = linkRanges(line, [{ start: 4, end: 15 }], TARGET, (written) => written.toUpperCase());
  expect(linked.content!.slice(0, 3)).toEqual([
    text('The '),
    { type: 'pageLink', attrs: { target: TARGET, words: 'SLUICE GATE' } },
    text(' and '),
  ]);
  expect(linked.content!.slice(3)).toEqual(line.content!.slice(3));
  expect(linked.attrs).toEqual(line.attrs);
  expect(linkRanges(line, [], TARGET, () => null)).toBe(line);
});

test('whatever is linked, no other word is lost or moved', () => {
  const pieces = fc.array(fc.record({ text: fc.stringMatching(/^[ab ]{1,6}$/u), isBold: fc.boolean() }), {
    minLength: 1,
    maxLength: 6,
  });
  const wanted = fc.array(fc.record({ gap: fc.nat(4), size: fc.integer({ min: 1, max: 5 }) }), { maxLength: 4 });
  fc.assert(
    fc.property(pieces, wanted, (parts, gaps) => {
      const before = block(
        'paragraph',
        parts.map((part): NodeJson => ({ type: 'text', text: part.text, ...(part.isBold && { marks: bold }) })),
      );
      const whole = searchedText(before);
      const ranges: Range[] = [];
      let at = 0;
      for (const { gap, size } of gaps) {
        const start = at + gap;
        if (start + size > whole.length) break;
        ranges.push({ start, end: start + size });
        at = start + size;
      }
      const after = linkRanges(before, ranges, TARGET, (written) => written);
      const said = after
        .content!.map((node) => (node.type === 'text' ? node.text : String(node.attrs!.words)))
        .join('');
      expect(said).toBe(whole);
      const links = after.content!.filter((node) => node.type === 'pageLink').map((node) => node.attrs!.words);
      expect(links).toEqual(ranges.map(({ start, end }) => whole.slice(start, end)));
      expect(after.content!.every((node) => node.type !== 'text' || node.text !== '')).toBe(true);
    }),
  );
});

test('lines within tables are reached, code is not, and what was not changed is the same object', () => {
  const cell = block('paragraph', 'In a cell');
  const code: NodeJson = { type: 'codeBlock', attrs: { id: TARGET }, content: [text('gate')] };
  const table: NodeJson = {
    type: 'table',
    content: [{ type: 'tableRow', content: [{ type: 'tableCell', content: [cell] }, { type: 'tableCell' }] }],
  };
  expect(textBlocks(table)).toEqual([cell]);
  expect(textBlocks(code)).toEqual([]);
  expect(mapTextBlocks(table, (each) => each)).toBe(table);
  expect(mapTextBlocks(code, () => cell)).toBe(code);
  const changed = mapTextBlocks(table, () => line);
  expect(textBlocks(changed)).toEqual([line]);
  expect(textBlocks(table)).toEqual([cell]);
});

test('a link says the most urgent of what its target is', () => {
  const page: LinkTarget = { isDeleted: false, season: 'now', isEmpty: false, kind: 'page' };
  const states: [LinkTarget | null, string][] = [
    [null, 'gone'],
    [page, 'written'],
    [{ ...page, isEmpty: true }, 'unwritten'],
    [{ ...page, isEmpty: true, kind: 'section' }, 'written'],
    [{ ...page, season: 'aside', isEmpty: true }, 'aside'],
    [{ ...page, season: 'later' }, 'written'],
    [{ ...page, season: 'aside', isDeleted: true }, 'binned'],
  ];
  expect(states.map(([target]) => linkState(target))).toEqual(states.map(([, state]) => state));
});
