import { newId } from '@glossarion/core/document';
import { mayHold, type Act } from '@glossarion/core/outline';
import { IsNull } from 'typeorm';
import { ownedBy, type EntryRow } from '../access';
import { EntryEntity, type Entry } from '../entities';
import { UP } from '../entities/entry.queries';
import type { ActContext } from './acts';
import { placeFor } from './order';

/** Where things go whose notebook is gone. */
const SHELTER = 'Brought back';

/**
 * The place something comes back to: its own, when all it stood in is still there; else the nearest holder above that
 * is not in the bin; else a notebook that is named for it, which is made when there is none.
 */
export async function nearestPlace(context: ActContext, entry: EntryRow): Promise<NearestPlace> {
  const { parentId, orderKey } = entry;
  const line = parentId === null ? [] : context.connection.all<Holder>(UP, { id: parentId });
  const lowest = line.findLastIndex((holder) => holder.deletedAt !== null);
  // What held it may be gone for good: then nothing above it is left.
  if (lowest < 0 && mayHold(line[0]?.kind ?? null, entry.kind)) return { place: { parentId, orderKey }, unmake: [] };
  const nearest = line.slice(lowest + 1).find((holder) => mayHold(holder.kind, entry.kind));
  const present = nearest?.id ?? (await shelter(context));
  const holder = present ?? (await makeShelter(context));
  return {
    place: await placeFor(context, entry, { parentId: holder }),
    unmake: present === undefined ? [{ do: 'unmake', id: holder }] : [],
  };
}

interface NearestPlace {
  place: { parentId: string | null; orderKey: string };
  /** What takes back the notebook that had to be made for it. */
  unmake: Act[];
}

/** What an entry stands in. */
type Holder = Pick<Entry, 'id' | 'kind' | 'parentId' | 'deletedAt'>;

/** The notebook for what has no other place, preferably one that is for now. */
async function shelter({ manager, viewer }: ActContext): Promise<string | undefined> {
  const shelters = await manager.find(EntryEntity, {
    where: { ...ownedBy(viewer), parentId: IsNull(), kind: 'notebook', deletedAt: IsNull(), name: SHELTER },
    order: { orderKey: 'ASC' },
  });
  return (shelters.find(({ season }) => season === null) ?? shelters[0])?.id;
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
