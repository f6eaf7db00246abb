/**
 * In how many of so many texts all of some words may be expected, each of which so many lines hold, if they stood there
 * without regard to each other (a Poisson number of each in a text). Words of one subject stand together more often.
 */
export const expectedTexts = (lines: readonly number[], texts: number): number =>
  lines.reduce((expected, each) => expected * (1 - Math.exp(-each / texts)), texts);
