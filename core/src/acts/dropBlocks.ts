import { MAX_BLOCKS } from '../document/types';
import type { Act } from './all';
import type { PlannedAct } from './act';
import { idOf } from '../document/kinds';
import { ANYTHING } from '../notices/changed';
import { id, list } from './shape';
import { Texts } from './texts';

/** Takes blocks off a page; those that are not there are left out. */
export interface DropBlocks {
  do: 'dropBlocks';
  id: string;
  blockIds: string[];
}

export const dropBlocks: PlannedAct<DropBlocks> = {
  shape: { blockIds: list(id, MAX_BLOCKS) },
  touches: (act) => [act.id],
  changes: ANYTHING,
  bringsText: true,
  plan: (act, outline) => {
    const texts = new Texts(outline);
    const content = texts.of(act.id);
    const dropped = new Set(act.blockIds);
    const undo = content.flatMap((node, index): Act[] => {
      if (!dropped.has(idOf(node))) return [];
      const afterId = index > 0 ? idOf(content[index - 1]!) : null;
      return [{ do: 'putBlocks', id: act.id, afterId, nodes: [node] }];
    });
    content.splice(0, content.length, ...content.filter((node) => !dropped.has(idOf(node))));
    return texts.plan(undo);
  },
};
