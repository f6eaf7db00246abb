import { indexedWords, spacedWords } from '../../words';
import { fitting, needleOf, weightOf, type Fit } from '../fits';
import { joinedFit } from '../rank';
import { HOW, isToken } from '../readings';
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

/** The most stretches of one file that are shown. */
const SHOWN = 3;

/**
 * The stretches of a file that hold what is looked for, each together with the one after it: the one that holds most first,
 * then those that hold what is missing there; the first of all where none holds any.
 */
export function bestStretches({ text, words }: FileText, wanted: readonly WantedWord[]): string[] {
  const fitOf = fitting(wanted);
  const fits = new Map([...stretchesWith(words, wanted)].map(([at, stretch]) => [at, fitOf(stretch)]));
  const pairs = [...fits].map(([at, own]) => {
    const next = fits.get(at + 1);
    return { at, own, both: next ? joinedFit([own, next], HOW) : own };
  });
  const shown: number[] = [];
  let held: Fit = wanted.map(() => null);
  while (shown.length < SHOWN && held.includes(null)) {
    const missing = (fit: Fit): number => weightOf(fit.map((how, index) => (held[index] ? null : how)));
    let best: { pair: (typeof pairs)[number]; weight: number; own: number } | null = null;
    for (const pair of pairs) {
      const [weight, own] = [missing(pair.both), missing(pair.own)];
      const most: number = best?.weight ?? 0;
      if (weight > most || (best && weight === most && own > best.own)) best = { pair, weight, own };
    }
    if (!best) break;
    shown.push(best.pair.at);
    held = joinedFit([held, best.pair.both], HOW);
  }
  return (shown.length > 0 ? shown : [0]).map((at) => {
    const from = startOfLine(text, at);
    return text.slice(from, endOfLine(text, endOfLine(text, from) + 1)).replace('\n', ' ');
  });
}

/** Of what stands for a word, no more stretches are looked at that hold it. */
const LOOKED_AT = 60;

/** The stretches that hold any of what is looked for, by their numbers, in their order: most of a long text holds nothing of it. */
function stretchesWith(words: string, wanted: readonly WantedWord[]): Map<number, string> {
  const starts = new Set<number>();
  for (const reading of wanted.flatMap(({ readings }) => readings)) {
    if (isToken(reading)) continue;
    const needle = needleOf(reading);
    let place = words.indexOf(needle);
    for (let count = 0; place >= 0 && count < LOOKED_AT; count += 1) {
      starts.add(words.lastIndexOf('\n', place) + 1);
      place = words.indexOf(needle, endOfLine(words, place));
    }
  }
  const stretches = new Map<number, string>();
  let [at, from] = [0, 0];
  for (const start of [...starts].sort((one, other) => one - other)) {
    for (; from < start; from = endOfLine(words, from) + 1) at += 1;
    stretches.set(at, words.slice(start, endOfLine(words, start)));
  }
  return stretches;
}

/** Where the line ends that a place stands in. */
const endOfLine = (text: string, place: number): number => {
  const end = text.indexOf('\n', place);
  return end < 0 ? text.length : end;
};

/** Where a line begins, by its number from 0. */
function startOfLine(text: string, number: number): number {
  let from = 0;
  for (let at = 0; at < number; at += 1) from = endOfLine(text, from) + 1;
  return from;
}
