import { shownWords } from '../document/text';
import { planSplit } from './parts/split';
import type { CombinedAct } from './act';
import { contentOf } from './ask';
import { ANYTHING } from '../notices/changed';
import { id } from './shape';
import { titleIn } from './titles';

/** Makes a page of each part of a page, with an overview in their place (acts/parts). */
export interface Split {
  do: 'split';
  id: string;
  parentId: string;
  seed: string;
}

export const split: CombinedAct<Split> = {
  shape: { parentId: id, seed: id },
  touches: (act) => [act.id],
  changes: ANYTHING,
  bringsText: true,
  touchesMany: true,
  steps: (act, outline) =>
    planSplit(contentOf(outline, act.id), act, (node) => shownWords(node, (target) => titleIn(outline, target))),
};
