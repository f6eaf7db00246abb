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

test('of words that stand far apart each is shown, what stands between them left out', () => {
  const text = `The pintle ${'between '.repeat(40)}the gate ${'between '.repeat(40)}the winch, and a pintle`;
  expect(shown(text, 'pintle gate ', 160)).toMatch(
    /^The \[pintle\] between.* … between.* the \[gate\] between.*between…$/u,
  );
  const line = shown(text, 'winch gate pintle ', 180);
  expect(line).toMatch(/^The \[pintle\].* … between.* \[gate\].* … between.* \[winch\], and a \[pintle\]$/u);
  expect(line.length).toBeLessThan(200);
  // Near each other they stand in one.
  expect(shown(`${'before '.repeat(30)}pintle of the gate ${'after '.repeat(30)}`, 'gate pintle ', 80)).toMatch(
    /^…before [^…]*\[pintle\] of the \[gate\] [^…]*after…$/u,
  );
});

test('whatever is written, excerpts are stretches of the text in their order, and each word is marked in one', () => {
  const piece = fc.constantFrom('pintle ', 'gate ', 'winch ', 'between ', '😀 ', 'x');
  fc.assert(
    fc.property(
      fc.array(piece, { maxLength: 120 }).map((pieces) => pieces.join('')),
      fc.constantFrom('gate pintle ', 'winch gate pintle ', 'pintle'),
      (text, typed) => {
        const pieces = markWords(text, words(typed), 90);
        let place = 0;
        for (const part of pieces
          .map((each) => each.text)
          .join('')
          .split(/ … |…/u)) {
          expect(text.indexOf(part, place)).toBeGreaterThanOrEqual(place);
          place = text.indexOf(part, place) + part.length;
        }
        const marked = new Set(pieces.filter((each) => each.isMarked).map((each) => each.text));
        const held = new Set(
          markWords(text, words(typed), text.length + 1).flatMap((each) => (each.isMarked ? each.text : [])),
        );
        expect(marked).toEqual(held);
      },
    ),
  );
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
