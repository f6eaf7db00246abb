import { foldTag } from './path';
import type { Tag } from './tree';

/** Fewer letters than these say too little to be a slip of each other. */
const LEAST_LETTERS = 5;

/** Two tags that may be one, the one with fewer lines first. */
export interface AlikeTags {
  from: Tag & { path: string };
  into: Tag & { path: string };
}

/** A name without what joins its words, and without the ending of several. */
const stripped = (name: string): string =>
  foldTag(name)
    .replace(/[^\p{L}\p{N}]+/gu, '')
    .replace(/(?<=\p{L}{3})(?:es|s)$/u, '');

/** A name, and what it is with any one letter left out: two that share one of these are a slip apart, or two. */
function* slipsOf(name: string): Generator<string> {
  yield name;
  const letters = Array.from(name);
  if (letters.length < LEAST_LETTERS) return;
  for (let at = 0; at < letters.length; at += 1) yield letters.toSpliced(at, 1).join('');
}

/**
 * Tags whose own names are nearly the same: one or several, hyphens or none, a letter missing, added, changed or swapped,
 * or beneath different tags. Each tag is named once as the one to go.
 *
 * @param linesOf how many lines wear a tag
 */
export function alikeTags(tags: readonly (Tag & { path: string })[], linesOf: (id: string) => number): AlikeTags[] {
  const bySlip = new Map<string, (Tag & { path: string })[]>();
  const pairs = new Map<string, AlikeTags>();
  for (const tag of tags) {
    const name = stripped(tag.name);
    if (name === '' || /^\p{N}+$/u.test(name)) continue;
    for (const slip of new Set(slipsOf(name))) {
      const others = bySlip.get(slip);
      if (!others) bySlip.set(slip, [tag]);
      else {
        for (const other of others) if (isAlike(stripped(other.name), name)) note(tag, other);
        others.push(tag);
      }
    }
  }
  return [...pairs.values()];

  function note(one: Tag & { path: string }, other: Tag & { path: string }): void {
    if (one.parentId === other.id || other.parentId === one.id) return;
    // The one that is worn more stays; of two alike in that, the one of fewer letters.
    const isFewer = linesOf(one.id) - linesOf(other.id) || other.name.length - one.name.length;
    const [from, into] = isFewer < 0 ? [one, other] : [other, one];
    if (!pairs.has(from.id)) pairs.set(from.id, { from, into });
  }
}

/** Whether they are the same, or one letter is added, changed, or swapped with its neighbour. */
function isAlike(one: string, other: string): boolean {
  if (one === other) return true;
  const [a, b] = [Array.from(one), Array.from(other)];
  let begin = 0;
  while (begin < a.length && a[begin] === b[begin]) begin += 1;
  let end = 0;
  while (end < Math.min(a.length, b.length) - begin && a.at(-1 - end) === b.at(-1 - end)) end += 1;
  const [left, right] = [a.slice(begin, a.length - end), b.slice(begin, b.length - end)];
  if (left.length <= 1 && right.length <= 1) return true;
  return left.length === 2 && right.length === 2 && left[0] === right[1] && left[1] === right[0];
}
