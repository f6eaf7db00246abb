import { indexedWords, spacedWords } from '../../words';
import { fitting, weightOf } from '../fits';
import type { WantedWord } from '../wanted';

/** What is written in a file, in stretches that can be shown, and what the index has of each; both a line for each. */
export interface FileText {
  text: string;
  words: string;
}

/** A stretch has at most so many characters. */
const STRETCH = 240;
/** A word that was broken at the end of a line. */
const BROKEN = /(?<=\p{L})[\u00ad-]\s*\n\s*(?=\p{Ll})/gu;

/** The text of a file as it is kept to be found. */
export function fileTextOf(raw: string): FileText {
  const text = raw
    .replaceAll(BROKEN, '')
    .replaceAll(/[\s\p{Cc}]+/gu, ' ')
    .trim();
  const stretches: string[] = [];
  for (let from = 0; from < text.length;) {
    const to = endOfStretch(text, from);
    const stretch = text.slice(from, to).trim();
    if (indexedWords(stretch) !== '') stretches.push(stretch);
    from = to;
  }
  return { text: stretches.join('\n'), words: stretches.map(spacedWords).join('\n') };
}

/** Where a stretch ends that begins at a place: between words, unless there is one that is longer. */
function endOfStretch(text: string, from: number): number {
  const end = from + STRETCH;
  if (end >= text.length) return text.length;
  const space = text.lastIndexOf(' ', end);
  if (space > from) return space;
  // Not between the halves of a character.
  return /[\uDC00-\uDFFF]/u.test(text.charAt(end)) ? end - 1 : end;
}

/** The stretch of a file that holds most of what is looked for, with the one after it; the first where none holds any. */
export function bestStretch({ text, words }: FileText, wanted: readonly WantedWord[]): string {
  const fitOf = fitting(wanted);
  let best = { at: 0, weight: 0 };
  for (const [at, stretch] of words.split('\n').entries()) {
    const weight = weightOf(fitOf(stretch));
    if (weight > best.weight) best = { at, weight };
  }
  return text
    .split('\n')
    .slice(best.at, best.at + 2)
    .join(' ');
}
