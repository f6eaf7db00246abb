import { OrderError, orderBetween, ordersAfter } from '../outline/order';

/** Something in an order of one's own. */
interface Ordered {
  id: string;
  orderKey: string;
}

/** The place among others of what stands after one of them, first (null) or last (not given). */
export function placeAmong(others: readonly Ordered[], afterId: string | null | undefined): number {
  const place = others.findIndex(({ id }) => id === afterId);
  return afterId === null ? 0 : place < 0 ? others.length : place + 1;
}

/** What one stands after; null for the first. */
export const beforeAmong = (all: readonly Ordered[], id: string): string | null =>
  all[all.findIndex((each) => each.id === id) - 1]?.id ?? null;

/** The keys that put one at a place among others: its own, or new ones of all where none is left between two. */
export function keysWith(others: readonly Ordered[], index: number, id: string): Ordered[] {
  try {
    return [{ id, orderKey: orderBetween(others[index - 1]?.orderKey ?? null, others[index]?.orderKey ?? null) }];
  } catch (error) {
    if (!(error instanceof OrderError)) throw error;
    const ids = others.map((each) => each.id).toSpliced(index, 0, id);
    const keys = ordersAfter(null, ids.length);
    return ids.map((each, at) => ({ id: each, orderKey: keys[at]! }));
  }
}
