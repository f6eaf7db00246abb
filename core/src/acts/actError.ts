/** Why an act can't be done: what it is about is not there, it makes no sense there, or something changed meanwhile. */
export type ActRefusal = 'missing' | 'refused' | 'conflict';

/** Thrown when an act can't be done; nothing was changed. The message is a sentence for people. */
export class ActError extends Error {
  override name = 'ActError';

  constructor(
    readonly refusal: ActRefusal,
    sentence: string,
  ) {
    super(sentence);
  }
}

export const missing = (): ActError => new ActError('missing', 'There is nothing here, or not for this account.');
export const refused = (sentence: string): ActError => new ActError('refused', sentence);
export const conflict = (sentence: string): ActError => new ActError('conflict', sentence);
