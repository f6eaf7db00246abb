import type { PlannedAct } from './act';
import { entryOf } from './ask';
import { beforeAmong, keysWith, placeAmong } from './ordered';
import type { PinnedEntry } from './outline';
import { id, optional, orNull } from './shape';

/** Pins an entry, or moves its pin: after another, first (null) or last (not given). */
export interface PinAct {
  do: 'pin';
  id: string;
  afterId?: string | null;
}

const asOrdered = (pins: readonly PinnedEntry[]) => pins.map(({ entryId: id, orderKey }) => ({ id, orderKey }));

/** The pin an entry's pin stands after; null for the first. */
export const pinBefore = (pins: readonly PinnedEntry[], entryId: string): string | null =>
  beforeAmong(asOrdered(pins), entryId);

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
    const others = asOrdered(pins.filter((each) => each.entryId !== entryId));
    return {
      changes: keysWith(others, placeAmong(others, afterId), entryId).map((each) => ({ change: 'pin', ...each })),
      undo: [isPinned ? { do: 'pin', id: entryId, afterId: pinBefore(pins, entryId) } : { do: 'unpin', id: entryId }],
    };
  },
};
