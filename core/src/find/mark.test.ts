import fc from 'fast-check';
import { countFits, markWords } from './mark';
import { isEmptyQuery, parseQuery, queryLength, toMatch } from './query';
import { isTelling, tellingWords } from './telling';
import { foldWords, wordsIn } from '../words/words';

/** What a person sees, with marks as brackets. */
const shown = (text: string, typed: string, length?: number) =>
  markWords(text, parseQuery(typed), length)
    .map((piece) => (piece.isMarked ? `[${piece.text}]` : piece.text))
    .join('');

test('the word that is still being typed fits what begins with it; a space after it makes it whole', () => {
  expect(parseQuery('Sluice ga')).toEqual({ words: ['sluice'], beginning: 'ga' });
  expect(parseQuery('Sluice ga ')).toEqual({ words: ['sluice', 'ga'], beginning: null });
  expect(shown('The gate, gated and regated', 'gat')).toBe('The [gate], [gated] and regated');
  expect(shown('The gate, gated', 'gate ')).toBe('The [gate], gated');
});

test('nothing typed, or only signs, asks for nothing', () => {
  for (const typed of ['', '   ', '“…”', '-- *']) expect(isEmptyQuery(parseQuery(typed))).toBe(true);
  expect(markWords('Any text', parseQuery(''))).toEqual([{ text: 'Any text', isMarked: false }]);
  expect(queryLength(parseQuery('a b'))).toBe(2);
});

test('what is typed can’t become an expression of the index', () => {
  expect(toMatch(parseQuery('a" OR title:b* NEAR '))).toBe('"a" AND "or" AND "title" AND "b" AND "near"');
  expect(toMatch(parseQuery('gate NOT'))).toBe('"gate" AND "not" *');
});

test('words are marked whatever their accents, and counted once each', () => {
  expect(shown('Młyny pływowe i młyny', 'mlyny plyw')).toBe('[Młyny] [pływowe] i [młyny]');
  expect(countFits('Gate, gate and gates by the mill', parseQuery('gate mil'))).toBe(2);
  expect(countFits('Nothing of it', parseQuery('gate mil'))).toBe(0);
});

test('words are counted as they are taken apart, in any script', () => {
  const piece = fc.constantFrom(
    'Gate',
    'gâte',
    ' ',
    '-',
    '水門',
    '水',
    'が',
    'か\u3099',
    'ΟΔΟΣ',
    'ß',
    'İ',
    '\u0301',
    '한',
  );
  const text = fc.array(piece, { maxLength: 12 }).map((pieces) => pieces.join(''));
  fc.assert(
    fc.property(text, text, (written, typed) => {
      const query = parseQuery(typed);
      const { words, beginning } = query;
      const kinds = wordsIn(written).map(({ word }) => {
        if (words.includes(word)) return word;
        return beginning !== null && word.startsWith(beginning) ? '…' : null;
      });
      expect(countFits(written, query)).toBe(new Set(kinds.filter((kind) => kind !== null)).size);
    }),
    { numRuns: 2_000 },
  );
});

test('a long text is shown around the first word found, from word to word', () => {
  const text = `${'before '.repeat(60)}the pintle ${'after '.repeat(60)}`;
  const line = shown(text, 'pintle', 80);
  expect(line).toMatch(/^…before .*\[pintle\] after.* after…$/u);
  expect(line.length).toBeLessThan(90);
});

test('an excerpt is a stretch of the text, marks what fits alone, and breaks no character', () => {
  const piece = fc.constantFrom('gate ', 'Gâte', ' ', '😀', '水門', 'gates, ', 'x', '\u0301');
  fc.assert(
    fc.property(
      fc.array(piece, { maxLength: 60 }).map((pieces) => pieces.join('')),
      fc.constantFrom('gate', 'gate ', '水門', 'x'),
      fc.integer({ min: 8, max: 60 }),
      (text, typed, length) => {
        const pieces = markWords(text, parseQuery(typed), length);
        const excerpt = pieces
          .map((each) => each.text)
          .join('')
          .replace(/^…|…$/gu, '');
        expect(text).toContain(excerpt);
        expect(excerpt).not.toMatch(/\p{Surrogate}/u);
        for (const { text: marked } of pieces.filter((each) => each.isMarked))
          expect(foldWords(marked).startsWith(typed.trim())).toBe(true);
      },
    ),
  );
});

test('telling words are brought down to their stem; small words and plain noughts say nothing', () => {
  expect(tellingWords('The gates were lifted and the lifting gate holds')).toEqual([
    'gate',
    'lift',
    'lift',
    'gate',
    'hold',
  ]);
  expect(['the', '000', 'gate'].map(isTelling)).toEqual([false, false, true]);
});
