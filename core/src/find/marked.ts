import type { FoundWord } from '../words';
import { firstHeld, heldWords } from './fits';
import type { WantedWord } from './wanted';

/** A piece of shown text; `isMarked` where it is a word that was looked for, or stands for one. */
export interface MarkedPiece {
  text: string;
  isMarked: boolean;
}

/** A long text is shown in so many excerpts at most, none of fewer characters. */
const EXCERPTS = 3;
const SHORTEST = 60;

/**
 * Cuts a text into pieces with what is looked for marked, keeping about `length` characters: around the first of it, and
 * around the first of each word that is not there.
 */
export function markWords(text: string, wanted: readonly WantedWord[], length = 160): MarkedPiece[] {
  const hits = heldWords(text, wanted);
  const pieces: MarkedPiece[] = [];
  const push = (piece: string, isMarked: boolean) => {
    if (piece) pieces.push({ text: piece, isMarked });
  };
  let shown = 0;
  for (const [from, to] of excerptsOf(text, hits, wanted, length)) {
    if (from > shown) push(shown > 0 ? ' … ' : '…', false);
    let place = from;
    for (const hit of hits) {
      if (hit.start < place || hit.end > to) continue;
      push(text.slice(place, hit.start), false);
      push(text.slice(hit.start, hit.end), true);
      place = hit.end;
    }
    push(text.slice(place, to), false);
    shown = to;
  }
  if (shown < text.length) push('…', false);
  return pieces;
}

type Excerpt = readonly [from: number, to: number];

/** Where the excerpts of a text begin and end, in their order. */
function excerptsOf(
  text: string,
  hits: readonly FoundWord[],
  wanted: readonly WantedWord[],
  length: number,
): Excerpt[] {
  const whole = excerptAround(text, hits[0]?.start ?? 0, length);
  if (text.length <= length || wanted.length < 2) return [whole];
  const firsts = firstHeld(text, wanted);
  if (firsts.every(({ start, end }) => start >= whole[0] && end <= whole[1])) return [whole];
  const share = Math.max(SHORTEST, Math.floor(length / Math.min(EXCERPTS, firsts.length)));
  const excerpts: Excerpt[] = [];
  for (const { start, end } of firsts) {
    const last = excerpts.at(-1);
    if (last && end <= last[1]) continue;
    if (excerpts.length === EXCERPTS) break;
    const [from, to] = excerptAround(text, start, share);
    // What touches the one before goes on from it.
    if (last && from <= last[1]) excerpts[excerpts.length - 1] = [last[0], to];
    else excerpts.push([from, to]);
  }
  return excerpts;
}

/** A stretch of about `length` characters around a place, beginning and ending between words where it can. */
function excerptAround(text: string, place: number, length: number): [number, number] {
  if (text.length <= length) return [0, text.length];
  const isLow = (at: number) => /[\uDC00-\uDFFF]/u.test(text.charAt(at));
  let from = Math.max(0, Math.min(place - Math.floor(length / 3), text.length - length));
  if (from > 0) {
    const space = text.indexOf(' ', from);
    if (space >= 0 && space < place) from = space + 1;
    else if (isLow(from)) from += 1;
  }
  let to = Math.min(text.length, from + length);
  if (to < text.length) {
    const space = text.lastIndexOf(' ', to);
    if (space > from + length / 2) to = space;
    else if (isLow(to)) to -= 1;
  }
  return [from, to];
}
