import { shownWords } from '../document/text';
import { MAX_BLOCKS } from '../document/types';
import { planLift } from './parts/lift';
import type { CombinedAct } from './act';
import { contentOf } from './ask';
import { ANYTHING } from '../notices/changed';
import { id, list } from './shape';
import { titleIn } from './titles';

/** Makes a page of blocks, with a link in their place (acts/parts). */
export interface Lift {
  do: 'lift';
  id: string;
  blockIds: string[];
  pageId: string;
  parentId: string;
}

export const lift: CombinedAct<Lift> = {
  shape: { blockIds: list(id, MAX_BLOCKS), pageId: id, parentId: id },
  touches: (act) => [act.id, act.pageId],
  changes: ANYTHING,
  bringsText: true,
  steps: (act, outline) =>
    planLift(contentOf(outline, act.id), act, (node) => shownWords(node, (target) => titleIn(outline, target))),
};
