import type { Plan, PlannedAct } from './act';
import { noDay } from './ask';
import { ANYTHING } from '../notices/changed';
import { id, optional, orNull } from './shape';
import type { ActEntry } from './outline';
import { spotFor, type Spot } from './spot';

/** Moves an entry: into something, after a sibling there, first (null) or last (not given). */
export interface PlaceAct {
  do: 'place';
  id: string;
  parentId: string | null;
  afterId?: string | null;
}

export const place: PlannedAct<PlaceAct> = {
  shape: { parentId: orNull(id), afterId: optional(orNull(id)) },
  touches: (act) => [act.id],
  changes: ANYTHING,
  plan: (act, outline) => {
    const entry = noDay(outline, act.id);
    return planMove(entry, spotFor(outline, entry, act));
  },
};

/** Moves an entry to a spot; a jotting that comes to stand in something is one no more. */
export function planMove({ id, parentId, orderKey, jotting, comesBack }: ActEntry, spot: Spot): Plan {
  if (jotting === null) {
    return {
      changes: [{ change: 'set', id, values: spot }],
      undo: [{ do: 'putBack', id, parentId, orderKey }],
    };
  }
  return {
    changes: [{ change: 'set', id, values: { ...spot, jotting: null, comesBack: null } }],
    undo: [{ do: 'tray', id, jotting, comesBack }],
  };
}
