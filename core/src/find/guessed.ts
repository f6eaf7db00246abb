import { slipsOf, type KnownWords, type Reading } from './readings';
import { isWantedTogether, type Wanted } from './wanted';

/** A word that so many lines hold is what was meant. */
const USUAL = 2;
/** From so many letters on, a word that is followed by others may be the beginning of one. */
const BEGUN = 3;

/**
 * The same with what may have been meant: words near a slip of the finger, and those of which one typed the beginning and
 * went on: "harb off".
 *
 * @param isAny whether also in the place of words that the notes know well: where nothing holds all of them
 * @param isFollowed whether another word has to stand beside it
 */
export function withGuesses(wanted: Wanted, known: KnownWords, isAny: boolean, isFollowed = false): Wanted {
  if (wanted.is === 'word') {
    const { word, isBeginning, readings } = wanted;
    if (word.includes(' ')) return wanted;
    const isBegun = isFollowed && !isBeginning && word.length >= BEGUN;
    const begun: Reading[] = isBegun ? [{ how: 'begun', terms: [word], isBeginning: true }] : [];
    const isUsual = !isAny && known.vocabulary.linesWith(word) >= USUAL;
    return { ...wanted, readings: [...readings, ...begun, ...(isUsual ? [] : slipsOf(word, isBeginning, known))] };
  }
  if (!isWantedTogether(wanted)) return wanted;
  const { is, parts } = wanted;
  const isLast = (index: number) => is === 'any' || index === parts.length - 1;
  return { is, parts: parts.map((part, index) => withGuesses(part, known, isAny, !isLast(index))) };
}
