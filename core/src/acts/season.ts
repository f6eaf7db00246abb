import { SEASONS, type Season } from '../outline/season';
import type { PlannedAct } from './act';
import { refused } from './actError';
import { noDay } from './ask';
import { ANYTHING } from '../notices/changed';
import { oneOf } from './shape';

/** Sets an entry for now, for later, or lays it aside. */
export interface SeasonAct {
  do: 'season';
  id: string;
  season: Season;
}

export const season: PlannedAct<SeasonAct> = {
  shape: { season: oneOf(SEASONS) },
  touches: (act) => [act.id],
  changes: ANYTHING,
  plan: (act, outline) => {
    const entry = noDay(outline, act.id);
    if (entry.jotting !== null && act.season !== 'now') {
      throw refused('A jotting is for no season. It can be kept in the Tray, or come back on a day.');
    }
    return {
      changes: [{ change: 'set', id: act.id, values: { season: act.season === 'now' ? null : act.season } }],
      undo: [{ do: 'season', id: act.id, season: entry.season ?? 'now' }],
    };
  },
};
