import { Extension } from '@tiptap/core';
import { NodeSelection, Plugin, TextSelection } from '@tiptap/pm/state';
import { newId } from '@glossarion/core/document';

/** Typing while a picture, a file, a card or a rule is chosen writes a line after it: it is never typed over. */
export const KeptSolids = Extension.create({
  name: 'keptSolids',
  priority: 3000,
  addProseMirrorPlugins: () => [
    new Plugin({
      props: {
        handleTextInput: (view, _from, _to, text) => {
          const { state } = view;
          const { selection } = state;
          if (!(selection instanceof NodeSelection) || selection.node.isInline || selection.node.isTextblock)
            return false;
          const depth = Number(selection.node.attrs.depth ?? 0);
          const line = state.schema.nodes.block!.create({ id: newId(), depth }, state.schema.text(text));
          const transaction = state.tr.insert(selection.to, line);
          transaction.setSelection(TextSelection.create(transaction.doc, selection.to + 1 + text.length));
          view.dispatch(transaction.scrollIntoView());
          return true;
        },
      },
    }),
  ],
});
