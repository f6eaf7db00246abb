import { tellingWords } from '../find/telling';

/** A line of the page, as far as placing needs it. */
export interface MarginLine {
  id: string;
  words: string;
  /** Ids it links to. */
  links: readonly string[];
  tags: readonly string[];
  /** A heading says what others are about and little itself. */
  isHeading?: boolean;
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
 * tag is weak: a page's lines often share one. Shared words count by their rarity and, since one word in three tells
 * more than one in thirty, by the shortness of the shorter line.
 */
export const WEIGHTS = { link: 1.5, tag: 0.3, word: 3.5, heading: 0.4 };
/** How fast a shared word counts for less as the shorter of two lines grows. */
const SHORTNESS = 0.7;
/** The least score that ties a gloss to a line. */
export const LEAST_SCORE = 0.9;

/**
 * Finds for each gloss the line of the page it speaks to: the block it points at, else the line that shares most with
 * it, else the head of the page. The earlier line wins a tie. How much two lines share is the sum of the pages both
 * name, of their common tags, and of their common stems by rarity: the vector space model (Salton, Wong and Yang 1975)
 * with another normalization, since lines are short.
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
      for (const word of own) if (words.has(word)) rarity += rarityOf(word);
      const length = Math.max(1, Math.min(own.size, words.size));
      const score =
        WEIGHTS.link * countShared(line.links, named) +
        WEIGHTS.tag * countShared(line.tags, tags) +
        (WEIGHTS.word * rarity) / length ** SHORTNESS;
      const counted = line.isHeading ? WEIGHTS.heading * score : score;
      if (counted > best.score) best = { referenceId, lineId: line.id, score: counted };
    });
    return best.score >= LEAST_SCORE ? best : { ...best, lineId: null };
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
