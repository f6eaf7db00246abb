import UFuzzy from '@leeoniya/ufuzzy';
import { foldWords } from '../words/words';

/** How many candidates are ranked at the most; more than these the person narrows by typing on. */
const RANKED = 1_000;

/** How names are matched: one slip a word, in any script. */
export const nameFuzzy = new UFuzzy({
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

/** Of something long its beginning is looked for: forgiving slips takes time that doubles with each word. */
const LONGEST = 80;
const MOST_WORDS = 8;
const beginningOf = (needle: string): string => needle.slice(0, LONGEST).split(/\s+/u).slice(0, MOST_WORDS).join(' ');

/** Letters and figures parted by single spaces, with one before the first: the beginning of a word is easily found. */
const spaced = (folded: string): string => ` ${folded.replace(/[^\p{L}\p{N}]+/gu, ' ')}`;

/** Parts an id from the number of an other name. */
const OTHER = '~';
const otherKey = (id: string, number: number): string => `${id}${OTHER}${number}`;

/**
 * The names of an account's pages, for finding one by a few letters. Slips of the finger are forgiven: one wrong,
 * missing, doubled or swapped letter a word. Words of what a page stands in find it
 * too, and so do its other names.
 */
export class NameIndex {
  private ids: string[] = [];
  private folded: string[] = [];
  /** What each stands in, by id: a move or a rename above changes no entry here but its own. */
  private parents: (string | null)[] = [];
  private places = new Map<string, number>();
  private spaced: string[] = [];
  /** How many other names each has, by id; they stand in rows of their own. */
  private others = new Map<string, number>();
  /** What each is, in words, by the place of these among all such: pages of one kind are many. */
  private kinds: number[] = [];
  private kindWords: string[] = [''];
  /** The place of each one's parent, -1 for none, and the places of all parents; made anew after a change. */
  private structure: { parents: Int32Array; holders: number[] } | null = null;

  get size(): number {
    return this.places.size;
  }

  /** @param kinds what it is called beside its name, by what it is: `person` */
  set(
    id: string,
    name: string,
    parentId: string | null,
    otherNames: readonly string[] = [],
    kinds: readonly string[] = [],
  ): void {
    this.setRow(id, name, parentId, this.placeOfKinds(kinds));
    const before = this.others.get(id) ?? 0;
    otherNames.forEach((other, number) => this.setRow(otherKey(id, number), other, parentId, 0));
    for (let number = otherNames.length; number < before; number += 1) this.deleteRow(otherKey(id, number));
    if (otherNames.length > 0) this.others.set(id, otherNames.length);
    else this.others.delete(id);
  }

  delete(id: string): void {
    const others = this.others.get(id) ?? 0;
    for (let number = 0; number < others; number += 1) this.deleteRow(otherKey(id, number));
    this.others.delete(id);
    this.deleteRow(id);
  }

  private placeOfKinds(kinds: readonly string[]): number {
    if (kinds.length === 0) return 0;
    const words = spaced(foldWords(kinds.join(' ')));
    const known = this.kindWords.indexOf(words);
    return known >= 0 ? known : this.kindWords.push(words) - 1;
  }

  private setRow(id: string, name: string, parentId: string | null, kinds: number): void {
    const place = this.places.get(id) ?? this.ids.length;
    const isMoved = place === this.ids.length || this.parents[place] !== parentId;
    this.ids[place] = id;
    this.folded[place] = foldWords(name);
    this.spaced[place] = spaced(this.folded[place]);
    this.parents[place] = parentId;
    this.kinds[place] = kinds;
    this.places.set(id, place);
    if (isMoved) this.structure = null;
  }

  private deleteRow(id: string): void {
    const place = this.places.get(id);
    if (place === undefined) return;
    const last = this.ids.length - 1;
    this.ids[place] = this.ids[last]!;
    this.folded[place] = this.folded[last]!;
    this.spaced[place] = this.spaced[last]!;
    this.parents[place] = this.parents[last]!;
    this.kinds[place] = this.kinds[last]!;
    this.places.set(this.ids[place], place);
    this.places.delete(id);
    for (const column of [this.ids, this.folded, this.spaced, this.parents, this.kinds]) column.pop();
    this.structure = null;
  }

  /**
   * Ids of the names that fit, best first: the very name, then names that begin so, then the rest by likeness; after
   * them what fits only with words of its trail.
   */
  search(typed: string, limit = 12): string[] {
    const needle = beginningOf(foldWords(typed).trim());
    if (needle === '') return [];
    const named = this.byName(needle, limit);
    const found = named.length < limit ? [...named, ...this.byTrail(needle)] : named;
    const ids = found.map((index) => this.ids[index]!.split(OTHER)[0]!);
    return [...new Set(ids)].slice(0, limit);
  }

  private byName(needle: string, limit: number): number[] {
    const indices = nameFuzzy.filter(this.folded, needle);
    if (!indices || indices.length === 0) return [];
    const taken = indices.length > RANKED ? this.nearest(indices, needle) : indices;
    const info = nameFuzzy.info(taken, this.folded, needle);
    const order = nameFuzzy.sort(info, this.folded, needle).map((place) => info.idx[place]!);
    const rank = (index: number) => {
      const name = this.folded[index]!;
      return name === needle ? 0 : name.startsWith(needle) ? 1 : 2;
    };
    return order
      .map((index, place) => ({ index, place, rank: rank(index) }))
      .sort((one, other) => one.rank - other.rank || one.place - other.place)
      .slice(0, limit)
      .map(({ index }) => index);
  }

  /**
   * Those of which every word typed begins a word of the name, of what it is or of what it stands in; most in the name
   * itself first.
   */
  private byTrail(needle: string): number[] {
    const words = spaced(needle).trim().split(' ').slice(0, 30);
    if (words[0] === '') return [];
    const { parents, holders } = this.structureByPlace();
    const own = new Int32Array(this.ids.length);
    const fitting = (text: string): number => {
      let fits = 0;
      for (let bit = 0; bit < words.length; bit += 1) if (text.includes(` ${words[bit]}`)) fits |= 1 << bit;
      return fits;
    };
    const note = (place: number) => {
      own[place] = fitting(this.spaced[place]!);
    };
    const ofKinds = this.kindWords.map(fitting);
    // Where nothing that holds something has a word of these, a trail has none either.
    holders.forEach(note);
    if (holders.every((place) => own[place] === 0) && ofKinds.every((fits) => fits === 0)) return [];
    for (let place = 0; place < own.length; place += 1) note(place);
    const whole = (1 << words.length) - 1;
    const whollyFits = (place: number): boolean => {
      let fits = own[place]! | ofKinds[this.kinds[place]!]!;
      for (let above = parents[place]!; above >= 0 && fits !== whole; above = parents[above]!) fits |= own[above]!;
      return fits === whole;
    };
    const ownCount = (place: number) => own[place]!.toString(2).replaceAll('0', '').length;
    const found: number[] = [];
    for (let place = 0; place < own.length && found.length < RANKED; place += 1) {
      if (whollyFits(place)) found.push(place);
    }
    return found.sort(
      (one, other) => ownCount(other) - ownCount(one) || this.folded[one]!.length - this.folded[other]!.length,
    );
  }

  private structureByPlace(): { parents: Int32Array; holders: number[] } {
    if (!this.structure) {
      const parents = Int32Array.from(this.parents, (id) => (id === null ? -1 : (this.places.get(id) ?? -1)));
      this.structure = { parents, holders: [...new Set(parents)].filter((place) => place >= 0) };
    }
    return this.structure;
  }

  /** Of too many candidates those that hold the typed letters as they are, short names first. */
  private nearest(indices: readonly number[], needle: string): number[] {
    const exact = indices.filter((index) => this.folded[index]!.includes(needle));
    const candidates = exact.length > 0 ? exact : indices;
    if (candidates.length <= RANKED) return [...candidates];
    // The length up to which names are taken is found by counting, which costs less than sorting them all.
    const counts: number[] = [];
    for (const index of candidates) {
      const { length } = this.folded[index]!;
      counts[length] = (counts[length] ?? 0) + 1;
    }
    let longest = 0;
    for (let taken = 0; taken < RANKED; longest += 1) taken += counts[longest] ?? 0;
    return candidates.filter((index) => this.folded[index]!.length < longest).slice(0, RANKED);
  }
}
