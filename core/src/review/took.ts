import type { DayDate } from '../calendar';
import type { Target } from '../links/target';
import type { Review } from './review';

/** What can take the time: pages of these kinds. */
export const TAKING = ['project', 'person', 'reading'] as const;
export type Taking = (typeof TAKING)[number];

/** How much of the journal a page took: lines of days that name it, and the words of these and of what stands beneath. */
export interface Took {
  pageId: string;
  kind: Taking;
  lines: number;
  words: number;
  /** How many lines named it in the days that the review is held against. */
  linesBefore: number;
  /** The days whose lines name it. */
  days: DayDate[];
}

/** A look back with what took the time, most first. */
export interface WholeReview {
  review: Review;
  took: Took[];
  targets: Target[];
}

/** A line of a day that names a page. */
export interface NamingLine {
  day: DayDate;
  documentId: string;
  blockId: string;
  pageId: string;
  kind: Taking;
}

/** A line of a day with its words, and the line that it stands beneath. */
export interface DayLine {
  documentId: string;
  id: string;
  parentId: string | null;
  wordCount: number;
}

/** The words of each line with all that stands beneath it, by the line. */
function wordsBeneath(lines: readonly DayLine[]): (documentId: string, id: string) => number {
  const lineKey = (documentId: string, id: string) => `${documentId}/${id}`;
  const byId = new Map(lines.map((line) => [lineKey(line.documentId, line.id), line]));
  const sums = new Map<string, number>();
  for (const line of lines) {
    const walked = new Set<DayLine>();
    for (let at: DayLine | undefined = line; at && !walked.has(at);) {
      walked.add(at);
      const key = lineKey(at.documentId, at.id);
      sums.set(key, (sums.get(key) ?? 0) + line.wordCount);
      at = at.parentId === null ? undefined : byId.get(lineKey(at.documentId, at.parentId));
    }
  }
  return (documentId, id) => sums.get(lineKey(documentId, id)) ?? 0;
}

const keyOf = ({ documentId, blockId }: NamingLine): string => `${documentId}/${blockId}`;

/**
 * What took the time of some days, the most lines first. A line that names a page twice counts once; the words of one
 * that stands beneath another that names the page too are counted with that.
 *
 * @param naming lines of the days that are looked back on and of those that these are held against
 * @param isOwn whether a day is one that is looked back on
 */
export function tookOf(
  naming: readonly NamingLine[],
  lines: readonly DayLine[],
  isOwn: (day: DayDate) => boolean,
): Took[] {
  const words = wordsBeneath(lines);
  const parentOf = new Map(lines.map(({ documentId, id, parentId }) => [`${documentId}/${id}`, parentId]));
  const byPage = new Map<string, Map<string, NamingLine>>();
  for (const each of naming) {
    const known = byPage.get(each.pageId) ?? new Map<string, NamingLine>();
    byPage.set(each.pageId, known.set(keyOf(each), each));
  }
  const took = [...byPage].map(([pageId, named]): Took => {
    const all = [...named.values()];
    const own = all.filter(({ day }) => isOwn(day));
    const outermost = own.filter((each) => !standsBeneath(each, named, parentOf));
    return {
      pageId,
      kind: all[0]!.kind,
      lines: own.length,
      words: outermost.reduce((sum, { documentId, blockId }) => sum + words(documentId, blockId), 0),
      linesBefore: all.length - own.length,
      days: [...new Set(own.map(({ day }) => day))].sort(),
    };
  });
  return took
    .filter((each) => each.lines > 0)
    .sort((one, other) => other.lines - one.lines || other.words - one.words || (one.pageId < other.pageId ? -1 : 1));
}

/** Whether a line stands beneath one of others. */
function standsBeneath(
  { documentId, blockId }: NamingLine,
  others: ReadonlyMap<string, NamingLine>,
  parentOf: ReadonlyMap<string, string | null>,
): boolean {
  const walked = new Set<string>();
  for (let at = parentOf.get(`${documentId}/${blockId}`) ?? null; at !== null && !walked.has(at);) {
    walked.add(at);
    if (others.has(`${documentId}/${at}`)) return true;
    at = parentOf.get(`${documentId}/${at}`) ?? null;
  }
  return false;
}
