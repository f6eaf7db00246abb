import { OrderError, orderBetween, ordersAfter } from '../outline/order';
import type { PlannedAct } from './act';
import { entryOf } from './ask';
import type { Change } from './change';
import type { PinnedEntry } from './outline';
import { id, optional, orNull } from './shape';

/** Pins an entry, or moves its pin: after another, first (null) or last (not given). */
export interface PinAct {
  do: 'pin';
  id: string;
  afterId?: string | null;
}

/** The pin an entry's pin stands after; null for the first. */
export const pinBefore = (pins: readonly PinnedEntry[], entryId: string): string | null =>
  pins[pins.findIndex((each) => each.entryId === entryId) - 1]?.entryId ?? null;

export const pin: PlannedAct<PinAct> = {
  shape: { afterId: optional(orNull(id)) },
  touches: (act) => [act.id],
  changes: ['desk'],
  isPersonal: true,
  needs: () => [{ pins: true }],
  plan: ({ id: entryId, afterId }, outline) => {
    entryOf(outline, entryId);
    const pins = outline.pins();
    const isPinned = pins.some((each) => each.entryId === entryId);
    const others = pins.filter((each) => each.entryId !== entryId);
    const place = others.findIndex((each) => each.entryId === afterId);
    const index = afterId === null ? 0 : place < 0 ? others.length : place + 1;
    return {
      changes: pinsWith(others, index, entryId),
      undo: [isPinned ? { do: 'pin', id: entryId, afterId: pinBefore(pins, entryId) } : { do: 'unpin', id: entryId }],
    };
  },
};

function pinsWith(others: readonly PinnedEntry[], index: number, entryId: string): Change[] {
  try {
    const orderKey = orderBetween(others[index - 1]?.orderKey ?? null, others[index]?.orderKey ?? null);
    return [{ change: 'pin', id: entryId, orderKey }];
  } catch (error) {
    if (!(error instanceof OrderError)) throw error;
    // No key is left between the two: all pins get new ones.
    const ids = others.map((each) => each.entryId).toSpliced(index, 0, entryId);
    const keys = ordersAfter(null, ids.length);
    return ids.map((each, at) => ({ change: 'pin', id: each, orderKey: keys[at]! }));
  }
}
