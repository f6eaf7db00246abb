import type { Rarity } from '../../find/rarity';
import { tellingWords } from '../../find/telling';
import { PART_NAMES, PARTS, type ReadGloss, type ReadLine, type Telling } from './parts';
import { WEIGHTS, type PartName, type Weights } from './weights';

/** A line of the page, as far as placing needs it. */
export interface MarginLine {
  id: string;
  words: string;
  /** The titles of what it links to. */
  names: string;
  /** Ids it links to. */
  links: readonly string[];
  tags: readonly string[];
  isHeading?: boolean;
}

/** A gloss, as far as placing needs it. */
export interface MarginReference extends MarginLine {
  targetBlockId: string | null;
  /** The page it stands on, and its title; nothing for a day’s. */
  pageId: string;
  title: string;
  /** The lines before and after it and the heading above; nothing on a day, whose lines are of many things. */
  around: string;
}

/** The page whose Margin it is. */
export interface MarginSubject {
  /** Every gloss links to it, which therefore tells nothing. */
  id: string;
  /** Nothing for a day’s. */
  title: string;
  lines: readonly MarginLine[];
}

export interface Placement {
  referenceId: string;
  /** The line it stands beside; null for the head of the page. */
  lineId: string | null;
  /** What ties it to the line that fits best, and what would have to. */
  score: number;
  needed: number;
}

/** So little more is no more. */
const NOTHING = 1e-9;
/** What names more other pages than these is as much a list as what names these. */
const LISTED = 3;

/**
 * Finds for each gloss the line of the page it speaks to: the block it points at, else the line that the parts
 * (parts.ts) tie it to most, else the head of the page. The earlier line wins a tie.
 */
export function placeGlosses(
  subject: MarginSubject,
  references: readonly MarginReference[],
  rarity: Rarity,
  weights: Weights = WEIGHTS,
): Placement[] {
  const page = new ReadPage(subject, rarity);
  return references.map((reference) => {
    const { id: referenceId, targetBlockId } = reference;
    if (targetBlockId !== null && subject.lines.some(({ id }) => id === targetBlockId))
      return { referenceId, lineId: targetBlockId, score: Infinity, needed: 0 };
    return { referenceId, ...page.place(readGloss(subject.id, reference), weights) };
  });
}

const stemsOf = (text: string): Set<string> => new Set(tellingWords(text));
const without = (some: ReadonlySet<string>, ...others: ReadonlySet<string>[]): Set<string> =>
  new Set([...some].filter((each) => !others.some((other) => other.has(each))));

/** A page whose lines were read, by what each of them holds. */
export class ReadPage {
  private lines: ReadLine[];
  private telling: Telling;
  /** The lines that hold something, by the field of a line that a part looks at. */
  private holding: Record<'words' | 'section' | 'links' | 'tags', Map<string, number[]>>;

  constructor(subject: MarginSubject, rarity: Rarity) {
    this.lines = readLines(subject.lines);
    const by = (field: 'words' | 'section' | 'links' | 'tags') => {
      const holding = new Map<string, number[]>();
      this.lines.forEach((line, place) => {
        for (const key of line[field]) {
          const places = holding.get(key);
          if (places) places.push(place);
          else holding.set(key, [place]);
        }
      });
      return holding;
    };
    this.holding = { words: by('words'), section: by('section'), links: by('links'), tags: by('tags') };
    this.telling = { rarity, title: stemsOf(subject.title) };
  }

  place(gloss: ReadGloss, weights: Weights): Omit<Placement, 'referenceId'> {
    let best = { place: -1, score: 0 };
    this.scores(gloss, weights).forEach((score, place) => {
      if (score > best.score + NOTHING) best = { place, score };
    });
    const needed = weights.least + weights.listing * Math.min(LISTED, gloss.links.size);
    const lineId = best.score >= needed ? (this.lines[best.place]?.id ?? null) : null;
    return { lineId, score: best.score, needed };
  }

  /** What each part gives to each line, or one of them alone. */
  scores(gloss: ReadGloss, weights: Weights, only?: PartName): Float64Array {
    const scores = new Float64Array(this.lines.length);
    for (const name of only ? [only] : PART_NAMES) {
      const part = PARTS[name];
      if (weights[name] === 0) continue;
      const forGloss = weights[name] * (part.forGloss?.(gloss, weights) ?? 1);
      for (const key of gloss[part.inGloss]) {
        const places = this.holding[part.onLine].get(key);
        if (!places) continue;
        const tells = forGloss * part.tells(key, this.telling, weights, gloss);
        for (const place of places) {
          const line = this.lines[place]!;
          scores[place]! += tells * (part.forLine?.(line, weights) ?? 1) * (line.isHeading ? weights.heading : 1);
        }
      }
    }
    return scores;
  }
}

function readLines(lines: readonly MarginLine[]): ReadLine[] {
  let section: ReadonlySet<string> = new Set();
  return lines.map(({ id, words, links, tags, isHeading = false }) => {
    const stems = stemsOf(words);
    const read = { id, words: stems, section, links: new Set(links), tags: new Set(tags), isHeading };
    if (!isHeading) return read;
    section = stems;
    return { ...read, section: new Set<string>() };
  });
}

export function readGloss(subjectId: string, reference: MarginReference): ReadGloss {
  const words = stemsOf(reference.words);
  const title = without(stemsOf(reference.title), words);
  return {
    words,
    names: stemsOf(reference.names),
    title,
    around: without(stemsOf(reference.around), words, title),
    wordsAndTitle: new Set([...words, ...title]),
    links: without(new Set(reference.links), new Set([subjectId])),
    page: new Set([reference.pageId]),
    tags: new Set(reference.tags),
  };
}
