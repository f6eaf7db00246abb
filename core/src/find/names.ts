import UFuzzy from '@leeoniya/ufuzzy';
import { foldWords } from './words';

/** How many candidates are ranked at the most; more than these the person narrows by typing on. */
const RANKED = 2_000;

const fuzzy = new UFuzzy({
  unicode: true,
  interSplit: "[^\\p{L}\\d']+",
  intraSplit: '\\p{Ll}\\p{Lu}',
  intraBound: '\\p{L}\\d|\\d\\p{L}|\\p{Ll}\\p{Lu}',
  intraChars: "[\\p{L}\\d']",
  intraContr: "'\\p{L}{1,2}\\b",
  intraMode: 1,
  intraIns: 1,
  intraSub: 1,
  intraTrn: 1,
  intraDel: 1,
});

/**
 * The names of an account's pages, for finding one by a few letters. Slips of the finger are forgiven: one wrong,
 * missing, doubled or swapped letter a word.
 */
export class NameIndex {
  private ids: string[] = [];
  private folded: string[] = [];
  private places = new Map<string, number>();

  get size(): number {
    return this.places.size;
  }

  set(id: string, name: string): void {
    const place = this.places.get(id) ?? this.ids.length;
    this.ids[place] = id;
    this.folded[place] = foldWords(name);
    this.places.set(id, place);
  }

  delete(id: string): void {
    const place = this.places.get(id);
    if (place === undefined) return;
    const last = this.ids.length - 1;
    this.ids[place] = this.ids[last]!;
    this.folded[place] = this.folded[last]!;
    this.places.set(this.ids[place], place);
    this.places.delete(id);
    this.ids.pop();
    this.folded.pop();
  }

  /** Ids of the names that fit, best first: the very name, then names that begin so, then the rest by likeness. */
  search(typed: string, limit = 12): string[] {
    const needle = foldWords(typed).trim();
    if (needle === '') return [];
    const indices = fuzzy.filter(this.folded, needle);
    if (!indices || indices.length === 0) return [];
    const taken = indices.length > RANKED ? this.nearest(indices, needle) : indices;
    const info = fuzzy.info(taken, this.folded, needle);
    const order = fuzzy.sort(info, this.folded, needle).map((place) => info.idx[place]!);
    const rank = (index: number) => {
      const name = this.folded[index]!;
      return name === needle ? 0 : name.startsWith(needle) ? 1 : 2;
    };
    return order
      .map((index, place) => ({ index, place, rank: rank(index) }))
      .sort((one, other) => one.rank - other.rank || one.place - other.place)
      .slice(0, limit)
      .map(({ index }) => this.ids[index]!);
  }

  /** Of too many candidates those that hold the typed letters as they are, short names first. */
  private nearest(indices: readonly number[], needle: string): number[] {
    const exact = indices.filter((index) => this.folded[index]!.includes(needle));
    return (exact.length > 0 ? exact : [...indices])
      .sort((one, other) => this.folded[one]!.length - this.folded[other]!.length)
      .slice(0, RANKED)
      .sort((one, other) => one - other);
  }
}
