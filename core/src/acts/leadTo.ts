import type { PlannedAct } from './act';
import { conflict } from './actError';
import { pageOf } from './ask';
import { ANYTHING } from '../notices/changed';
import { id, orNull } from './shape';

/** Lets links to a page lead to another one; null lets them lead to itself again. */
export interface LeadTo {
  do: 'leadTo';
  id: string;
  toId: string | null;
}

export const leadTo: PlannedAct<LeadTo> = {
  shape: { toId: orNull(id) },
  touches: (act) => [act.id],
  changes: ANYTHING,
  touchesMany: true,
  plan: (act, outline) => {
    const entry = pageOf(outline, act.id);
    if (act.toId !== null) pageOf(outline, act.toId);
    const walked = new Set<string>();
    for (let at = act.toId; at !== null && !walked.has(at); at = outline.entry(at)?.mergedInto ?? null) {
      if (at === act.id) {
        throw conflict(
          'The other page was merged into this one meanwhile, and can’t hold it as well. Nothing was changed.',
        );
      }
      walked.add(at);
    }
    return {
      changes: [{ change: 'set', id: act.id, values: { mergedInto: act.toId } }],
      undo: [{ do: 'leadTo', id: act.id, toId: entry.mergedInto }],
    };
  },
};
