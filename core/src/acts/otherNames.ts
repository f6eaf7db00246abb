import { foldWords } from '../words/words';
import { MAX_OTHER_NAMES } from '../outline/entry';
import type { PlannedAct } from './act';
import { refused } from './actError';
import { pageOf } from './ask';
import { ANYTHING } from '../notices/changed';
import { line, list } from './shape';

/** Gives a page other names, by which it is found and linked too. */
export interface OtherNames {
  do: 'otherNames';
  id: string;
  names: string[];
}

/** The most characters of one. */
const MAX_OTHER_NAME = 400;

export const otherNames: PlannedAct<OtherNames> = {
  shape: { names: list(line(MAX_OTHER_NAME), MAX_OTHER_NAMES) },
  touches: (act) => [act.id],
  changes: ANYTHING,
  plan: (act, outline) => {
    if (pageOf(outline, act.id).day !== null) throw refused('A day has its date for a name.');
    const before = [...outline.otherNames(act.id)];
    // Names that differ in case or accents alone are one.
    const names = new Map(act.names.map((name) => [foldWords(name).trim(), name.trim()]));
    return {
      changes: [{ change: 'otherNames', id: act.id, names: [...names.values()].filter(Boolean) }],
      undo: [{ do: 'otherNames', id: act.id, names: before }],
    };
  },
};
