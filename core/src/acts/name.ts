import { MAX_NAME } from '../outline/entry';
import type { PlannedAct } from './act';
import { refused } from './actError';
import { noDay } from './ask';
import { NAMING } from '../notices/changed';
import { line } from './shape';

/** Gives a notebook, section or page another name. */
export interface Name {
  do: 'name';
  id: string;
  name: string;
}

export const name: PlannedAct<Name> = {
  shape: { name: line(MAX_NAME) },
  touches: (act) => [act.id],
  changes: NAMING,
  plan: (act, outline) => {
    if (act.name.length > MAX_NAME) throw refused('That name is too long.');
    const entry = noDay(outline, act.id);
    return {
      changes: [{ change: 'name', id: act.id, name: act.name }],
      undo: [{ do: 'name', id: act.id, name: entry.name }],
    };
  },
};
