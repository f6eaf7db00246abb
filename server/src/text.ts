import { wellFormed } from '@glossarion/core/document';

/** A reviver for JSON: half of a surrogate pair can't be stored as text, and is replaced so that one sees it. */
export const asText = (_key: string, value: unknown): unknown =>
  typeof value === 'string' ? wellFormed(value) : value;
