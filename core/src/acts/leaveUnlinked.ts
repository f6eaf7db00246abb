import type { PlannedAct } from './act';
import { refused } from './actError';
import { pageOf } from './ask';
import { id, yesNo } from './shape';

/** Leaves a line that names a page unlinked for good, or offers it again. */
export interface LeaveUnlinked {
  do: 'leaveUnlinked';
  id: string;
  pageId: string;
  blockId: string;
  isLeft: boolean;
}

export const leaveUnlinked: PlannedAct<LeaveUnlinked> = {
  shape: { pageId: id, blockId: id, isLeft: yesNo },
  touches: (act) => [act.pageId],
  changes: ['alsoNamed'],
  needs: ({ id: targetId, pageId, blockId }) => [{ unlinked: { targetId, pageId, blockId } }],
  plan: (act, outline) => {
    const { id: targetId, pageId, blockId, isLeft } = act;
    pageOf(outline, pageId);
    if (!outline.entry(targetId)) {
      throw refused('Nothing is written on that day yet. Write a line there first; then lines can be left out.');
    }
    return {
      changes: [{ change: 'unlinked', targetId, pageId, blockId, isLeft }],
      undo: [{ ...act, isLeft: outline.isUnlinked(targetId, pageId, blockId) }],
    };
  },
};
