import { idOf } from '../document/kinds';
import { ANYTHING } from '../notices/changed';
import type { CombinedAct } from './act';
import { conflict, refused } from './actError';
import { contentOf, noDay, pageOf } from './ask';
import { planSend } from './parts/send';
import { either, id, oneOf } from './shape';

/** Files a jotting to a page: its lines move there with their ids, and links to it lead to that page from then on. */
export interface File {
  do: 'file';
  id: string;
  toId: string;
  /** `head`, `end`, or the id of a heading: at the end of its part. */
  at: string;
}

export const file: CombinedAct<File> = {
  shape: { toId: id, at: either(oneOf(['head', 'end']), id) },
  touches: (act) => [act.id, act.toId],
  changes: ANYTHING,
  bringsText: true,
  touchesMany: true,
  steps: ({ id: jottingId, toId, at }, outline) => {
    const jotting = noDay(outline, jottingId);
    const into = pageOf(outline, toId);
    if (jotting.jotting === null || jotting.deletedAt !== null) {
      throw conflict('It is not in the Tray any more. Nothing was changed.');
    }
    if (into.deletedAt !== null) throw refused('That page is in the bin. Bring it back first.');
    const content = contentOf(outline, jottingId);
    const wish = { id: jottingId, toId, blockIds: content.map(idOf), at, form: 'move' as const, seed: jottingId };
    return [
      ...planSend(content, contentOf(outline, toId), wish, ''),
      { do: 'leadTo', id: jottingId, toId },
      { do: 'bin', id: jottingId },
    ];
  },
};
