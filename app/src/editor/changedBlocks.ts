import type { Node as DocumentNode } from '@tiptap/pm/model';
import type { Transaction } from '@tiptap/pm/state';
import type { DecorationSet } from '@tiptap/pm/view';
import { ySyncPluginKey } from '@tiptap/y-tiptap';

/** Where two states of a text differ, in blocks: from `start`, up to an end (not included) in each of them. */
export interface ChangedBlocks {
  start: number;
  endBefore: number;
  endAfter: number;
}

/** Blocks that were not changed are the very same nodes in both, so that a long page costs only its comparisons. */
export function changedBlocks(before: DocumentNode, after: DocumentNode): ChangedBlocks {
  const least = Math.min(before.childCount, after.childCount);
  let start = 0;
  while (start < least && before.child(start) === after.child(start)) start += 1;
  let [endBefore, endAfter] = [before.childCount, after.childCount];
  while (endBefore > start && endAfter > start && before.child(endBefore - 1) === after.child(endAfter - 1)) {
    endBefore -= 1;
    endAfter -= 1;
  }
  return { start, endBefore, endAfter };
}

/**
 * Whether the blocks of two states of a text agree one by one in some respect, as they do while words are typed.
 * What depends on that respect alone can then be kept.
 */
export function blocksAgree(
  before: DocumentNode,
  after: DocumentNode,
  areAlike: (one: DocumentNode, other: DocumentNode) => boolean,
): boolean {
  if (before.childCount !== after.childCount) return false;
  const { start, endAfter } = changedBlocks(before, after);
  for (let index = start; index < endAfter; index += 1) {
    if (!areAlike(before.child(index), after.child(index))) return false;
  }
  return true;
}

/** Decorations that hang on that respect alone: moved along with the text while blocks agree in it, else made anew. */
export function decorationsAfter(
  transaction: Transaction,
  set: DecorationSet,
  areAlike: (one: DocumentNode, other: DocumentNode) => boolean,
  decorate: (doc: DocumentNode) => DecorationSet,
): DecorationSet {
  if (!transaction.docChanged) return set;
  // What comes from elsewhere replaces the whole text, and nothing could be moved along.
  const isReplaced = transaction.getMeta(ySyncPluginKey) !== undefined;
  return !isReplaced && blocksAgree(transaction.before, transaction.doc, areAlike)
    ? set.map(transaction.mapping, transaction.doc)
    : decorate(transaction.doc);
}
