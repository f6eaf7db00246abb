/** How dark a day's mark in the week strip is, from 0 (nothing written) to 1, by its words: even steps of doubling. */
export function inkOf(wordCount: number): number {
  if (wordCount <= 0) return 0;
  return Math.min(1, 0.15 + Math.log2(1 + wordCount / 12) * 0.17);
}
