import { stemmer } from 'stemmer';
import { wordsIn } from '../words/words';

/** English words that say nothing of what a line is about. */
const SILENT = new Set(
  'a about above after again against all also am an and any are as at be because been before being below between both but by can could did do does done down each few for from had has have he her here hers him his how i if in into is it its just may me might more most must my no nor not now of off on once one only or other our out over own same says said say she should so some such than that the their them then there these they this those through to too two under until up us very was we well were what when where which while who why will with would you your s t'.split(
    ' ',
  ),
);

/** Whether a folded word says something of what a text is about. */
export const isTelling = (word: string): boolean => !SILENT.has(word) && !/^0+$/u.test(word);

/** A word brought down to its stem (Porter 1980). */
export const stemOf = (word: string): string => stemmer(word);

/** The words of a text that tell what it is about, each brought down to its stem. */
export const tellingWords = (text: string): string[] =>
  wordsIn(text)
    .map((each) => each.word)
    .filter(isTelling)
    .map(stemOf);
