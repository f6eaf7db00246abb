/**
 * The word by which the index knows that a line links to something, or that a page holds it in a field. It begins with a
 * character of private use, like that of a tag (tags/token).
 */
export const linkToken = (target: string): string => `\uE002${target.replaceAll('-', '')}`;
