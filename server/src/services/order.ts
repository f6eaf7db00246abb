import { isOrder, OrderError, ordersAfter, planPlace, type Place, type PlacedEntry } from '@glossarion/core/outline';
import { orderBetween } from '@glossarion/core/outline';
import type { ActContext } from './acts';

type Placed = Pick<PlacedEntry, 'id' | 'kind'>;
interface Spot {
  parentId: string | null;
  orderKey: string;
}

/** The place and order key of an entry; where no key is left between two siblings, all of them get new ones first. */
export function placeFor(context: ActContext, entry: Placed, place: Place): Spot {
  try {
    return planPlace(context.outline, entry, place);
  } catch (error) {
    if (!(error instanceof OrderError)) throw error;
    renewOrder(context, place.parentId);
    return planPlace(context.outline, entry, place);
  }
}

/** The very spot an entry stood at; beside it, when something else has its key by now, and last, when it is none. */
export function spotAgain(context: ActContext, entry: Placed, { parentId, orderKey }: Spot): Spot {
  if (!isOrder(orderKey)) return placeFor(context, entry, { parentId });
  const taken = context.database.writer
    .prepare('SELECT 1 FROM entries WHERE ownerId = ? AND parentId IS ? AND day IS NULL AND orderKey = ? AND id != ?')
    .get(context.ownerId, parentId, orderKey, entry.id);
  if (!taken) return { parentId, orderKey };
  try {
    return { parentId, orderKey: orderBetween(orderKey, context.outline.keyAfter(parentId, orderKey)) };
  } catch (error) {
    if (!(error instanceof OrderError)) throw error;
    return placeFor(context, entry, { parentId });
  }
}

/** Gives all children of a parent new keys, in the order in which they are shown. */
function renewOrder({ database, ownerId }: ActContext, parentId: string | null): void {
  const { writer } = database;
  const children = writer
    .prepare('SELECT row FROM entries WHERE ownerId = ? AND parentId IS ? AND day IS NULL ORDER BY orderKey, row')
    .all(ownerId, parentId) as { row: number }[];
  const keys = ordersAfter(null, children.length);
  const give = writer.prepare('UPDATE entries SET orderKey = ? WHERE row = ?');
  children.forEach(({ row }, index) => give.run(keys[index], row));
}
