import { foldWords } from '../words';
import type { Script } from './names';

/** A language whose word forms are known. */
export interface Language {
  /** ISO 639-1. */
  code: string;
  /** As those who speak it call it. */
  name: string;
  script: Script;
  /** Small words by which a line is seen to be in it, folded. */
  small: ReadonlySet<string>;
  /** Letters beyond those of the bare script by which it is seen too, in lower case. */
  letters: string;
  /** A word in lower case without its ending, folded: the same for all forms of most words. */
  stem: (word: string) => string;
}

/** What is known of a language: its small words as they are written, and what takes an ending off. */
interface Known extends Omit<Language, 'small' | 'stem'> {
  small: readonly string[];
  withoutEnding: (word: string) => string;
}

export const language = ({ small, withoutEnding, ...known }: Known): Language => ({
  ...known,
  small: new Set(small.map(foldWords)),
  // Endings are known by their accents; what is typed without any still comes to the same stem.
  stem: (word) => foldWords(withoutEnding(word)) || foldWords(word),
});
