import { OrderError, orderBetween, ordersAfter, type Act } from '@glossarion/core/outline';
import { ownedBy, putOwned } from '../access';
import { PinEntity, type Pin } from '../entities';
import type { ActContext } from './acts';

const all = ({ manager, viewer }: ActContext): Promise<Pin[]> =>
  manager.find(PinEntity, { where: ownedBy(viewer), order: { orderKey: 'ASC' } });

/** The pin an entry's pin stands after; null for the first. */
const pinBefore = (pins: readonly Pin[], id: string): string | null =>
  pins[pins.findIndex((each) => each.entryId === id) - 1]?.entryId ?? null;

/** Pins an entry, or moves its pin: after another, first (null) or last (undefined). */
export async function pin(context: ActContext, id: string, afterId: string | null | undefined): Promise<Act[]> {
  const pins = await all(context);
  const present = pins.some((each) => each.entryId === id);
  const others = pins.filter((each) => each.entryId !== id);
  const place = afterId === null ? -1 : others.findIndex((each) => each.entryId === afterId);
  const index = afterId === null ? 0 : place < 0 ? others.length : place + 1;
  const put = (entryId: string, orderKey: string) =>
    putOwned(context.manager, context.viewer, PinEntity, 'entryId', { entryId, orderKey });
  try {
    await put(id, orderBetween(others[index - 1]?.orderKey ?? null, others[index]?.orderKey ?? null));
  } catch (error) {
    if (!(error instanceof OrderError)) throw error;
    // No key is left between the two: all pins get new ones.
    const ids = others.map(({ entryId }) => entryId).toSpliced(index, 0, id);
    const keys = ordersAfter(null, ids.length);
    for (const [at, each] of ids.entries()) await put(each, keys[at]!);
  }
  return [present ? { do: 'pin', id, afterId: pinBefore(pins, id) } : { do: 'unpin', id }];
}

export async function unpin(context: ActContext, id: string): Promise<Act[]> {
  const pins = await all(context);
  if (!pins.some((each) => each.entryId === id)) return [];
  await context.manager.delete(PinEntity, { ...ownedBy(context.viewer), entryId: id });
  return [{ do: 'pin', id, afterId: pinBefore(pins, id) }];
}
