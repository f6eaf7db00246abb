import { newId } from '@glossarion/core/document';
import { mayHold, type Act } from '@glossarion/core/outline';
import type { Entry } from '../entities';
import type { ActContext } from './acts';
import { placeFor } from './order';

/** Where things go whose notebook is gone. */
const SHELTER = 'Brought back';

/**
 * The place something comes back to: its own, when all it stood in is still there; else the nearest holder above that
 * is not in the bin; else a notebook that is named for it, which is made when there is none.
 */
export async function nearestPlace(context: ActContext, entry: Entry): Promise<NearestPlace> {
  const { parentId, orderKey } = entry;
  const line = holders(context, parentId);
  const lowest = line.findLastIndex((holder) => holder.deletedAt !== null);
  // What held it may be gone for good: then nothing above it is left.
  if (lowest < 0 && mayHold(line[0]?.kind ?? null, entry.kind)) return { place: { parentId, orderKey }, unmake: [] };
  const nearest = line.slice(lowest + 1).find((holder) => mayHold(holder.kind, entry.kind));
  const present = nearest?.id ?? shelter(context);
  const holder = present ?? (await makeShelter(context));
  return {
    place: placeFor(context, entry, { parentId: holder }),
    unmake: present === undefined ? [{ do: 'unmake', id: holder }] : [],
  };
}

interface NearestPlace {
  place: { parentId: string | null; orderKey: string };
  /** What takes back the notebook that had to be made for it. */
  unmake: Act[];
}

type Holder = Pick<Entry, 'id' | 'kind' | 'parentId' | 'deletedAt'>;

/** What an entry stands in, the nearest first. */
function holders({ database }: ActContext, parentId: string | null): Holder[] {
  const read = database.writer.prepare('SELECT id, kind, parentId, deletedAt FROM entries WHERE id = ?');
  const line: Holder[] = [];
  const met = new Set<string>();
  for (let id = parentId; id !== null && !met.has(id); id = line[line.length - 1]!.parentId) {
    met.add(id);
    line.push(read.get(id) as Holder);
  }
  return line;
}

function shelter({ database, ownerId }: ActContext): string | undefined {
  const row = database.writer
    .prepare(
      `SELECT id FROM entries WHERE ownerId = ? AND parentId IS NULL AND kind = 'notebook' AND deletedAt IS NULL
       AND name = ? ORDER BY season IS NOT NULL, orderKey LIMIT 1`,
    )
    .get(ownerId, SHELTER) as { id: string } | undefined;
  return row?.id;
}

async function makeShelter(context: ActContext): Promise<string> {
  const id = newId();
  const description = 'Holds what came back from the bin when its own notebook was not there any more.';
  await context.perform({
    do: 'make',
    id,
    kind: 'notebook',
    parentId: null,
    name: SHELTER,
    pigment: 'slate',
    description,
  });
  return id;
}
