import { Extension } from '@tiptap/core';
import { Plugin, type EditorState, type Transaction } from '@tiptap/pm/state';
import { ySyncPluginKey } from '@tiptap/y-tiptap';
import { wordsBetween, writingPlace } from './stayInLine';

const isFromElsewhere = (transaction: Transaction): boolean => {
  const sync = transaction.getMeta(ySyncPluginKey) as
    { isChangeOrigin?: boolean; isUndoRedoOperation?: boolean } | undefined;
  return sync?.isChangeOrigin === true && !sync.isUndoRedoOperation;
};

const wordsBefore = ({ selection: { $head } }: EditorState): string =>
  wordsBetween($head.parent, 0, $head.parentOffset);

/** Whether the cursor is where it was, in the same line: nothing was typed, and nobody went anywhere. */
function standsStill(before: EditorState, after: EditorState, transactions: readonly Transaction[]): boolean {
  const line = writingPlace(before)?.node.attrs.id as string | undefined;
  if (!line || writingPlace(after)?.node.attrs.id !== line) return false;
  const changes = transactions.filter(({ docChanged }) => docChanged);
  return changes.every(isFromElsewhere) || wordsBefore(before) === wordsBefore(after);
}

/**
 * A style that was chosen for what is typed next is forgotten by the editor at any change. It must outlast those that
 * the person did not make there: another window's, and ids that the server gives to what was just written.
 */
export const KeptStyle = Extension.create({
  name: 'keptStyle',
  addProseMirrorPlugins() {
    return [
      new Plugin({
        appendTransaction(transactions, before, after) {
          if (!before.storedMarks || after.storedMarks || !after.selection.empty) return null;
          const isForgotten = transactions.some(({ docChanged }) => docChanged);
          if (!isForgotten || !standsStill(before, after, transactions)) return null;
          return after.tr.setStoredMarks(before.storedMarks);
        },
      }),
    ];
  },
});
