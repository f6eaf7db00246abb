import {
  isOrder,
  orderBetween,
  OrderError,
  ordersAfter,
  planPlace,
  type Place,
  type PlacedEntry,
} from '@glossarion/core/outline';
import { IsNull, Not } from 'typeorm';
import { ownedBy } from '../access';
import { EntryEntity } from '../entities';
import type { ActContext } from './acts';

type Placed = Pick<PlacedEntry, 'id' | 'kind'>;
interface Spot {
  parentId: string | null;
  orderKey: string;
}

/** The place and order key of an entry; where no key is left between two siblings, all of them get new ones first. */
export async function placeFor(context: ActContext, entry: Placed, place: Place): Promise<Spot> {
  try {
    return planPlace(context.outline, entry, place);
  } catch (error) {
    if (!(error instanceof OrderError)) throw error;
    await renewOrder(context, place.parentId);
    return planPlace(context.outline, entry, place);
  }
}

/** The very spot an entry stood at; beside it, when something else has its key by now, and last, when it is none. */
export async function spotAgain(context: ActContext, entry: Placed, { parentId, orderKey }: Spot): Promise<Spot> {
  if (!isOrder(orderKey)) return placeFor(context, entry, { parentId });
  const taken = await context.manager.existsBy(EntryEntity, {
    ...siblings(context, parentId),
    orderKey,
    id: Not(entry.id),
  });
  if (!taken) return { parentId, orderKey };
  try {
    return { parentId, orderKey: orderBetween(orderKey, context.outline.keyAfter(parentId, orderKey)) };
  } catch (error) {
    if (!(error instanceof OrderError)) throw error;
    return placeFor(context, entry, { parentId });
  }
}

/** All that stands in something, in the bin or not; no days. */
const siblings = ({ viewer }: ActContext, parentId: string | null) => ({
  ...ownedBy(viewer),
  parentId: parentId ?? IsNull(),
  day: IsNull(),
});

/** Gives all children of a parent new keys, in the order in which they are shown. */
async function renewOrder(context: ActContext, parentId: string | null): Promise<void> {
  const { manager } = context;
  const children = await manager.find(EntryEntity, {
    select: { row: true },
    where: siblings(context, parentId),
    order: { orderKey: 'ASC', row: 'ASC' },
  });
  const keys = ordersAfter(null, children.length);
  for (const [index, { row }] of children.entries()) {
    await manager.update(EntryEntity, { row }, { orderKey: keys[index]! });
  }
}
