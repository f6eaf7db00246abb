import type * as Y from 'yjs';

const isHighSurrogate = (unit: number): boolean => unit >= 0xd800 && unit <= 0xdbff;
const isLowSurrogate = (unit: number): boolean => unit >= 0xdc00 && unit <= 0xdfff;

/** Makes a shared text say something else, changing no more of it than differs: what others write in the rest stays. */
export function writeText(shared: Y.Text, words: string): void {
  const present = shared.toString();
  if (present === words) return;
  let start = 0;
  while (start < present.length && start < words.length && present[start] === words[start]) start += 1;
  let end = 0;
  while (
    end < present.length - start &&
    end < words.length - start &&
    present[present.length - 1 - end] === words[words.length - 1 - end]
  ) {
    end += 1;
  }
  // A pair of surrogates is one character: cut in two, both halves would be lost.
  if (start > 0 && isHighSurrogate(present.charCodeAt(start - 1))) start -= 1;
  if (end > 0 && isLowSurrogate(present.charCodeAt(present.length - end))) end -= 1;
  if (present.length > start + end) shared.delete(start, present.length - start - end);
  if (words.length > start + end) shared.insert(start, words.slice(start, words.length - end));
}
