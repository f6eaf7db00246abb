import fc from 'fast-check';
import { foldWords, indexedWords, spacedWords, wordsIn } from './words';

const words = (text: string) => wordsIn(text).map(({ word }) => word);

test.each([
  ['case', 'Sluice GATE', 'sluice gate'],
  ['accents, set together or apart', 'Café cafe\u0301 Ångström', 'cafe cafe angstrom'],
  ['letters that are not taken apart', 'Młyny Straße œuvre İzmir ırmak', 'mlyny strasse oeuvre izmir irmak'],
  ['the final sigma', 'ΝΕΡΟΜΥΛΟΣ νερόμυλος', 'νερομυλοσ νερομυλοσ'],
  ['full width and ligatures', 'ｇａｔｅ ﬁnal', 'gate final'],
  ['Arabic vowel signs, the long line and forms of one letter', 'مَدٌّ بـــحر آلة ىمنى', 'مد بحر اله يمني'],
  ['the two kana', 'メダカ めだか', 'めだか めだか'],
  ['Hebrew points', 'גֵּאוּת', 'גאות'],
])('%s makes no difference', (_what, written, folded) => {
  expect(indexedWords(written)).toBe(folded);
});

test('the voicing of kana is a letter of its own, set together or apart', () => {
  expect(foldWords('が')).toBe('が');
  expect(foldWords('か\u3099')).toBe('が');
  expect(foldWords('か')).not.toBe(foldWords('が'));
});

test('scripts without spaces are cut into words, beside others too', () => {
  expect(words('水車小屋の水門')).toEqual(expect.arrayContaining(['水車', '水門']));
  expect(words('Gate水門9号')).toEqual(['gate', '水門', '9', '号']);
  expect(words('潮を待つ').length).toBeGreaterThan(1);
});

test('what is plain is prepared as all else is', () => {
  const letter = fc.integer({ min: 32, max: 126 }).map((code) => String.fromCharCode(code));
  fc.assert(
    fc.property(fc.string({ unit: letter, maxLength: 60 }), (text) => {
      expect(indexedWords(text)).toBe(words(text).join(' '));
      expect(spacedWords(text)).toBe(` ${indexedWords(text)} `);
    }),
  );
});

test('signs between words are no words, figures are', () => {
  expect(words('— “Pintle”, 38 mm (no. 2)…')).toEqual(['pintle', '38', 'mm', 'no', '2']);
  expect(words('😀 \u0301 – …')).toEqual([]);
});

test('each word stands where it says, in the order of the text, whatever is written', () => {
  const letter = fc.constantFrom('a', 'É', 'ß', 'ł', ' ', '-', '水', '車', 'が', '9', '😀', '\u0301', 'ς', 'م', '\n');
  fc.assert(
    fc.property(
      fc.array(letter, { maxLength: 40 }).map((letters) => letters.join('')),
      (text) => {
        let before = 0;
        for (const { word, start, end } of wordsIn(text)) {
          expect(start).toBeGreaterThanOrEqual(before);
          expect(foldWords(text.slice(start, end))).toBe(word);
          before = end;
        }
        // What is in the index is found by what is in the index.
        expect(indexedWords(indexedWords(text))).toBe(indexedWords(text));
      },
    ),
  );
});
