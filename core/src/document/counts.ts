import { countWords } from './facts';
import { shownWords } from './text';
import type { NodeJson } from './types';

export interface Counts {
  words: number;
  /** As a reader counts them: a letter with its accents, or an emoji of several signs, is one. */
  characters: number;
  /** Minutes, rounded up. */
  minutes: number;
}

/** Words a grown-up reads in a minute, silently, of English prose (Brysbaert 2019, doi:10.1016/j.jml.2019.104047). */
const READ_IN_A_MINUTE = 238;

let segmenter: Intl.Segmenter | undefined;

/** Counts what is shown of blocks; `titleOf` gives the words of links that have none of their own. */
export function countBlocks(nodes: readonly NodeJson[], titleOf: (target: string) => string): Counts {
  segmenter ??= new Intl.Segmenter(undefined, { granularity: 'grapheme' });
  const counts = { words: 0, characters: 0 };
  for (const node of nodes) {
    const shown = shownWords(node, titleOf);
    counts.words += countWords(shown);
    for (const { segment } of segmenter.segment(shown)) if (segment !== '\n') counts.characters += 1;
  }
  return { ...counts, minutes: Math.ceil(counts.words / READ_IN_A_MINUTE) };
}
