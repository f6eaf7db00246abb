import fc from 'fast-check';
import { spacedWords } from '../../words';
import { fitting, weightOf } from '../fits';
import { markWords } from '../marked';
import { readQueryLine } from '../query';
import { joinedFit } from '../rank';
import { HOW, type KnownWords } from '../readings';
import { Vocabulary } from '../vocabulary';
import { wantedOf, wantedWords } from '../wanted';
import { bestStretches, fileTextOf } from './fileText';

const known: KnownWords = { vocabulary: new Vocabulary(), formsOf: () => [], namedBy: () => [] };
const words = (typed: string) => wantedWords(wantedOf(readQueryLine(typed), known));

const long = `${'The survey was made at low water. '.repeat(40)}The pintle of the mill-
wright’s second gate was worn.\n\n${'Nothing else was found. '.repeat(40)}`;

test('the stretch of a file is shown that holds what is looked for, a word that was broken at the end of a line too', () => {
  const text = fileTextOf(long);
  expect(fitting(words('pintle millwright'))(text.words)).toEqual(['exact', 'exact']);
  const [stretch = ''] = bestStretches(text, words('pintle millwright '));
  expect(stretch).toContain('The pintle of the millwright’s second gate');
  expect(stretch.length).toBeLessThanOrEqual(2 * 240 + 1);
  expect(markWords(stretch, words('pintle ')).filter(({ isMarked }) => isMarked)).toHaveLength(1);
});

test('a word is held whole, or as the beginning of one that is being typed', () => {
  const { words: held } = fileTextOf(long);
  expect(fitting(words('pint '))(held)).toEqual([null]);
  expect(fitting(words('pint'))(held)).toEqual(['exact']);
  expect(fitting(words('"low water" '))(held)).toEqual(['exact']);
  expect(fitting(words('"water low" '))(held)).toEqual([null]);
});

test('it is the first of those that hold most together with the one after them, wherever it stands', () => {
  const word = fc.constantFrom('gate', 'gates', 'pintle', 'water', 'low', 'mill', 'wright');
  const typed = fc.constantFrom('pintle gate ', 'water', '"low water" ', 'millwright ', 'gat', 'absent ');
  const texts = fc.array(fc.array(word, { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 30 });
  fc.assert(
    fc.property(texts, typed, (stretches, line) => {
      const text = stretches.map((each, index) => `${index} ${each.join(' ')}`);
      const fitOf = fitting(words(line));
      const weights = text.map((each, index) => {
        const pair = [each, text[index + 1] ?? ''].map((stretch) => fitOf(spacedWords(stretch)));
        // Of alike ones the one that holds more by itself; nothing is begun with a stretch that holds nothing.
        const own = weightOf(pair[0]!);
        return own === 0 ? 0 : 100 * weightOf(joinedFit(pair, HOW)) + own;
      });
      const best = weights.indexOf(Math.max(...weights));
      const [shown] = bestStretches({ text: text.join('\n'), words: text.map(spacedWords).join('\n') }, words(line));
      expect(shown).toBe(text.slice(best, best + 2).join(' '));
    }),
  );
});

test('what one stretch does not hold is shown from another', () => {
  const text = [
    'By lamp and rod.',
    'Dry.',
    'The gate of lamp black.',
    'Dry.',
    'Dry.',
    'Efflorescence.',
    'Dry.',
    'A gate.',
  ];
  const file = { text: text.join('\n'), words: text.map(spacedWords).join('\n') };
  expect(bestStretches(file, words('lamp efflorescence gate '))).toEqual([
    'The gate of lamp black. Dry.',
    'Efflorescence. Dry.',
  ]);
  expect(bestStretches(file, words('lamp '))).toEqual(['By lamp and rod. Dry.']);
  expect(bestStretches(file, words('absent lamp '))).toEqual(['By lamp and rod. Dry.']);
  expect(bestStretches(file, words('absent '))).toEqual(['By lamp and rod. Dry.']);
});

test('nothing of a text is left out, whatever is written in it', () => {
  for (const text of [
    '',
    '  \n ',
    '水車の軸'.repeat(200),
    '𠮷'.repeat(500),
    'ﬁne eﬃcient\u0000word',
    'x'.repeat(900),
  ]) {
    const { text: shown, words: held } = fileTextOf(text);
    expect(shown.replaceAll(/\s/gu, '')).toBe(text.replaceAll(/[\s\p{Cc}]/gu, ''));
    expect(held.split('\n')).toHaveLength(shown.split('\n').length);
    expect(() => encodeURIComponent(shown)).not.toThrow();
  }
});
