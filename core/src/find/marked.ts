import { heldWords } from './fits';
import type { WantedWord } from './wanted';

/** A piece of shown text; `isMarked` where it is a word that was looked for, or stands for one. */
export interface MarkedPiece {
  text: string;
  isMarked: boolean;
}

/** Cuts a text into pieces with what is looked for marked, keeping about `length` characters around the first of it. */
export function markWords(text: string, wanted: readonly WantedWord[], length = 160): MarkedPiece[] {
  const hits = heldWords(text, wanted);
  const [from, to] = excerptAround(text, hits[0]?.start ?? 0, length);
  const pieces: MarkedPiece[] = [];
  const push = (piece: string, isMarked: boolean) => {
    if (piece) pieces.push({ text: piece, isMarked });
  };
  let place = from;
  if (from > 0) push('…', false);
  for (const hit of hits) {
    if (hit.start < place || hit.end > to) continue;
    push(text.slice(place, hit.start), false);
    push(text.slice(hit.start, hit.end), true);
    place = hit.end;
  }
  push(text.slice(place, to), false);
  if (to < text.length) push('…', false);
  return pieces;
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
