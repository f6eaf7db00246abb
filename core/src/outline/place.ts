import { mayHold, type EntryKind } from './entry';
import { orderBetween } from './order';

/** Where something is to stand: in what, and after which sibling. */
export interface Place {
  parentId: string | null;
  /** The sibling it stands after; null puts it first, undefined last. */
  afterId?: string | null;
}

/** An entry as far as placing needs it. */
export interface PlacedEntry {
  id: string;
  kind: EntryKind;
  parentId: string | null;
  orderKey: string;
}

/** The outline as it stands now, asked only for what a move touches, so that its size does not matter. */
export interface Outline {
  entry: (id: string) => PlacedEntry | undefined;
  /** The greatest order key among the children of a parent; null when it has none. */
  lastKey: (parentId: string | null) => string | null;
  /** The least order key greater than this one (null: than all) among the children of a parent. */
  keyAfter: (parentId: string | null, orderKey: string | null) => string | null;
}

/** Thrown when something can't stand where it was to stand. The message is a sentence for people. */
export class PlaceError extends Error {
  override name = 'PlaceError';
}

/** Refuses a place that would break the outline: one that is gone, of the wrong kind, or within the moved entry itself. */
export function checkPlace(outline: Outline, moved: { id: string; kind: EntryKind }, parentId: string | null): void {
  const parent = parentId === null ? null : outline.entry(parentId);
  if (parent === undefined) throw new PlaceError('The place this was to stand in is not there any more.');
  if (!mayHold(parent?.kind ?? null, moved.kind)) {
    throw new PlaceError(`A ${moved.kind} can’t stand in ${parent ? `a ${parent.kind}` : 'no notebook'}.`);
  }
  const met = new Set<string>();
  for (
    let step = parent;
    step && !met.has(step.id);
    step = step.parentId === null ? null : (outline.entry(step.parentId) ?? null)
  ) {
    met.add(step.id);
    if (step.id === moved.id) {
      throw new PlaceError('This can’t be moved into itself or into something that stands beneath it.');
    }
  }
}

/**
 * Finds the order key for a place. A sibling that has meanwhile been moved elsewhere by another window no longer says
 * where: the entry then goes to the end, in the parent that was asked for.
 *
 * @throws PlaceError when it can't stand there; OrderError when the siblings have to be given new keys first
 */
export function planPlace(
  outline: Outline,
  moved: { id: string; kind: EntryKind },
  { parentId, afterId }: Place,
): { parentId: string | null; orderKey: string } {
  checkPlace(outline, moved, parentId);
  const present = outline.entry(moved.id);
  if (afterId === moved.id && present?.parentId === parentId) return { parentId, orderKey: present.orderKey };
  const sibling = typeof afterId === 'string' ? outline.entry(afterId) : undefined;
  const isFirst = afterId === null;
  const before = isFirst ? null : sibling?.parentId === parentId ? sibling.orderKey : outline.lastKey(parentId);
  const after = isFirst || before !== null ? outline.keyAfter(parentId, before) : null;
  return { parentId, orderKey: orderBetween(before, after) };
}
