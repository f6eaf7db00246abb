import { OrderError, orderBetween, ordersAfter, type Act } from '@glossarion/core/outline';
import type { ActContext } from './acts';

interface PinRow {
  entryId: string;
  orderKey: string;
}

const all = ({ database, ownerId }: ActContext): PinRow[] =>
  database.writer
    .prepare('SELECT entryId, orderKey FROM pins WHERE ownerId = ? ORDER BY orderKey')
    .all(ownerId) as PinRow[];

/** The pin an entry's pin stands after; null for the first. */
const pinBefore = (pins: readonly PinRow[], id: string): string | null =>
  pins[pins.findIndex((each) => each.entryId === id) - 1]?.entryId ?? null;

/** Pins an entry, or moves its pin: after another, first (null) or last (undefined). */
export function pin(context: ActContext, id: string, afterId: string | null | undefined): Act[] {
  const pins = all(context);
  const present = pins.some((each) => each.entryId === id);
  const others = pins.filter((each) => each.entryId !== id);
  const place = afterId === null ? -1 : others.findIndex((each) => each.entryId === afterId);
  const index = afterId === null ? 0 : place < 0 ? others.length : place + 1;
  const put = context.database.writer.prepare(
    'INSERT OR REPLACE INTO pins (ownerId, entryId, orderKey) VALUES (?, ?, ?)',
  );
  try {
    put.run(context.ownerId, id, orderBetween(others[index - 1]?.orderKey ?? null, others[index]?.orderKey ?? null));
  } catch (error) {
    if (!(error instanceof OrderError)) throw error;
    // No key is left between the two: all pins get new ones.
    const ids = others.map(({ entryId }) => entryId).toSpliced(index, 0, id);
    ordersAfter(null, ids.length).forEach((key, place) => put.run(context.ownerId, ids[place], key));
  }
  return [present ? { do: 'pin', id, afterId: pinBefore(pins, id) } : { do: 'unpin', id }];
}

export function unpin(context: ActContext, id: string): Act[] {
  const pins = all(context);
  if (!pins.some((each) => each.entryId === id)) return [];
  context.database.writer.prepare('DELETE FROM pins WHERE ownerId = ? AND entryId = ?').run(context.ownerId, id);
  return [{ do: 'pin', id, afterId: pinBefore(pins, id) }];
}
