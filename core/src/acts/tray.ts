import type { DayDate } from '../calendar';
import { ANYTHING } from '../notices/changed';
import { JOTTING_STATES, type JottingState } from '../outline/entry';
import type { PlannedAct } from './act';
import { conflict, missing } from './actError';
import { noDay } from './ask';
import { IN_TRAY } from './jot';
import { day, oneOf, orNull } from './shape';

/**
 * Says how a jotting stands in the Tray: it waits, comes back on a day, or is kept for good. Of a page, which was made of
 * one, it makes a jotting again.
 */
export interface TrayAct {
  do: 'tray';
  id: string;
  jotting: JottingState;
  comesBack: DayDate | null;
}

export const tray: PlannedAct<TrayAct> = {
  shape: { jotting: oneOf(JOTTING_STATES), comesBack: orNull(day) },
  touches: (act) => [act.id],
  changes: ANYTHING,
  needs: (act) => [{ childrenOf: act.id }],
  plan: ({ id, jotting, comesBack }, outline) => {
    const entry = noDay(outline, id);
    if (entry.kind !== 'page') throw missing();
    if (entry.jotting !== null) {
      return {
        changes: [{ change: 'set', id, values: { jotting, comesBack } }],
        undo: [{ do: 'tray', id, jotting: entry.jotting, comesBack: entry.comesBack }],
      };
    }
    if (outline.children(id).some(({ deletedAt }) => deletedAt === null)) {
      throw conflict('Pages stand beneath it by now, so that it can’t go back to the Tray. Nothing was changed.');
    }
    const { parentId, orderKey } = entry;
    return {
      changes: [{ change: 'set', id, values: { parentId: null, orderKey: IN_TRAY, jotting, comesBack } }],
      undo: [{ do: 'putBack', id, parentId, orderKey }],
    };
  },
};
