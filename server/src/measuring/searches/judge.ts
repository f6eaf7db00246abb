import { shownWords, type NodeJson } from '@glossarion/core/document';
import type { Finding } from '@glossarion/core/find';
import type { Viewer } from '../../access';
import { BlockEntity } from '../../entities';
import type { Services } from '../../services';
import { sum } from '../measure';
import type { LabelledSearch } from './labelled';

/** How the searches of one group came out. */
export interface Judged {
  group: string;
  searches: number;
  right: number;
  /** The mean of one over the place of what was looked for, 0 where it was not found (Voorhees 1999). */
  meanReciprocalRank: number;
  missed: string[];
}

/** Tries all searches, and gives by group how many found what they must where they must. */
export async function judge(
  services: Services,
  viewer: Viewer,
  groups: Readonly<Record<string, readonly LabelledSearch[]>>,
): Promise<Judged[]> {
  const judged: Judged[] = [];
  for (const [group, searches] of Object.entries(groups)) {
    const places: (number | null)[] = [];
    for (const search of searches) places.push(await placeOf(services, viewer, search));
    const isRight = (_search: unknown, index: number) => (places[index] ?? Infinity) <= searches[index]!.among;
    judged.push({
      group,
      searches: searches.length,
      right: searches.filter(isRight).length,
      meanReciprocalRank: sum(places.map((place) => (place === null ? 0 : 1 / place))) / searches.length,
      missed: searches.flatMap((search, index) => (isRight(search, index) ? [] : `${search.typed} (${places[index]})`)),
    });
  }
  return judged;
}

/** Where what is looked for stands among what was found, the first at 1; null when it was not found. */
async function placeOf(services: Services, viewer: Viewer, { typed, find }: LabelledSearch): Promise<number | null> {
  const { findings: found } = await services.find.find(viewer, typed);
  for (const [index, finding] of found.entries()) {
    const isFound = 'page' in find ? finding.title === find.page : await holds(services, viewer, finding, find.line);
    if (isFound) return index + 1;
  }
  return null;
}

async function holds(services: Services, viewer: Viewer, { id, blockId }: Finding, words: string): Promise<boolean> {
  if (blockId === null) return false;
  const block = await services.database.manager.findOneBy(BlockEntity, { documentId: id, id: blockId });
  return block !== null && lineAsRead(services, viewer, block.node).includes(words);
}

/** The words of a stored line with the present titles of what it links to. */
export function lineAsRead(services: Services, viewer: Viewer, node: string): string {
  const reader = services.entries.reader(viewer);
  return shownWords(JSON.parse(node) as NodeJson, (linked) => reader.target(linked).title);
}
