import { foldWords } from '../find/words';

/** A tag as compared: folded, without its mark. "#Ironwork" and "ironwork" are one tag. */
export const normalizeTag = (name: string): string => foldWords(name.replace(/^#/u, '')).trim();

/** What may follow the mark in running text: letters and digits, joined by - _ or / (a slash nests). */
export const TAG_PATTERN = /#([\p{L}\p{N}][\p{L}\p{M}\p{N}_/-]{0,60})/u;
