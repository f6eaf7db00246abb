import { namedId } from '../document/ids';
import { mayHold } from '../outline/entry';
import type { Act } from './all';
import { NOTHING, type Plan, type PlannedAct } from './act';
import { noDay } from './ask';
import type { Change } from './change';
import { ANYTHING } from '../notices/changed';
import type { ActEntry, ActOutline } from './outline';
import { make } from './make';
import { spotFor, type Spot } from './spot';

/** Brings an entry back to where it can be seen: its own place, or the nearest that is left. */
export interface Restore {
  do: 'restore';
  id: string;
}

/** Where things go whose notebook is gone. */
const SHELTER = 'Brought back';
const SHELTERS = 'Holds what came back from the bin when its own notebook was not there any more.';

/** What an entry stands in, the nearest first. */
function holders(outline: ActOutline, parentId: string | null): ActEntry[] {
  const line: ActEntry[] = [];
  const walked = new Set<string>();
  for (let id = parentId; id !== null && !walked.has(id);) {
    walked.add(id);
    const holder = outline.entry(id);
    if (!holder) break;
    line.push(holder);
    id = holder.parentId;
  }
  return line;
}

interface Nearest {
  spot: Spot;
  /** What makes the notebook that has to be made for it. */
  shelter: Plan;
}

/**
 * The place something comes back to: its own, when all it stood in is still there; else the nearest holder above that
 * is not in the bin; else a notebook that is named for it, which is made when there is none.
 */
function nearestPlace(outline: ActOutline, entry: ActEntry): Nearest {
  const { parentId, orderKey } = entry;
  if (entry.jotting !== null) return { spot: { parentId, orderKey }, shelter: NOTHING };
  const line = holders(outline, parentId);
  const lowest = line.findLastIndex((holder) => holder.deletedAt !== null);
  // What held it may be gone for good: then nothing above it is left.
  if (lowest < 0 && mayHold(line[0]?.kind ?? null, entry.kind))
    return { spot: { parentId, orderKey }, shelter: NOTHING };
  const nearest = line.slice(lowest + 1).find((holder) => mayHold(holder.kind, entry.kind)) ?? shelterOf(outline);
  if (nearest) return { spot: spotFor(outline, entry, { parentId: nearest.id }), shelter: NOTHING };
  const id = namedId(entry.id, `shelter ${outline.now}`);
  const wish = { do: 'make', kind: 'notebook', parentId: null, name: SHELTER, pigment: 'slate' } as const;
  const { changes } = make.plan({ ...wish, id, description: SHELTERS }, outline);
  // The first in a notebook that is not there yet.
  return {
    spot: { parentId: id, orderKey: FIRST },
    shelter: { changes, undo: [{ do: 'unmake', id }] },
  };
}

const FIRST = 'a0';

/** The notebook for what has no other place, preferably one that is for now. */
function shelterOf(outline: ActOutline): ActEntry | undefined {
  const shelters = outline
    .children(null)
    .filter(({ kind, name, deletedAt }) => kind === 'notebook' && name === SHELTER && deletedAt === null);
  return shelters.find(({ season }) => season === null) ?? shelters[0];
}

export function planRestore(entry: ActEntry, outline: ActOutline): Plan {
  const { id, mergedInto, deletedAt, parentId, orderKey } = entry;
  // Brought back, a page that was merged into another stands for itself again.
  const led: Act[] = mergedInto ? [{ do: 'leadTo', id, toId: mergedInto }] : [];
  const leading: Change[] = mergedInto ? [{ change: 'set', id, values: { mergedInto: null } }] : [];
  const { spot, shelter } = nearestPlace(outline, entry);
  const isMoved = spot.parentId !== parentId;
  if (deletedAt === null && !isMoved) return { changes: leading, undo: led };
  const binned: Act[] = deletedAt === null ? [] : [{ do: 'bin', id }];
  const moved: Act[] = isMoved ? [{ do: 'putBack', id, parentId, orderKey }] : [];
  return {
    changes: [...leading, ...shelter.changes, { change: 'set', id, values: { deletedAt: null, ...spot } }],
    undo: [...binned, ...moved, ...led, ...shelter.undo],
  };
}

export const restore: PlannedAct<Restore> = {
  shape: {},
  touches: (act) => [act.id],
  changes: ANYTHING,
  needs: () => [{ childrenOf: null }],
  plan: ({ id }, outline) => planRestore(noDay(outline, id), outline),
};
