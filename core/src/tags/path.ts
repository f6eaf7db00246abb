import { foldWords } from '../words/words';

/** What may follow the mark in running text: letters and digits, joined by - _ or / (a slash nests). */
export const TAG_PATTERN = /#([\p{L}\p{N}][\p{L}\p{M}\p{N}_/-]{0,60})/u;

/** What parts a tag from the one it stands beneath, as in `#iron/wrought`. */
const NESTED = '/';

/**
 * A tag as it was typed, taken apart: the names of the tags it stands beneath, the outermost first, and its own last.
 * Nothing when no name is left.
 */
export const tagPath = (typed: string): string[] =>
  typed
    .replace(/^#/u, '')
    .split(NESTED)
    .map((name) => name.replace(/\s+/gu, ' ').trim())
    .filter((name) => name !== '');

/** Whether a tag can be called so: some name is left of it. */
export const isTagName = (typed: string): boolean => tagPath(typed).length > 0;

/** A path as it is written. */
export const writtenTag = (path: readonly string[]): string => path.join(NESTED);

/** A path as paths are compared. */
export const tagKey = (path: readonly string[]): string => path.map(foldTag).join(NESTED);

/** A tag's name as it is compared: "Ironwork" and "ironwork" are one tag. */
export const foldTag = (name: string): string => foldWords(name) || name;
