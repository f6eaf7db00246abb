import { blockIds, withIds } from '../document/copy';
import { besideOf, withBeside } from '../document/fields/body';
import { namedId } from '../document/ids';
import type { BodyJson } from '../document/types';
import { NOTHING, type PlannedAct } from './act';
import { noDay } from './ask';
import type { Change } from './change';
import { ANYTHING } from '../notices/changed';
import { id } from './shape';
import { spotFor } from './spot';

/**
 * Copies an entry with everything beneath it, to stand after it. Pages and blocks get new ids, computed from the
 * copy's, and what links inside the original links inside the copy. What is in the bin is not copied.
 */
export interface Duplicate {
  do: 'duplicate';
  id: string;
  copyId: string;
}

export const duplicate: PlannedAct<Duplicate> = {
  shape: { copyId: id },
  touches: (act) => [act.copyId],
  changes: ANYTHING,
  touchesMany: true,
  plan: ({ id: rootId, copyId }, outline) => {
    const root = noDay(outline, rootId);
    // Asked for twice, it is the same as once.
    if (outline.entry(copyId)) return NOTHING;
    const originals = outline.beneath(rootId);
    const newIds = new Map(
      originals.map((entry) => [entry.id, entry.id === rootId ? copyId : namedId(copyId, entry.id)]),
    );
    const bodies = new Map<string, BodyJson>();
    for (const { id: pageId, kind } of originals) {
      if (kind !== 'page') continue;
      const content = [...outline.content(pageId)];
      const body = withBeside({ type: 'doc', content }, outline.beside(pageId));
      bodies.set(pageId, body);
      for (const blockId of blockIds(body)) newIds.set(blockId, namedId(copyId, blockId));
    }
    const spot = spotFor(outline, { id: copyId, kind: root.kind }, { parentId: root.parentId, afterId: rootId });
    const changes = originals.map((original): Change => {
      const isRoot = original.id === rootId;
      const { kind, orderKey, name, pigment, ornament, description, season, showsLeaves, isTemplate } = original;
      const written = bodies.get(original.id);
      const body = written && withIds(written, newIds);
      return {
        change: 'add',
        entry: {
          id: newIds.get(original.id)!,
          kind,
          ...(isRoot ? spot : { parentId: newIds.get(original.parentId!)!, orderKey }),
          name: isRoot && name.trim() ? `Copy of ${name}` : name,
          pigment,
          ornament,
          description,
          season,
          showsLeaves,
          isTemplate,
          templateId: original.templateId,
          madeFrom: original.madeFrom,
          begunAt: outline.now,
        },
        content: body?.content ?? null,
        ...(body && { beside: besideOf(body) }),
      };
    });
    return { changes, undo: [{ do: 'bin', id: copyId }] };
  },
};
