/** Where words begin and end in scripts that are written without spaces. */

const HAN = /^\p{Script=Han}$/u;
const KATAKANA = /[\p{Script=Katakana}ーｰﾞﾟ]/u;
/** How much of a text is cut into words around a place: as far as a run of one script goes, but no further than this. */
const AROUND = 40;
const RUN = /[\p{L}\p{N}\p{M}]/u;

let segmenter: Intl.Segmenter | undefined;

/**
 * Whether what stands from `start` to `end` is a word, or several, of its own: it begins and ends where words do by
 * the rules of Unicode Standard Annex 29, is no part of a run of katakana, which is one word however a dictionary
 * cuts it, and makes no longer word with a single ideograph beside it.
 */
export function standsAlone(text: string, start: number, end: number): boolean {
  const before = text.charAt(start - 1);
  const after = text.charAt(end);
  if (KATAKANA.test(before) && KATAKANA.test(text.charAt(start))) return false;
  if (KATAKANA.test(after) && KATAKANA.test(text.charAt(end - 1))) return false;
  if (!RUN.test(before) && !RUN.test(after)) return true;
  let from = start;
  while (from > 0 && start - from < AROUND && RUN.test(text.charAt(from - 1))) from -= 1;
  let to = end;
  while (to < text.length && to - end < AROUND && RUN.test(text.charAt(to))) to += 1;
  segmenter ??= new Intl.Segmenter(undefined, { granularity: 'word' });
  let hasStart = false;
  let hasEnd = false;
  for (const { segment, index } of segmenter.segment(text.slice(from, to))) {
    const segmentStart = from + index;
    const segmentEnd = segmentStart + segment.length;
    if (segmentStart === start) hasStart = true;
    if (segmentEnd === end) hasEnd = true;
    const isLone = HAN.test(segment);
    if (isLone && segmentEnd === start && HAN.test(text.charAt(start))) return false;
    if (isLone && segmentStart === end && HAN.test(text.charAt(end - 1))) return false;
  }
  return hasStart && hasEnd;
}
