import { mayHold } from '../outline/entry';
import { NOTHING, type PlannedAct } from './act';
import { entryOf, noDay } from './ask';
import { ANYTHING } from '../notices/changed';
import { planRestore } from './restore';

/** The inverse of `bin`: out of it again where it stood, whatever else is in the bin. */
export interface Unbin {
  do: 'unbin';
  id: string;
}

export const unbin: PlannedAct<Unbin> = {
  shape: {},
  touches: (act) => [act.id],
  changes: ANYTHING,
  needs: () => [{ childrenOf: null }],
  plan: ({ id }, outline) => {
    const entry = noDay(outline, id);
    if (entry.deletedAt === null) return NOTHING;
    // What held it may be gone for good by now.
    const holder = entry.parentId === null ? null : entryOf(outline, entry.parentId).kind;
    if (entry.jotting === null && !mayHold(holder, entry.kind)) return planRestore(entry, outline);
    return { changes: [{ change: 'set', id, values: { deletedAt: null } }], undo: [{ do: 'bin', id }] };
  },
};
