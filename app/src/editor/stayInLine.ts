import { Extension } from '@tiptap/core';
import type { Node as DocumentNode } from '@tiptap/pm/model';
import { Plugin, TextSelection, type EditorState, type Transaction } from '@tiptap/pm/state';
import { ySyncPluginKey } from '@tiptap/y-tiptap';
import type { PageDocument, Source } from '../documents/pageDocument';

/** Whoever typed in a line so lately, in milliseconds, is in the middle of it, whatever becomes of it elsewhere. */
const IN_THE_MIDDLE = 20_000;

/** Where somebody writes: the line, the cursor within it, and the ids of the lines before it, nearest first. */
export interface WritingPlace {
  node: DocumentNode;
  offset: number;
  before: string[];
}

const idOf = (node: DocumentNode): string => String(node.attrs.id ?? '');

/** The line that holds the cursor; null where a selection is more than a cursor, or is in no line. */
export function writingPlace({ doc, selection }: EditorState): WritingPlace | null {
  const { $head, empty } = selection;
  if (!empty || $head.depth === 0) return null;
  const before: string[] = [];
  for (let index = $head.index(0) - 1; index >= 0; index -= 1) before.push(idOf(doc.child(index)));
  return { node: $head.node(1), offset: $head.pos - $head.start(1), before };
}

/** The place right before the first line for which `isWanted` holds. */
function findLine(doc: DocumentNode, isWanted: (node: DocumentNode) => boolean): number | null {
  let found: number | null = null;
  doc.forEach((node, offset) => {
    if (found === null && isWanted(node)) found = offset;
  });
  return found;
}

const setCursor = (transaction: Transaction, position: number): Transaction =>
  transaction.setSelection(
    TextSelection.near(transaction.doc.resolve(Math.min(position, transaction.doc.content.size))),
  );

/**
 * Lets whoever writes go on in the same line after something from elsewhere was taken in: where the line stands now,
 * else where its words were joined to, else, when `isKept`, in the line itself, which stands again and says why.
 * Null when the cursor is in its line already, or when the line is gone and is not to be kept.
 */
export function goOnInLine(state: EditorState, place: WritingPlace, isKept: boolean): Transaction | null {
  const { node, offset, before } = place;
  const { doc, tr, schema } = state;
  const id = idOf(node);
  const { $head } = state.selection;
  if (id === '' || ($head.depth > 0 && idOf($head.node(1)) === id)) return null;
  const standing = findLine(doc, (each) => idOf(each) === id);
  if (standing !== null) {
    return setCursor(tr, standing + 1 + Math.min(offset, doc.nodeAt(standing)!.content.size));
  }
  const joined = findLine(doc, (each) =>
    String(each.attrs.formerIds ?? '')
      .split(' ')
      .includes(id),
  );
  if (joined !== null) {
    const line = doc.nodeAt(joined)!;
    const at = line.textContent.lastIndexOf(node.textContent);
    return setCursor(tr, joined + 1 + (at < 0 ? line.content.size : Math.min(at + offset, line.content.size)));
  }
  if (!isKept) return null;
  const placeOf = new Map<string, number>();
  doc.forEach((line, at) => void placeOf.set(idOf(line), at));
  const above = before.map((each) => placeOf.get(each)).find((at) => at !== undefined) ?? null;
  const at = above === null ? 0 : above + doc.nodeAt(above)!.nodeSize;
  const attrs = node.type === schema.nodes.block ? { ...node.attrs, kept: true } : node.attrs;
  // A page that lost its only line was given an empty one.
  const isAlone = doc.childCount === 1 && doc.firstChild!.type === schema.nodes.block && doc.textContent === '';
  tr.replaceWith(at, isAlone ? doc.content.size : at, node.type.create(attrs, node.content, node.marks));
  return setCursor(tr, at + 1 + offset).setMeta('addToHistory', false);
}

/**
 * When another window deletes the line that somebody writes in, the rest of the sentence must not land in the next
 * one: the line is kept. What the server moves away, as when it is lifted to a page of its own, goes.
 */
export const StayInLine = Extension.create<{ page: PageDocument | null }>({
  name: 'stayInLine',
  addOptions: () => ({ page: null }),
  addProseMirrorPlugins() {
    const { page } = this.options;
    let typed: { id: string; at: number } | null = null;
    return [
      new Plugin({
        state: {
          init: () => null,
          apply: (transaction, _value, _before, { selection: { $head } }) => {
            const isOwn = !(transaction.getMeta(ySyncPluginKey) as { isChangeOrigin?: boolean } | undefined)
              ?.isChangeOrigin;
            if (transaction.docChanged && isOwn && $head.depth > 0) typed = { id: idOf($head.node(1)), at: Date.now() };
            return null;
          },
        },
        view: (view) => {
          let place: WritingPlace | null = null;
          const before = () => (place = view.hasFocus() ? writingPlace(view.state) : null);
          const after = (source: Source) => {
            if (!place || view.isDestroyed) return;
            const isTyping = typed?.id === idOf(place.node) && Date.now() - typed.at < IN_THE_MIDDLE;
            const transaction = goOnInLine(view.state, place, isTyping && source === 'window');
            if (transaction) view.dispatch(transaction);
          };
          page?.beforeTakingIn.add(before);
          page?.afterTakingIn.add(after);
          return {
            destroy: () => {
              page?.beforeTakingIn.delete(before);
              page?.afterTakingIn.delete(after);
            },
          };
        },
      }),
    ];
  },
});
