/** How many of all pages hold a stem, a link or a tag, and how many pages there are. */
export interface Rarity {
  pages: number;
  ofWord: (stem: string) => number;
  ofLink: (id: string) => number;
  ofTag: (tag: string) => number;
}

/**
 * How much something tells that so many of all pages hold: 1 when one does, nearly 0 when all do. The inverse document
 * frequency (Spärck Jones 1972), smoothed and brought to the same range for small accounts and large ones.
 */
export const rarityAmong = (pages: number, count: number): number =>
  Math.log(1 + pages / Math.max(1, count)) / Math.log(1 + pages);
