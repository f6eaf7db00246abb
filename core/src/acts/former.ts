import { withAttributes } from '../document/canonical';
import { MAX_BLOCKS } from '../document/types';
import { NOTHING, type PlannedAct } from './act';
import { idOf } from '../document/kinds';
import { ANYTHING } from '../notices/changed';
import { id, list } from './shape';
import { Texts } from './texts';

/** Lets links to other ids lead to a block. */
export interface AddFormer {
  do: 'addFormer';
  id: string;
  blockId: string;
  formerIds: string[];
}

/** The inverse. */
export interface RemoveFormer extends Omit<AddFormer, 'do'> {
  do: 'removeFormer';
}

const former = <A extends AddFormer | RemoveFormer>(isAdded: boolean): PlannedAct<A> => ({
  shape: { blockId: id, formerIds: list(id, MAX_BLOCKS) } as PlannedAct<A>['shape'],
  touches: (act) => [act.id],
  changes: ANYTHING,
  plan: (act, outline) => {
    const texts = new Texts(outline);
    const content = texts.of(act.id);
    const index = content.findIndex((node) => idOf(node) === act.blockId);
    const node = content[index];
    if (!node || node.type !== 'block') return NOTHING;
    const present = typeof node.attrs?.formerIds === 'string' ? node.attrs.formerIds.split(' ') : [];
    const named = new Set(act.formerIds);
    const changed = act.formerIds.filter((each) => present.includes(each) !== isAdded);
    const next = isAdded ? [...present, ...changed] : present.filter((each) => !named.has(each));
    content[index] = withAttributes(node, { formerIds: next.join(' ') || null });
    const opposite = isAdded ? ('removeFormer' as const) : ('addFormer' as const);
    return texts.plan([{ do: opposite, id: act.id, blockId: act.blockId, formerIds: changed }]);
  },
});

export const addFormer = former<AddFormer>(true);
export const removeFormer = former<RemoveFormer>(false);
