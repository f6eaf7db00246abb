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

  /** Whether more lines than so many hold words that begin so; one that holds several of them counts for each. */
  isBegunBy(beginning: string, lines: number): boolean {
    const words = this.inOrder();
    let sum = 0;
    for (let at = firstFrom(words, beginning); sum <= lines && words[at]?.startsWith(beginning); at += 1) {
      sum += this.linesWith(words[at]!);
    }
    return sum > lines;
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
    const distances = new Distances(word, isBeginning);
    for (let at = 0; at < words.length;) {
      const candidate = words[at]!;
      const farFrom = distances.of(candidate, slips);
      if (farFrom === null) {
        if (distances.last <= slips && candidate !== word) found.push({ word: candidate, slips: distances.last });
        at += 1;
      } else {
        // No word that goes on so is near.
        at = firstFrom(words, after(candidate.slice(0, farFrom)), at + 1);
      }
    }
    const rank = (one: NearWord, other: NearWord) =>
      one.slips - other.slips || this.linesWith(other.word) - this.linesWith(one.word);
    return found.sort(rank).slice(0, most);
  }

  private inOrder(): readonly string[] {
    return (this.sorted ??= [...this.counts.keys()].sort());
  }
}

/** A word longer than this is compared by its beginning. */
const LONGEST = 60;

/**
 * The distances of words from a wanted one, which are looked at in their order: what one shares with the word before it
 * is not computed again. Row r holds how far the first r letters of the present word are from each beginning of the
 * wanted word.
 */
class Distances {
  /** How far the present word is; of a wanted beginning, the nearest beginning of the present word. */
  last = 0;
  private readonly wanted: string;
  private readonly width: number;
  private readonly rows: Uint8Array;
  /** Of the rows up to each: how near a beginning has come. */
  private readonly nearest = new Uint8Array(LONGEST + 1);
  private present = '';
  private computed = 0;

  constructor(
    word: string,
    private readonly isBeginning: boolean,
  ) {
    this.wanted = word.slice(0, LONGEST);
    this.width = this.wanted.length + 1;
    this.rows = new Uint8Array((LONGEST + 1) * this.width);
    for (let place = 0; place < this.width; place += 1) this.rows[place] = place;
    this.nearest[0] = isBeginning ? this.wanted.length : 255;
  }

  /**
   * Measures how far a word is. Gives after how many letters it is farther than that, as everything that begins so is;
   * null when it was measured to its end.
   */
  of(word: string, most: number): number | null {
    const { present, rows, width, nearest } = this;
    const length = Math.min(word.length, LONGEST);
    let row = 0;
    while (row < this.computed && row < length && present.charCodeAt(row) === word.charCodeAt(row)) row += 1;
    this.present = word;
    while (row < length) {
      row += 1;
      const least = this.compute(row, word);
      const reached = rows[row * width + width - 1]!;
      nearest[row] = this.isBeginning ? Math.min(nearest[row - 1]!, reached) : 255;
      if (least > most && nearest[row]! > most) {
        this.computed = row;
        return row;
      }
    }
    this.computed = row;
    this.last = Math.min(nearest[row]!, rows[row * width + width - 1]!);
    return null;
  }

  /** One row from those above it; gives the least of it. */
  private compute(row: number, word: string): number {
    const { rows, width, wanted } = this;
    const here = row * width;
    const above = here - width;
    const letter = word.charCodeAt(row - 1);
    const before = row > 1 ? word.charCodeAt(row - 2) : -1;
    let least = row;
    rows[here] = row;
    for (let place = 1; place < width; place += 1) {
      const own = wanted.charCodeAt(place - 1);
      let distance = rows[above + place - 1]! + (own === letter ? 0 : 1);
      distance = Math.min(distance, rows[above + place]! + 1, rows[here + place - 1]! + 1);
      const isSwapped = place > 1 && own === before && wanted.charCodeAt(place - 2) === letter;
      if (isSwapped) distance = Math.min(distance, rows[above - width + place - 2]! + 1);
      rows[here + place] = distance;
      if (distance < least) least = distance;
    }
    return least;
  }
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
