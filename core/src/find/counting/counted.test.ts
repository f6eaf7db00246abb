import fc from 'fast-check';
import { lineWords, WordCounts, type CountChange, type LineWords } from '.';

const byWord = (changes: readonly CountChange[]): Record<string, number> => {
  const lines: Record<string, number> = {};
  for (const { word, lines: by } of changes) lines[word] = (lines[word] ?? 0) + by;
  return lines;
};
const lines = (...texts: string[]): LineWords[] => texts.map(lineWords);

test('a word is counted once for each line that holds it, however it is written there', () => {
  const counts = new WordCounts();
  counts.text([], lines('The café by the weir; the CAFE, the Café.', 'A cafe'));
  expect(byWord(counts.changes())).toMatchObject({ cafe: 2, the: 1, weir: 1 });
});

test('what is counted of many pages together is what each of them says by itself', () => {
  const words = fc.constantFrom('oak', 'Oak', 'café', 'cafe', 'gates', 'gate', 'ворота', 'воротам', '水門', 'läuft');
  const text = fc.array(
    fc.array(words, { maxLength: 6 }).map((some) => some.join(' ')),
    { maxLength: 4 },
  );
  fc.assert(
    fc.property(fc.array(fc.tuple(text, text), { maxLength: 6 }), (pages) => {
      const together = new WordCounts();
      const alone: Record<string, number> = {};
      for (const [before, after] of pages) {
        const [was, is] = [lines(...before), lines(...after)];
        together.text(was, is);
        const counts = new WordCounts();
        counts.text(was, is);
        for (const { word, language, stem, lines: by } of counts.changes()) {
          const key = `${word} ${language} ${stem}`;
          alone[key] = (alone[key] ?? 0) + by;
        }
      }
      const found = together
        .changes()
        .map(({ word, language, stem, lines: by }) => [`${word} ${language} ${stem}`, by]);
      const some = Object.entries(alone).filter(([, by]) => by !== 0);
      expect(Object.fromEntries(found)).toEqual(Object.fromEntries(some));
    }),
  );
});

test('what is taken back is counted as if it had never been written', () => {
  const counts = new WordCounts();
  const text = lines('The gate was lifted', 'at neaps');
  counts.text([], text);
  counts.text(text, []);
  counts.title('Sluice gate', 1);
  counts.title('Sluice gate', -1);
  expect(counts.changes()).toEqual([]);
});
