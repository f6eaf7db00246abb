import { NOTHING, type PlannedAct } from './act';
import { noDay } from './ask';
import { ANYTHING } from '../notices/changed';

/** Puts an entry into the bin, with everything beneath it. */
export interface Bin {
  do: 'bin';
  id: string;
}

export const bin: PlannedAct<Bin> = {
  shape: {},
  touches: (act) => [act.id],
  changes: ANYTHING,
  plan: ({ id }, outline) => {
    if (noDay(outline, id).deletedAt !== null) return NOTHING;
    return {
      changes: [{ change: 'set', id, values: { deletedAt: outline.now } }],
      undo: [{ do: 'unbin', id }],
    };
  },
};
