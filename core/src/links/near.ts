import { foldWords } from '../words/words';

/** A title as it is compared: folded, letters and figures only, with single spaces. */
const plain = (title: string): string =>
  foldWords(title)
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/** Slips that a title of this many letters may have and still be nearly the same. */
const slipsAllowed = (length: number): number => (length < 4 ? 0 : length < 10 ? 1 : 2);

/**
 * The least number of letters to add, leave out, change or swap with the next to turn one text into another: optimal
 * string alignment (Damerau 1964), cut off above `most`.
 */
export function slipsBetween(one: string, other: string, most: number): number {
  const [a, b] = [Array.from(one), Array.from(other)];
  if (Math.abs(a.length - b.length) > most) return most + 1;
  let beforeLast: number[] = [];
  let last = b.map((_letter, index) => index + 1);
  last.unshift(0);
  for (let row = 1; row <= a.length; row += 1) {
    const next = [row];
    for (let column = 1; column <= b.length; column += 1) {
      const isSame = a[row - 1] === b[column - 1];
      let slips = Math.min(last[column]! + 1, next[column - 1]! + 1, last[column - 1]! + (isSame ? 0 : 1));
      if (row > 1 && column > 1 && a[row - 1] === b[column - 2] && a[row - 2] === b[column - 1])
        slips = Math.min(slips, beforeLast[column - 2]! + 1);
      next.push(slips);
    }
    if (Math.min(...next) > most) return most + 1;
    [beforeLast, last] = [last, next];
  }
  return last[b.length]!;
}

/** The figures a title holds: “Draft 3” and “Draft 4” are two titles, and no slip of each other. */
const figures = (title: string): string => title.replace(/[^\p{N}]+/gu, ' ').trim();

/**
 * Whether two titles are so alike that one is probably a slip of the other: the same but for case, accents and marks,
 * for the order of their words, or for a slip or two of the finger.
 */
export function isNearlySame(one: string, other: string): boolean {
  const [a, b] = [plain(one), plain(other)];
  if (a === '' || b === '') return false;
  if (a === b || a.replaceAll(' ', '') === b.replaceAll(' ', '')) return true;
  if (figures(a) !== figures(b)) return false;
  if (a.split(' ').sort().join(' ') === b.split(' ').sort().join(' ')) return true;
  const most = slipsAllowed(Math.min(a.length, b.length));
  return slipsBetween(a, b, most) <= most;
}
