import { Extension, type Editor } from '@tiptap/core';
import type { Node as DocumentNode } from '@tiptap/pm/model';
import { Plugin, PluginKey, Selection, type EditorState, type Transaction } from '@tiptap/pm/state';
import { Decoration, DecorationSet, type EditorView } from '@tiptap/pm/view';

/** Whole blocks that are chosen, from one to another; by their ids, so that nothing written elsewhere shifts them. */
export interface ChosenIds {
  anchorId: string;
  headId: string;
}

const key = new PluginKey<ChosenIds | null>('chosen');

/** The indexes of the first and the last block acted on: those chosen, else those the selection reaches into. */
export interface BlockRange {
  first: number;
  last: number;
}

/** The index after the last block beneath the block at `index`. */
export function endOfChildren(doc: DocumentNode, index: number): number {
  const depthOf = (each: number) => Number(doc.child(each).attrs.depth ?? 0);
  const depth = depthOf(index);
  let end = index + 1;
  while (end < doc.childCount && depthOf(end) > depth) end += 1;
  return end;
}

/** Blocks with all that stands beneath them: what is copied, cut, deleted or moved goes with its children. */
export function withChildren({ doc }: EditorState, { first, last }: BlockRange): BlockRange {
  let end = last + 1;
  for (let index = first; index <= last; index += 1) end = Math.max(end, endOfChildren(doc, index));
  return { first, last: end - 1 };
}

/** How many lines go when these are cut, deleted or moved. */
export function countOf(state: EditorState, range: BlockRange): number {
  const { first, last } = withChildren(state, range);
  return last - first + 1;
}

const indexOf = (state: EditorState, id: string): number => {
  let found = -1;
  state.doc.forEach((node, _position, index) => {
    if (node.attrs.id === id) found = index;
  });
  return found;
};

export const chosenIds = (state: EditorState): ChosenIds | null => key.getState(state) ?? null;

/** The blocks that are chosen as such; null while the cursor is in the text. */
export function chosenRange(state: EditorState): BlockRange | null {
  const chosen = chosenIds(state);
  if (!chosen) return null;
  const [anchor, head] = [indexOf(state, chosen.anchorId), indexOf(state, chosen.headId)];
  if (anchor < 0 && head < 0) return null;
  const ends = [anchor < 0 ? head : anchor, head < 0 ? anchor : head];
  return { first: Math.min(...ends), last: Math.max(...ends) };
}

export function actedRange(state: EditorState): BlockRange {
  const { $from, $to } = state.selection;
  const last = Math.min($to.index(0), state.doc.childCount - 1);
  return chosenRange(state) ?? { first: Math.min($from.index(0), last), last };
}

export const idsInRange = (state: EditorState, { first, last }: BlockRange): string[] =>
  Array.from({ length: last - first + 1 }, (_each, index) => String(state.doc.child(first + index).attrs.id));

/** Chooses the blocks between two indexes; the second is the one that is moved on with the keys. */
export function choose(state: EditorState, anchor: number, head: number): Transaction {
  const at = (index: number) =>
    String(state.doc.child(Math.max(0, Math.min(index, state.doc.childCount - 1))).attrs.id);
  return state.tr.setMeta(key, { anchorId: at(anchor), headId: at(head) }).setMeta('addToHistory', false);
}

export const chooseNone = (state: EditorState): Transaction =>
  state.tr.setMeta(key, null).setMeta('addToHistory', false);

/** The editor in which blocks are chosen: the letters that act out of text act on those. */
let active: { editor: Editor; pageId: string } | null = null;

/** What takes a key while lines are chosen. The text may still have the focus for a moment: nothing is typed then. */
const keyTakers = new WeakMap<Editor, (event: KeyboardEvent) => void>();
export const takeKeysOf = (editor: Editor, take: (event: KeyboardEvent) => void): void =>
  void keyTakers.set(editor, take);

export interface ChosenLines {
  editor: Editor;
  pageId: string;
  ids: string[];
}

export function chosenLines(): ChosenLines | null {
  if (!active || active.editor.isDestroyed) return null;
  const range = chosenRange(active.editor.state);
  return range ? { ...active, ids: idsInRange(active.editor.state, range) } : null;
}

/** Goes back from the chosen blocks into the text of the last of them. */
export function backIntoText(view: EditorView): void {
  const range = chosenRange(view.state);
  let transaction = chooseNone(view.state);
  if (range) {
    let end = 0;
    for (let index = 0; index <= range.last; index += 1) end += view.state.doc.child(index).nodeSize;
    transaction = transaction.setSelection(Selection.near(transaction.doc.resolve(end - 1), -1));
  }
  view.dispatch(transaction.scrollIntoView());
  view.focus();
}

export const Chosen = Extension.create<{ pageId: string }>({
  name: 'chosen',
  // Before every key of the text.
  priority: 3000,
  addOptions: () => ({ pageId: '' }),
  addProseMirrorPlugins() {
    const { editor } = this;
    const { pageId } = this.options;
    return [
      new Plugin<ChosenIds | null>({
        key,
        state: {
          init: () => null,
          apply: (transaction, value) => {
            const next = transaction.getMeta(key) as ChosenIds | null | undefined;
            return next === undefined ? value : next;
          },
        },
        view: () => ({
          update: (view, before) => {
            if (key.getState(view.state) === key.getState(before)) return;
            if (key.getState(view.state)) active = { editor, pageId };
            else if (active?.editor === editor) active = null;
          },
          destroy: () => {
            if (active?.editor === editor) active = null;
          },
        }),
        props: {
          decorations: (state) => {
            const chosen = chosenRange(state);
            if (!chosen) return null;
            const range = withChildren(state, chosen);
            const marks: Decoration[] = [];
            state.doc.forEach((node, position, index) => {
              if (index < range.first || index > range.last) return;
              marks.push(Decoration.node(position, position + node.nodeSize, { class: 'chosen' }));
            });
            return DecorationSet.create(state.doc, marks);
          },
          handleKeyDown: (view, event) => {
            const take = key.getState(view.state) ? keyTakers.get(editor) : undefined;
            take?.(event);
            return take !== undefined;
          },
          handleDOMEvents: {
            beforeinput: (view, event) => {
              if (!key.getState(view.state)) return false;
              event.preventDefault();
              return true;
            },
            focus: (view) => {
              if (key.getState(view.state)) view.dispatch(chooseNone(view.state));
              return false;
            },
          },
        },
      }),
    ];
  },
});
