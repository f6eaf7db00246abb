import { wordsIn } from '../words';
import type { Finding } from './finding';
import type { WantedWord } from './wanted';

/** The most words that are said to have been taken for what was typed. */
const SAID = 6;

/** Words that are marked though they are not what was typed, as they are written. */
export function alsoIn(
  findings: readonly Pick<Finding, 'titlePieces' | 'lines'>[],
  words: readonly WantedWord[],
): string[] {
  const also = new Map<string, string>();
  const marked = findings.flatMap(({ titlePieces, lines }) => [
    ...titlePieces,
    ...lines.flatMap(({ pieces }) => pieces),
  ]);
  for (const { text, isMarked } of marked) {
    if (!isMarked || also.size >= SAID) continue;
    for (const { word } of wordsIn(text)) {
      const isTyped = words.some(
        ({ word: typed, isBeginning, readings }) =>
          readings[0]!.terms.some((term) => (isBeginning ? word.startsWith(term) : word === term)) || typed === word,
      );
      if (!isTyped && !also.has(word)) also.set(word, text.toLowerCase());
    }
  }
  return [...also.values()];
}
