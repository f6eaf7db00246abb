/** The letters that are written to the front of a word: and, the, in, to, from, as, that. */
const PREFIX = /^[והבלמכש](?=\p{L}{3})/u;

/**
 * A Hebrew word without the one letter that may be written to its front. Words that begin so by nature lose it as
 * well, wherever they stand, and so are still found by each other.
 */
export const withoutPrefix = (word: string): string => word.replace(PREFIX, '');
