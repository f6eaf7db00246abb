import { emptyBody } from '../document/build';
import { isPeriod, periodTitle, type Period } from '../journal/period';
import { NAMING } from '../notices/changed';
import { NOTHING, type PlannedAct } from './act';
import { refused } from './actError';
import { IN_TRAY } from './jot';
import { firstLineId } from './parts/lift';
import { line } from './shape';

/** Makes the page of a week or a month, in the journal; made already, it changes nothing. */
export interface BeginPeriod {
  do: 'beginPeriod';
  id: string;
  period: Period;
}

export const beginPeriod: PlannedAct<BeginPeriod> = {
  shape: { period: line(8) },
  touches: (act) => [act.id],
  changes: NAMING,
  plan: ({ id, period }, outline) => {
    if (!isPeriod(period) || outline.periodId(period) !== id) throw refused('This is no week or month.');
    if (outline.entry(id)) return NOTHING;
    const entry = { id, kind: 'page' as const, parentId: null, orderKey: IN_TRAY, name: periodTitle(period), period };
    const { content } = emptyBody(firstLineId(id));
    return { changes: [{ change: 'add', entry: { ...entry, begunAt: outline.now }, content }], undo: [] };
  },
};
