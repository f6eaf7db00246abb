import { tellingWords } from '../find/telling';

/** A line of the page, as far as placing needs it. */
export interface MarginLine {
  id: string;
  words: string;
  /** Ids it links to. */
  links: readonly string[];
  tags: readonly string[];
}

/** A gloss, as far as placing needs it. */
export interface MarginReference extends MarginLine {
  targetBlockId: string | null;
  /** The page it stands on; a line that links there speaks of it. */
  pageId: string;
}

export interface Placement {
  referenceId: string;
  /** The line it stands beside; null for the head of the page. */
  lineId: string | null;
  score: number;
}

/**
 * What counts for how much. Tuned on the judged glosses of the demo notes (judged.ts), where it is a flat optimum. A
 * tag is weak: a page's lines often share one. Shared words count by their rarity, for themselves and, since one word
 * in three tells more than one in thirty, once more by the shortness of the shorter line.
 */
export const WEIGHTS = {
  link: 3,
  tag: 0.5,
  word: 0.9,
  wordInShort: 2.5,
  least: 2,
  linkRare: 0,
  len: 1,
  digits: 1,
  pow: 0.5,
};
/** The least score that ties a gloss to a line. */
export const LEAST_SCORE = 2;

/**
 * Finds for each gloss the line of the page it speaks to: the block it points at, else the line that shares most with
 * it, else the head of the page. The earlier line wins a tie.
 *
 * @param pageId this page, which every gloss links to and which therefore tells nothing
 */
export function placeGlosses(
  pageId: string,
  lines: readonly MarginLine[],
  references: readonly MarginReference[],
): Placement[] {
  const lineWords = lines.map((line) => new Set(tellingWords(line.words)));
  const referenceWords = references.map((reference) => new Set(tellingWords(reference.words)));
  const rarityOf = rarities([...lineWords, ...referenceWords]);
  const known = new Set(lines.map((line) => line.id));
  const lc = new Map<string, number>();
  for (const l of [...lines, ...references]) for (const x of new Set(l.links)) lc.set(x, (lc.get(x) ?? 0) + 1);
  const N = lines.length + references.length;
  const linkSum = (a: readonly string[], b: ReadonlySet<string>) => {
    let t = 0;
    for (const x of new Set(a))
      if (b.has(x))
        t += WEIGHTS.linkRare
          ? Math.log(1 + N / (lc.get(x) ?? 1)) ** WEIGHTS.linkRare / Math.log(1 + N / 2) ** WEIGHTS.linkRare
          : 1;
    return t;
  };

  return references.map((reference, index) => {
    const { id: referenceId, targetBlockId } = reference;
    if (targetBlockId !== null && known.has(targetBlockId))
      return { referenceId, lineId: targetBlockId, score: Infinity };
    const named = new Set([...reference.links, reference.pageId].filter((id) => id !== pageId));
    const tags = new Set(reference.tags);
    const words = referenceWords[index]!;
    let best: Placement = { referenceId, lineId: null, score: 0 };
    lines.forEach((line, place) => {
      const own = lineWords[place]!;
      let rarity = 0;
      for (const word of own) if (words.has(word)) rarity += rarityOf(word) * (/^\d+$/.test(word) ? WEIGHTS.digits : 1);
      const shortness =
        1 / Math.max(1, WEIGHTS.len * Math.min(own.size, words.size) + (1 - WEIGHTS.len) * own.size) ** WEIGHTS.pow;
      const score =
        WEIGHTS.link * linkSum(line.links, named) +
        WEIGHTS.tag * countShared(line.tags, tags) +
        (WEIGHTS.word + WEIGHTS.wordInShort * shortness) * rarity;
      if (score > best.score) best = { referenceId, lineId: line.id, score };
    });
    return best.score >= WEIGHTS.least ? best : { ...best, lineId: null };
  });
}

const countShared = (one: readonly string[], other: ReadonlySet<string>): number =>
  new Set(one.filter((each) => other.has(each))).size;

/**
 * How much a word tells: the square root of its inverse document frequency (Spärck Jones 1972) among the page's lines
 * and its glosses, 1 for a word that only two of them hold.
 */
function rarities(texts: readonly ReadonlySet<string>[]): (word: string) => number {
  const counts = new Map<string, number>();
  for (const words of texts) for (const word of words) counts.set(word, (counts.get(word) ?? 0) + 1);
  const rarest = Math.log(1 + texts.length / 2);
  return (word) => Math.sqrt(Math.log(1 + texts.length / (counts.get(word) ?? 1)) / rarest);
}

/**
 * Tops for glosses that must not overlap: each as near to the top it wants as those before it let it be, in order.
 * All values in pixels.
 */
export function slideDown(wanted: readonly { top: number; height: number }[], gap: number): number[] {
  let free = -Infinity;
  return wanted.map(({ top, height }) => {
    const placed = Math.max(top, free);
    free = placed + height + gap;
    return placed;
  });
}
