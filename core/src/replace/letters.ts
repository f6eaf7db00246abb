/** What a word is made of. */
export const LETTERS_OR_DIGITS = /^[\p{L}\p{M}\p{N}]$/u;
