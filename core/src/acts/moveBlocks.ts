import { withAttributes } from '../document/canonical';
import { MAX_BLOCKS, MAX_DEPTH, type NodeJson } from '../document/types';
import type { PlannedAct } from './act';
import { depthOf, idOf } from '../document/kinds';
import { ANYTHING } from '../notices/changed';
import { fields, id, list, number, orNull } from './shape';
import { indexAfter, Texts } from './texts';

/** A block on its way from one page to another. */
export interface MovedBlock {
  id: string;
  from: string;
  to: string;
  afterId: string | null;
  depth: number;
}

/** Moves blocks one after the other, each as it is at that moment, ids kept. */
export interface MoveBlocks {
  do: 'moveBlocks';
  id: string;
  blocks: MovedBlock[];
}

const moved = fields({ id, from: id, to: id, afterId: orNull(id), depth: number(0, MAX_DEPTH) });

export const moveBlocks: PlannedAct<MoveBlocks> = {
  shape: { blocks: list(moved, MAX_BLOCKS) },
  touches: (act) => [act.id],
  changes: ANYTHING,
  bringsText: true,
  plan: (act, outline) => {
    const texts = new Texts(outline);
    const back: MovedBlock[] = [];
    for (const { id: blockId, from, to, afterId, depth } of act.blocks) {
      const source = texts.of(from);
      const index = source.findIndex((node) => idOf(node) === blockId);
      if (index < 0) continue;
      const [node] = source.splice(index, 1) as [NodeJson];
      const before = index > 0 ? idOf(source[index - 1]!) : null;
      back.push({ id: blockId, from: to, to: from, afterId: before, depth: depthOf(node) });
      const target = texts.of(to);
      target.splice(indexAfter(target, afterId), 0, withAttributes(node, { depth }));
    }
    // The last that was taken stood after those before it: they go back in the opposite order.
    return texts.plan(
      [{ do: 'moveBlocks', id: act.id, blocks: back.reverse() }],
      act.blocks.map(({ from }) => from),
    );
  },
};
