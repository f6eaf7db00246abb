import { generateKeyBetween, generateNKeysBetween } from 'fractional-indexing';

/** An order key between two neighbours; null stands for the end on that side. Keys compare as plain strings. */
export const orderBetween = (before: string | null, after: string | null): string => generateKeyBetween(before, after);

/** As many order keys as asked for, in order, after `before`. */
export const ordersAfter = (before: string | null, count: number): string[] =>
  generateNKeysBetween(before, null, count);
