import { fitting } from '../fits';
import { markWords } from '../marked';
import { readQueryLine } from '../query';
import type { KnownWords } from '../readings';
import { Vocabulary } from '../vocabulary';
import { wantedOf, wantedWords } from '../wanted';
import { bestStretch, fileTextOf } from './fileText';

const known: KnownWords = { vocabulary: new Vocabulary(), formsOf: () => [], namedBy: () => [] };
const words = (typed: string) => wantedWords(wantedOf(readQueryLine(typed), known));

const long = `${'The survey was made at low water. '.repeat(40)}The pintle of the mill-
wright’s second gate was worn.\n\n${'Nothing else was found. '.repeat(40)}`;

test('the stretch of a file is shown that holds what is looked for, a word that was broken at the end of a line too', () => {
  const text = fileTextOf(long);
  expect(fitting(words('pintle millwright'))(text.words)).toEqual(['exact', 'exact']);
  const stretch = bestStretch(text, words('pintle millwright '));
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
