import { generateKeyBetween, generateNKeysBetween } from 'fractional-indexing';

/** A key that has grown longer than this is due to be given anew, with those of its siblings. */
const LONG = 120;

/** No key can be found between two neighbours: they are equal, no keys at all, or would make one that is too long. */
export class OrderError extends Error {
  override name = 'OrderError';
}

/**
 * An order key between two neighbours; null stands for the end on that side. Keys compare as plain strings.
 *
 * @throws OrderError when there is none; the siblings have to be given new keys first
 */
export function orderBetween(before: string | null, after: string | null): string {
  let key: string;
  try {
    key = generateKeyBetween(before, after);
  } catch (error) {
    throw new OrderError((error as Error).message);
  }
  if (key.length > LONG) throw new OrderError('That key would be too long.');
  return key;
}

/** As many order keys as asked for, in order, after `before`; one that is no key counts as none. */
export function ordersAfter(before: string | null, count: number): string[] {
  return generateNKeysBetween(isOrder(before) ? before : null, null, count);
}

/** Whether a text is a key that others can be found beside. */
export function isOrder(key: string | null): key is string {
  if (key === null || key.length > LONG) return false;
  try {
    generateKeyBetween(key, null);
    return true;
  } catch {
    return false;
  }
}
