import type { PlannedAct } from './act';
import { pageOf } from './ask';
import { id, orNull, yesNo } from './shape';

/** Sets a gloss beside another line of the page that it points at, or leaves it where it would stand by itself. */
export interface MoveGloss {
  do: 'moveGloss';
  /** The page it stands beside. */
  id: string;
  /** The line that the gloss is. */
  blockId: string;
  /** The line that it stands beside from now on; null for the head of the page. */
  lineId: string | null;
  /** False when nobody has moved it any more. */
  isMoved: boolean;
}

export const moveGloss: PlannedAct<MoveGloss> = {
  shape: { blockId: id, lineId: orNull(id), isMoved: yesNo },
  touches: (act) => [act.id],
  changes: ['links'],
  needs: ({ id: targetId, blockId }) => [{ movedGloss: { targetId, blockId } }],
  plan: (act, outline) => {
    const { id: targetId, blockId, lineId, isMoved } = act;
    pageOf(outline, targetId);
    const before = outline.movedGloss(targetId, blockId);
    return {
      changes: [{ change: 'moveGloss', targetId, blockId, place: isMoved ? { lineId } : null }],
      undo: [{ ...act, lineId: before?.lineId ?? null, isMoved: before !== null }],
    };
  },
};
