import type { PlannedAct } from './act';
import { noDay } from './ask';
import { ANYTHING } from '../notices/changed';
import { id, orderKey, orNull } from './shape';
import { planMove } from './place';
import { spotAgain } from './spot';

/** The inverse of `place`: back to the very spot. */
export interface PutBack {
  do: 'putBack';
  id: string;
  parentId: string | null;
  orderKey: string;
}

export const putBack: PlannedAct<PutBack> = {
  shape: { parentId: orNull(id), orderKey },
  touches: (act) => [act.id],
  changes: ANYTHING,
  plan: (act, outline) => {
    const entry = noDay(outline, act.id);
    return planMove(entry, spotAgain(outline, entry, act));
  },
};
