/**
 * The word by which the index knows that a line wears a tag. It begins with a character of private use, which no word
 * that is written or looked for holds; FTS5 takes it for a letter (https://www.sqlite.org/fts5.html, 4.3.1: "Co").
 */
export const tagToken = (tag: string): string => `\uE000${tag.replaceAll('-', '')}`;
