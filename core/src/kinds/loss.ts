import type { Content } from '../document/fields';
import type { Field } from './field';
import { holdingWords, isFilled, readHolding } from './holding';

/** What a page holds of a field, by the page. */
export interface HeldByPage {
  pageId: string;
  content: Content;
}

/** A page on which a field says something today that it would only keep as text. */
export interface Loss {
  pageId: string;
  words: readonly string[];
}

/**
 * What a change of a field can't take over: for each page, in words. Nothing of it is lost: it is kept, and shown as text.
 *
 * @param titleOf what a page that is led to is called
 */
export function lossOf(held: readonly HeldByPage[], from: Field, to: Field, titleOf: (id: string) => string): Loss[] {
  return held.flatMap(({ pageId, content }) => {
    const before = readHolding(content, from);
    if (!isFilled(before) || isFilled(readHolding(content, to))) return [];
    return [{ pageId, words: holdingWords(before, from, titleOf) }];
  });
}
