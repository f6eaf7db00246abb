import type { EntryKind } from '../outline/entry';
import { isOrder, orderBetween, OrderError } from '../outline/order';
import { checkPlace, planPlace, type Place } from '../outline/place';
import { holderOf } from './ask';
import type { ActOutline } from './outline';

export interface Spot {
  parentId: string | null;
  orderKey: string;
}

interface Moved {
  id: string;
  kind: EntryKind;
}

/** The place and order key of an entry that comes to stand somewhere. */
export function spotFor(outline: ActOutline, entry: Moved, place: Place): Spot {
  if (place.parentId !== null && outline.entry(place.parentId)) holderOf(outline, place.parentId);
  return planPlace(outline, entry, place);
}

/** The very spot an entry stood at; beside it, when something else has its key by now, and last, when it is none. */
export function spotAgain(outline: ActOutline, entry: Moved, { parentId, orderKey }: Spot): Spot {
  checkPlace(outline, entry, parentId);
  if (!isOrder(orderKey)) return spotFor(outline, entry, { parentId });
  if (!outline.isKeyTaken(parentId, orderKey, entry.id)) return { parentId, orderKey };
  try {
    return { parentId, orderKey: orderBetween(orderKey, outline.keyAfter(parentId, orderKey)) };
  } catch (error) {
    if (!(error instanceof OrderError)) throw error;
    return spotFor(outline, entry, { parentId });
  }
}
