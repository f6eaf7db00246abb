import { Extension } from '@tiptap/core';
import { Plugin, PluginKey, TextSelection, type EditorState } from '@tiptap/pm/state';
import { Decoration, DecorationSet, type EditorView } from '@tiptap/pm/view';
import type { TypedQuery } from './typedQuery';

/** Words that are selected and to become a link, while its target is chosen. */
interface Marked {
  from: number;
  to: number;
}

const key = new PluginKey<Marked | null>('linkSelection');

/** The selected words, if they lie in one line of running text. */
function selectedWords(state: EditorState): Marked | null {
  const { $from, $to, empty, from, to } = state.selection;
  const isText = state.selection instanceof TextSelection && !empty && $from.sameParent($to);
  return isText && $from.parent.inlineContent && !$from.parent.type.spec.code ? { from, to } : null;
}

/** Begins to choose what the selected words link to; false when no words of one line are selected. */
function linkSelectedWords(view: EditorView): boolean {
  const marked = selectedWords(view.state);
  if (!marked) return false;
  view.dispatch(view.state.tr.setMeta(key, marked));
  return true;
}

/** Links the selected words; where none are, begins a link at the cursor. */
export function beginLink({ view }: { view: EditorView }): true {
  if (!linkSelectedWords(view)) {
    const { selection, tr } = view.state;
    view.dispatch(tr.insertText('[[', selection.from, selection.to));
  }
  return true;
}

/** Ends the choosing, whatever was chosen. */
export const endLinkSelection = (view: EditorView): void => view.dispatch(view.state.tr.setMeta(key, 'end'));

export interface LinkSelectionOptions {
  onChange: (query: TypedQuery | null) => void;
}

/**
 * Links selected words. The first opening bracket sets them in brackets, as editors do; the second takes the brackets
 * away again and asks for the page, so that two brackets link what is selected as they link what is typed.
 */
export const LinkSelection = Extension.create<LinkSelectionOptions>({
  name: 'linkSelection',
  priority: 1900,
  addOptions: () => ({ onChange: () => undefined }),
  addProseMirrorPlugins() {
    const { onChange } = this.options;
    return [
      new Plugin<Marked | null>({
        key,
        state: {
          init: () => null,
          apply: (transaction, marked) => {
            const meta = transaction.getMeta(key) as Marked | 'end' | undefined;
            if (meta === 'end') return null;
            if (meta) return meta;
            if (!marked || !transaction.docChanged) return marked;
            const from = transaction.mapping.map(marked.from, 1);
            const to = transaction.mapping.map(marked.to, -1);
            return from < to ? { from, to } : null;
          },
        },
        view: () => {
          let shown: Marked | null = null;
          return {
            update: (view) => {
              const marked = key.getState(view.state) ?? null;
              if (marked?.from === shown?.from && marked?.to === shown?.to) return;
              shown = marked;
              const typed = marked ? view.state.doc.textBetween(marked.from, marked.to) : '';
              onChange(marked && { ...marked, typed });
            },
            destroy: () => onChange(null),
          };
        },
        props: {
          decorations: (state) => {
            const marked = key.getState(state);
            if (!marked) return null;
            return DecorationSet.create(state.doc, [Decoration.inline(marked.from, marked.to, { class: 'to-link' })]);
          },
          handleTextInput: (view, from, to, text) => {
            if (text !== '[') return false;
            const { state } = view;
            const words = selectedWords(state);
            if (!words || words.from !== from || words.to !== to) return false;
            const { doc, tr } = state;
            const isBracketed = doc.textBetween(from - 1, from) === '[' && doc.textBetween(to, to + 1) === ']';
            if (isBracketed) {
              tr.delete(to, to + 1).delete(from - 1, from);
              view.dispatch(tr.setMeta(key, { from: from - 1, to: to - 1 }));
              return true;
            }
            tr.insertText(']', to).insertText('[', from);
            view.dispatch(tr.setSelection(TextSelection.create(tr.doc, from + 1, to + 1)));
            return true;
          },
        },
      }),
    ];
  },
});
