import { NOTHING_BESIDE, type Beside } from '../document/fields/content';
import { idOf } from '../document/kinds';
import type { NodeJson } from '../document/types';
import { firstLineId } from './parts/lift';
import type { Act } from './all';
import { NOTHING, type PlannedAct } from './act';
import { isUnwritten } from './ask';
import { bin } from './bin';
import type { ActEntry, ActOutline } from './outline';
import { ANYTHING } from '../notices/changed';

/**
 * Takes out what was made and is empty, as if it had never been. Words and fields that came to a page meanwhile go to
 * the bin with it; a notebook or section that something was put into meanwhile stays.
 */
export interface Unmake {
  do: 'unmake';
  id: string;
}

export const unmake: PlannedAct<Unmake> = {
  shape: {},
  touches: (act) => [act.id],
  changes: ANYTHING,
  touchesMany: true,
  needs: ({ id }) => [{ childrenOf: id }],
  plan: ({ id }, outline) => {
    const entry = outline.entry(id);
    if (!entry) return NOTHING;
    const held = outline.children(id);
    const isHolding = held.some(({ deletedAt }) => deletedAt === null);
    if (entry.kind !== 'page' && isHolding) return NOTHING;
    const { kinds, fields } = besideIn(outline, entry);
    if (held.length > 0 || !isUnwritten(entry) || Object.keys(fields).length > 0)
      return bin.plan({ do: 'bin', id }, outline);
    const { kind, parentId, orderKey, name, pigment, ornament, description } = entry;
    const undo: Act[] = [
      {
        do: 'make',
        id,
        kind,
        parentId,
        name,
        ...(pigment && { pigment }),
        ornament,
        description,
        ...(kinds.length > 0 && { kinds: [...kinds] }),
      },
      { do: 'putBack', id, parentId, orderKey },
      ...(kind === 'page' ? sameLines(id, outline.content(id)) : []),
    ];
    return { changes: [{ change: 'remove', id }], undo };
  },
};

const besideIn = (outline: ActOutline, { id, kind }: ActEntry): Beside =>
  kind === 'page' ? outline.beside(id) : NOTHING_BESIDE;

/** A page that is made anew begins with a line of its own; what comes back to it stands at the lines it had. */
function sameLines(id: string, nodes: readonly NodeJson[]): Act[] {
  const made = firstLineId(id);
  if (nodes.some((node) => idOf(node) === made)) return [];
  return [
    { do: 'putBlocks', id, afterId: null, nodes: [...nodes] },
    { do: 'dropBlocks', id, blockIds: [made] },
  ];
}
