import type { PlannedAct } from './act';
import { noDay } from './ask';
import { ANYTHING } from '../notices/changed';
import { id, optional, orNull } from './shape';
import { spotFor } from './spot';

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
    const { parentId, orderKey } = noDay(outline, act.id);
    const spot = spotFor(outline, noDay(outline, act.id), act);
    return {
      changes: [{ change: 'set', id: act.id, values: spot }],
      undo: [{ do: 'putBack', id: act.id, parentId, orderKey }],
    };
  },
};
