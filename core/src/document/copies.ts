import * as Y from 'yjs';
import { readBody } from './read';
import { needless } from './repair';
import type { Rescue } from './rescue';

/** How many changes of each client a document holds. */
export const changesIn = (document: Y.Doc): Map<number, number> => Y.decodeStateVector(Y.encodeStateVector(document));

/**
 * Whoever writes in a line that is deleted elsewhere puts it into the page again and goes on in it; words of theirs
 * that were on their way to the deleted line are to be rescued too, or have been already (rescue.ts). The line that came
 * since `before` holds the writer's cursor: what stands in it needs no rescue, and an older copy goes when all of its
 * words stand in it. Returns what is still to be rescued, and whether a copy was taken out.
 */
export function dropOlderCopies(
  document: Y.Doc,
  before: ReadonlyMap<number, number>,
  rescues: readonly Rescue[],
): { rescues: readonly Rescue[]; isChanged: boolean } {
  const fragment = document.getXmlFragment('body');
  const elements = fragment.toArray() as Y.XmlElement[];
  const placeOf = new Map<string, number>();
  elements.forEach((element, place) => {
    const { client, clock } = element._item!.id;
    const id = element.getAttribute('id');
    if (clock >= (before.get(client) ?? 0) && typeof id === 'string') placeOf.set(id, place);
  });
  if (placeOf.size === 0) return { rescues, isChanged: false };
  const { content } = readBody(document);
  const older = elements.flatMap((element, place) => {
    const newer = placeOf.get(String(element.getAttribute('id')));
    if (newer === undefined || newer === place) return [];
    return needless(content[newer]!, content[place]!) === 'second' ? [place] : [];
  });
  document.transact(() => older.reverse().forEach((place) => fragment.delete(place, 1)));
  const left = rescues.filter(({ blockId, node }) => {
    const newer = blockId === null ? undefined : placeOf.get(blockId);
    return newer === undefined || needless(content[newer]!, node) !== 'second';
  });
  return { rescues: left, isChanged: older.length > 0 };
}
