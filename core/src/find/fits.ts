import { wordsIn, type FoundWord } from '../words';
import { isToken, type How, type Reading } from './readings';
import type { WantedWord } from './wanted';

/** How a text fits words that are looked for: for each the surest way in which it holds it, null where it does not. */
export type Fit = readonly (How | null)[];

/** How much each way of holding a word weighs. */
const WEIGHTS: Readonly<Record<How, number>> = { exact: 1, named: 1, form: 0.8, spelling: 0.8, begun: 0.7, slip: 0.5 };

export const weightOf = (fit: Fit): number => fit.reduce((sum, how) => sum + (how === null ? 0 : WEIGHTS[how]), 0);

/** How many of the words are held. */
export const countOf = (fit: Fit): number => fit.filter((how) => how !== null).length;

const holdsTerm = (word: string, term: string, isBeginning: boolean): boolean =>
  isBeginning ? word.startsWith(term) : word === term;

/** Where a reading begins to stand in words; -1 where it does not. */
function placeOf(words: readonly string[], { terms, isBeginning }: Reading, from = 0): number {
  const last = terms.length - 1;
  for (let at = from; at + last < words.length; at += 1) {
    if (terms.every((term, index) => holdsTerm(words[at + index]!, term, isBeginning && index === last))) return at;
  }
  return -1;
}

const NONE: ReadonlySet<string> = new Set();

/** A reading as it is seen in words that stand between spaces (core/words spacedWords). */
export const needleOf = ({ terms, isBeginning }: Reading): string => ` ${terms.join(' ')}${isBeginning ? '' : ' '}`;

/**
 * Makes ready what is looked for, to be held against many texts. What it gives takes the words of a text between spaces,
 * and the tokens of what the text wears and links to.
 */
export function fitting(wanted: readonly WantedWord[]): (spaced: string, tokens?: ReadonlySet<string>) => Fit {
  const ways = wanted.map(({ readings }) =>
    readings.map((reading) => ({
      how: reading.how,
      token: isToken(reading) ? reading.terms[0]! : null,
      needle: needleOf(reading),
    })),
  );
  return (spaced, tokens = NONE) =>
    ways.map((each) => {
      for (const { how, token, needle } of each) {
        if (token === null ? spaced.includes(needle) : tokens.has(token)) return how;
      }
      return null;
    });
}

/** The words of a text that are looked for, or stand for what is, in their order. */
export function heldWords(text: string, wanted: readonly WantedWord[]): FoundWord[] {
  const found = wordsIn(text);
  const words = found.map(({ word }) => word);
  const held = new Set<number>();
  for (const { readings } of wanted) {
    for (const reading of readings) {
      if (isToken(reading)) continue;
      for (let at = placeOf(words, reading); at >= 0; at = placeOf(words, reading, at + 1)) {
        reading.terms.forEach((_term, index) => held.add(at + index));
      }
    }
  }
  return found.filter((_each, index) => held.has(index));
}

/** Of each word that is looked for the first that holds it, in the order of the text. */
export function firstHeld(text: string, wanted: readonly WantedWord[]): FoundWord[] {
  const found = wordsIn(text);
  const words = found.map(({ word }) => word);
  const firsts = wanted.flatMap(({ readings }) => {
    const places = readings.filter((each) => !isToken(each)).map((each) => placeOf(words, each));
    const held = places.filter((at) => at >= 0);
    return held.length > 0 ? [Math.min(...held)] : [];
  });
  return [...new Set(firsts)].sort((one, other) => one - other).map((at) => found[at]!);
}
