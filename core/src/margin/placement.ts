import { wordsIn } from '../find/words';
import { cosine, wordVectors } from './vectors';

/** A line of the page, as far as placing needs it. */
export interface MarginLine {
  id: string;
  words: string;
  /** Ids of the pages it links to. */
  links: readonly string[];
  tags: readonly string[];
  isHeading: boolean;
}

/** A gloss, as far as placing needs it. */
export interface MarginReference extends Omit<MarginLine, 'isHeading'> {
  targetBlockId: string | null;
}

export interface Placement {
  referenceId: string;
  /** The line it stands beside; null for the head of the page. */
  lineId: string | null;
  score: number;
}

/** What a shared link, a shared tag and a full likeness of words each count for. */
export const WEIGHTS = { link: 3, tag: 2, words: 4 };
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
  const vectors = wordVectors([...lines, ...references].map((each) => tellingWords(each.words)));
  const known = new Set(lines.map((line) => line.id));
  return references.map((reference, index) => {
    if (reference.targetBlockId !== null && known.has(reference.targetBlockId)) {
      return { referenceId: reference.id, lineId: reference.targetBlockId, score: Infinity };
    }
    let best: Placement = { referenceId: reference.id, lineId: null, score: 0 };
    lines.forEach((line, place) => {
      const score =
        WEIGHTS.link * shared(line.links, reference.links, pageId) +
        WEIGHTS.tag * shared(line.tags, reference.tags) +
        WEIGHTS.words * cosine(vectors[place]!, vectors[lines.length + index]!);
      if (score > best.score) best = { referenceId: reference.id, lineId: line.id, score };
    });
    return best.score >= LEAST_SCORE ? best : { ...best, lineId: null };
  });
}

const tellingWords = (words: string): string[] => wordsIn(words).map((each) => each.word);

function shared(one: readonly string[], other: readonly string[], except?: string): number {
  const others = new Set(other);
  return [...new Set(one)].filter((each) => each !== except && others.has(each)).length;
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
