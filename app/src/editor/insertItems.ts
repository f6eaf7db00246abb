import type { Editor } from '@tiptap/core';
import { foldWords } from '@glossarion/core/words';
import { OFFERS, type Offer } from './kinds';
import type { WritingPlace } from './writingPlace';

/** Does what was chosen in the Insert menu. */
export function insertOffer({ turn, insert }: Offer, editor: Editor, place: WritingPlace): void {
  if (!turn) return insert?.(editor, place);
  const transaction = turn(editor.state);
  if (transaction) editor.view.dispatch(transaction);
  editor.view.focus();
}

/** The items that fit what was typed: every word of it begins a word of the item. */
export function fittingItems(typed: string): Offer[] {
  const wanted = foldWords(typed).split(/\s+/u).filter(Boolean);
  const fits = (text: string) => {
    const words = foldWords(text).split(/[^\p{L}\p{N}]+/u);
    return wanted.every((each) => words.some((word) => word.startsWith(each)));
  };
  const named = OFFERS.filter((item) => fits(item.words));
  const others = OFFERS.filter((item) => !named.includes(item) && fits(`${item.words} ${item.also}`));
  return [...named, ...others];
}
