import { checkBody } from '../document/check';
import type { NodeJson } from '../document/types';
import type { PlannedAct } from './act';
import { conflict } from './actError';
import { idOf } from '../document/kinds';
import { ANYTHING } from '../notices/changed';
import { id, nodes, orNull } from './shape';
import { indexAfter, Texts } from './texts';

/** Puts blocks on a page, one after the other, after another block; null for its head. */
export interface PutBlocks {
  do: 'putBlocks';
  id: string;
  afterId: string | null;
  nodes: NodeJson[];
}

export const putBlocks: PlannedAct<PutBlocks> = {
  shape: { afterId: orNull(id), nodes },
  touches: (act) => [act.id],
  changes: ANYTHING,
  bringsText: true,
  plan: (act, outline) => {
    const texts = new Texts(outline);
    const content = texts.of(act.id);
    const present = new Set(content.map(idOf));
    const put = act.nodes.length === 0 ? [] : checkBody({ type: 'doc', content: act.nodes }).content;
    if (put.some((node) => present.has(idOf(node)))) throw conflict('These lines are on the page already.');
    content.splice(indexAfter(content, act.afterId), 0, ...put);
    return texts.plan([{ do: 'dropBlocks', id: act.id, blockIds: put.map(idOf) }]);
  },
};
