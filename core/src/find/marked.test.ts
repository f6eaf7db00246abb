import fc from 'fast-check';
import { foldWords } from '../words/words';
import { markWords } from './marked';
import { readQueryLine } from './query';
import type { KnownWords } from './readings';
import { isTelling, tellingWords } from './telling';
import { Vocabulary } from './vocabulary';
import { wantedOf, wantedWords } from './wanted';

const known: KnownWords = { vocabulary: new Vocabulary(), formsOf: () => [], namedBy: () => [] };
const words = (typed: string) => wantedWords(wantedOf(readQueryLine(typed), known));

/** What a person sees, with marks as brackets. */
const shown = (text: string, typed: string, length?: number) =>
  markWords(text, words(typed), length)
    .map((piece) => (piece.isMarked ? `[${piece.text}]` : piece.text))
    .join('');

test('the word that is still being typed fits what begins with it; a space after it makes it whole', () => {
  expect(shown('The gate, gated and regated', 'gat')).toBe('The [gate], [gated] and regated');
  expect(shown('The gate, gated', 'gate ')).toBe('The [gate], gated');
});

test('nothing typed marks nothing', () => {
  expect(markWords('Any text', words(''))).toEqual([{ text: 'Any text', isMarked: false }]);
});

test('words are marked whatever their accents', () => {
  expect(shown('Młyny pływowe i młyny', 'mlyny plyw')).toBe('[Młyny] [pływowe] i [młyny]');
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
        const pieces = markWords(text, words(typed), length);
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
