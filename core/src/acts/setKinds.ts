import { MAX_PAGE_KINDS } from '../document/fields/content';
import { ANYTHING } from '../notices/changed';
import { NOTHING, type PlannedAct } from './act';
import { refused } from './actError';
import { pageOf } from './ask';
import { id, list, optional } from './shape';

/** Says that a page is of kinds, or is so no more. What it holds of their fields stays. */
export interface SetKinds {
  do: 'setKinds';
  id: string;
  add?: string[];
  remove?: string[];
}

export const setKinds: PlannedAct<SetKinds> = {
  shape: { add: optional(list(id, MAX_PAGE_KINDS)), remove: optional(list(id, MAX_PAGE_KINDS)) },
  touches: (act) => [act.id],
  changes: ANYTHING,
  bringsText: true,
  plan: ({ id: pageId, add = [], remove = [] }, outline) => {
    pageOf(outline, pageId);
    const before = outline.beside(pageId).kinds;
    const added = add.filter((kind) => !before.includes(kind) && !remove.includes(kind));
    const removed = remove.filter((kind) => before.includes(kind));
    if (added.length === 0 && removed.length === 0) return NOTHING;
    const kinds = [...before.filter((kind) => !removed.includes(kind)), ...new Set(added)];
    if (kinds.length > MAX_PAGE_KINDS) throw refused(`A page is of at most ${MAX_PAGE_KINDS} kinds.`);
    return {
      changes: [{ change: 'beside', id: pageId, kinds }],
      undo: [{ do: 'setKinds', id: pageId, add: removed, remove: added }],
    };
  },
};
