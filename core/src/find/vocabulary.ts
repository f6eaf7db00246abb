/** A word of a vocabulary that is near another: how many slips of the finger lie between them. */
export interface NearWord {
  word: string;
  slips: number;
}

/** How many slips are forgiven in a folded word: one from four letters on, two from eight, none among figures. */
export function slipsForgiven(word: string): number {
  if (/\p{N}/u.test(word)) return 0;
  const letters = [...word].length;
  if (letters < 4) return 0;
  return letters < 8 ? 1 : 2;
}

/** The folded words of somebody's notes, each with how many lines hold it. */
export class Vocabulary {
  private counts = new Map<string, number>();
  /** All words in the order of their code units; made anew when it is asked for after many changes. */
  private sorted: string[] | null = null;

  /** @param words each once, with how many lines hold it */
  constructor(words: Iterable<readonly [word: string, lines: number]> = []) {
    for (const [word, lines] of words) this.counts.set(word, lines);
  }

  get size(): number {
    return this.counts.size;
  }

  /** How many lines hold a word; 0 when none does. */
  linesWith(word: string): number {
    return this.counts.get(word) ?? 0;
  }

  /** Says how many lines hold a word from now on; with none left it is forgotten. */
  set(word: string, lines: number): void {
    const isKnown = this.counts.has(word);
    if (lines > 0) this.counts.set(word, lines);
    else this.counts.delete(word);
    if (this.sorted === null || isKnown === lines > 0) return;
    const at = firstFrom(this.sorted, word);
    this.sorted.splice(at, isKnown ? 1 : 0, ...(isKnown ? [] : [word]));
  }

  /** Words that begin so, the ones in most lines first. */
  beginningWith(beginning: string, most: number): string[] {
    const words = this.inOrder();
    const found: string[] = [];
    for (let at = firstFrom(words, beginning); words[at]?.startsWith(beginning); at += 1) found.push(words[at]!);
    return found.sort((one, other) => this.linesWith(other) - this.linesWith(one)).slice(0, most);
  }

  /**
   * Words that lie at most so many slips from a folded word, itself not among them: the nearest first, then those in
   * most lines. A slip is a letter too many, too few, another or two that changed places (optimal string alignment,
   * Boytsov 2011). Where the word is still being typed, those that begin like something so near.
   */
  near(word: string, slips: number, isBeginning: boolean, most: number): NearWord[] {
    const words = this.inOrder();
    const found: NearWord[] = [];
    // The distances of each beginning of the present word from each beginning of the wanted one, a row for a letter.
    const rows: number[][] = [Array.from({ length: word.length + 1 }, (_each, index) => index)];
    /** The least distance of a beginning up to each row from the whole wanted word. */
    const least: number[] = [isBeginning ? word.length : Infinity];
    let [at, previous] = [0, ''];
    while (at < words.length) {
      const candidate = words[at]!;
      let depth = commonLength(previous, candidate);
      if (depth > rows.length - 1) depth = rows.length - 1;
      rows.length = depth + 1;
      least.length = depth + 1;
      previous = candidate;
      while (rows.length <= candidate.length) {
        const row = nextRow(rows, word, candidate);
        rows.push(row);
        least.push(Math.min(least.at(-1)!, isBeginning ? row[word.length]! : Infinity));
        if (Math.min(...row) > slips && least.at(-1)! > slips) break;
      }
      if (rows.length <= candidate.length) {
        // No word that goes on so is near.
        at = firstFrom(words, after(candidate.slice(0, rows.length - 1)), at + 1);
        continue;
      }
      const distance = Math.min(least.at(-1)!, rows.at(-1)![word.length]!);
      if (distance <= slips && candidate !== word) found.push({ word: candidate, slips: distance });
      at += 1;
    }
    const rank = (one: NearWord, other: NearWord) =>
      one.slips - other.slips || this.linesWith(other.word) - this.linesWith(one.word);
    return found.sort(rank).slice(0, most);
  }

  private inOrder(): readonly string[] {
    return (this.sorted ??= [...this.counts.keys()].sort());
  }
}

/** The row of distances for the next letter of a candidate. */
function nextRow(rows: readonly number[][], word: string, candidate: string): number[] {
  const depth = rows.length;
  const [above, twoAbove] = [rows[depth - 1]!, rows[depth - 2]];
  const letter = candidate[depth - 1]!;
  const row = [depth];
  for (let place = 1; place <= word.length; place += 1) {
    const isSame = word[place - 1] === letter;
    let least = Math.min(above[place - 1]! + (isSame ? 0 : 1), above[place]! + 1, row[place - 1]! + 1);
    const haveSwapped =
      twoAbove !== undefined && place > 1 && word[place - 2] === letter && word[place - 1] === candidate[depth - 2];
    if (haveSwapped) least = Math.min(least, twoAbove[place - 2]! + 1);
    row.push(least);
  }
  return row;
}

function commonLength(one: string, other: string): number {
  const most = Math.min(one.length, other.length);
  let length = 0;
  while (length < most && one[length] === other[length]) length += 1;
  return length;
}

/** What comes after all words that begin so. */
const after = (beginning: string): string =>
  beginning.slice(0, -1) + String.fromCharCode(beginning.charCodeAt(beginning.length - 1) + 1);

/** Where the first of these stands that is not before a word, looked for from a place on. */
function firstFrom(words: readonly string[], word: string, start = 0): number {
  let [from, to] = [start, words.length];
  while (from < to) {
    const middle = (from + to) >> 1;
    if (words[middle]! < word) from = middle + 1;
    else to = middle;
  }
  return from;
}
