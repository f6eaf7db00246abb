import { mayHold, type EntryKind } from './entry';
import type { Place } from './place';

/** Where a dragged entry would go, seen from the line it is held over. */
export type DropZone = 'before' | 'inside' | 'after';

interface StandingEntry {
  id: string;
  kind: EntryKind;
  parentId: string | null;
}

/** The part of a line's height at its head and at its foot that means before and after. */
const EDGE = 0.3;

/**
 * What dropping at this height of a line would mean; null when it can't be dropped there. Pages stand before the
 * sections beside them, so that between things of two kinds there is only inside.
 *
 * @param fraction how far down the line the pointer is, 0 to 1
 */
export function dropZone(dragged: EntryKind, over: EntryKind, fraction: number): DropZone | null {
  const canHold = mayHold(over, dragged);
  if (dragged !== over) return canHold ? 'inside' : null;
  if (!canHold) return fraction < 0.5 ? 'before' : 'after';
  if (fraction < EDGE) return 'before';
  return fraction > 1 - EDGE ? 'after' : 'inside';
}

/** The place a zone of a line means. `siblings` are those of the line, in order. */
export function dropPlace(
  over: StandingEntry,
  zone: DropZone,
  siblings: readonly { id: string; kind: EntryKind }[],
): Place {
  if (zone === 'inside') return { parentId: over.id };
  if (zone === 'after') return { parentId: over.parentId, afterId: over.id };
  const index = siblings.findIndex((sibling) => sibling.id === over.id);
  return { parentId: over.parentId, afterId: siblings[index - 1]?.id ?? null };
}

export type Step = 'up' | 'down' | 'in' | 'out';

/**
 * Where one step by keyboard takes an entry: over its neighbour of the same kind, into the neighbour before it, or out
 * to stand after what it stood in. Null when there is no such place.
 *
 * @param parent what it stands in now; null for a notebook
 */
export function stepPlace(
  step: Step,
  moved: StandingEntry,
  siblings: readonly { id: string; kind: EntryKind }[],
  parent: StandingEntry | null,
): Place | null {
  const alike = siblings.filter((sibling) => sibling.kind === moved.kind);
  const index = alike.findIndex((sibling) => sibling.id === moved.id);
  const { parentId } = moved;
  switch (step) {
    case 'up':
      return index > 0 ? { parentId, afterId: alike[index - 2]?.id ?? null } : null;
    case 'down':
      return index < alike.length - 1 ? { parentId, afterId: alike[index + 1]!.id } : null;
    case 'in': {
      const holder = alike[index - 1];
      return holder && mayHold(holder.kind, moved.kind) ? { parentId: holder.id } : null;
    }
    case 'out': {
      if (!parent || parent.kind === 'notebook') return null;
      // Out of a section a page goes to what that section stands in; elsewhere it stands after its former holder.
      return parent.kind === moved.kind
        ? { parentId: parent.parentId, afterId: parent.id }
        : { parentId: parent.parentId };
    }
  }
}
