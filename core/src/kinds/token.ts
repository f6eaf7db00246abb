/**
 * The word by which the index knows that a page is of a kind. As that of a tag (core/tags) it begins with a character of
 * private use, which no word that is written or looked for holds.
 */
export const kindToken = (kind: string): string => `\uE001${kind.replaceAll('-', '')}`;
