import { stemmer } from 'stemmer';
import type { Rarity } from '../find/rarity';
import { isTelling } from '../find/telling';
import { wordsIn } from '../words/words';
import type { Target } from '../links/target';

/** A page as far as likeness needs it. */
export interface KinPage {
  id: string;
  title: string;
  /** Its text as it reads, with the titles of what it links to. */
  words: string;
  /** What it links to and what links to it. */
  links: readonly string[];
  tags: readonly string[];
}

export interface Kin {
  id: string;
  /** From 0 to 1. */
  likeness: number;
  /** Words both hold that told most, as written on the page itself. */
  words: string[];
  /** What both are linked with, most telling first. */
  links: string[];
  tags: string[];
}

/** A page alike as it is shown, with what both are linked with by title. */
export interface KinShown extends Omit<Kin, 'id'> {
  target: Target;
}

export interface KinFound {
  kin: KinShown[];
  /** Whether it is being found anew. */
  isPending: boolean;
}

/** What each kind of sign counts for; tuned on the labelled pages of the demo notes (labelled.ts). */
export const KIN_WEIGHTS = { words: 0.8, links: 0.1, tags: 0.1, title: 4 };
/** Less than this is no likeness worth telling. */
export const LEAST_LIKENESS = 0.1;
const REASONS = 4;

interface Vector {
  weights: Map<string, number>;
  length: number;
}

/** The square root keeps one rare word that two short notes happen to share from outweighing all others. */
const idf = (pages: number, count: number): number => Math.sqrt(Math.log(1 + pages / Math.max(1, count)));

function vectorOf(counts: ReadonlyMap<string, number>, rarity: (key: string) => number): Vector {
  const weights = new Map<string, number>();
  let squares = 0;
  for (const [key, count] of counts) {
    const weight = (1 + Math.log(count)) * rarity(key);
    weights.set(key, weight);
    squares += weight * weight;
  }
  return { weights, length: Math.sqrt(squares) };
}

/** The shares of each common key in the cosine of two vectors. */
function shares(one: Vector, other: Vector): [key: string, share: number][] {
  if (one.length === 0 || other.length === 0) return [];
  const common: [string, number][] = [];
  for (const [key, weight] of one.weights) {
    const also = other.weights.get(key);
    if (also !== undefined) common.push([key, (weight * also) / (one.length * other.length)]);
  }
  return common.sort((a, b) => b[1] - a[1]);
}

/** The stems of a page that tell something, how often each stands there, and how it was first written. */
export function stemsOf(page: Pick<KinPage, 'title' | 'words'>): {
  counts: Map<string, number>;
  written: Map<string, string>;
} {
  const counts = new Map<string, number>();
  const written = new Map<string, string>();
  const take = (text: string, times: number) => {
    for (const { word, start, end } of wordsIn(text)) {
      if (!isTelling(word) || /^\d+$/u.test(word)) continue;
      const stem = stemmer(word);
      counts.set(stem, (counts.get(stem) ?? 0) + times);
      if (!written.has(stem)) written.set(stem, text.slice(start, end));
    }
  };
  take(page.title, KIN_WEIGHTS.title);
  take(page.words, 1);
  return { counts, written };
}

const once = (keys: readonly string[]): Map<string, number> => new Map(keys.map((key) => [key, 1]));

/**
 * The pages most like one, most alike first. Likeness is the cosine of the pages' word vectors, weighted by term
 * frequency and inverse document frequency (Salton and Buckley 1988), with a share for pages linked with the same
 * pages (bibliographic coupling, Kessler 1963, and co-citation, Small 1973, taken together as a cosine of links) and
 * one for common tags, both weighted by rarity alike.
 */
export function kinOf(page: KinPage, others: readonly KinPage[], rarity: Rarity, limit: number): Kin[] {
  const wordRarity = (stem: string) => idf(rarity.pages, rarity.ofWord(stem));
  const linkRarity = (id: string) => idf(rarity.pages, rarity.ofLink(id));
  const tagRarity = (tag: string) => idf(rarity.pages, rarity.ofTag(tag));
  const vectors = (each: KinPage, counts: ReadonlyMap<string, number>) => ({
    words: vectorOf(counts, wordRarity),
    links: vectorOf(once(each.links), linkRarity),
    tags: vectorOf(once(each.tags), tagRarity),
  });
  const { counts, written } = stemsOf(page);
  const own = vectors(page, counts);
  const sum = (parts: readonly [string, number][]) => parts.reduce((total, [, share]) => total + share, 0);
  return others
    .filter((other) => other.id !== page.id)
    .map((other) => {
      const its = vectors(other, stemsOf(other).counts);
      const [words, links, tags] = [
        shares(own.words, its.words),
        shares(own.links, its.links),
        shares(own.tags, its.tags),
      ];
      return {
        id: other.id,
        likeness: KIN_WEIGHTS.words * sum(words) + KIN_WEIGHTS.links * sum(links) + KIN_WEIGHTS.tags * sum(tags),
        words: words.slice(0, REASONS).map(([stem]) => written.get(stem) ?? stem),
        links: links.slice(0, REASONS).map(([id]) => id),
        tags: tags.slice(0, REASONS).map(([tag]) => tag),
      };
    })
    .filter(({ likeness }) => likeness >= LEAST_LIKENESS)
    .sort((one, other) => other.likeness - one.likeness || (one.id < other.id ? -1 : 1))
    .slice(0, limit);
}

/** The stems by which a page's kin are looked for: those that tell most. */
export function tellingStems(page: KinPage, rarity: Rarity, limit: number): string[] {
  const { counts } = stemsOf(page);
  const weight = (stem: string, count: number) => (1 + Math.log(count)) * idf(rarity.pages, rarity.ofWord(stem));
  return [...counts]
    .map(([stem, count]): [string, number] => [stem, weight(stem, count)])
    .sort((one, other) => other[1] - one[1])
    .slice(0, limit)
    .map(([stem]) => stem);
}
