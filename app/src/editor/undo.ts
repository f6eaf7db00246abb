import { Extension } from '@tiptap/core';
import { ySyncPluginKey, yUndoPluginKey } from '@tiptap/y-tiptap';
import { Plugin, type EditorState } from '@tiptap/pm/state';
import type * as Y from 'yjs';
import { doAgain, takeBack } from '../state/deeds';
import { store } from '../state/store';

/** Said of a transaction that is taken back by itself, however soon it follows what was typed. */
export const OWN_STEP = 'ownStep';

/** What follows is taken back by itself: it is written into the document once the transaction was applied. */
function endStep(state: EditorState): void {
  const { undoManager } = yUndoPluginKey.getState(state) as { undoManager: Y.UndoManager };
  undoManager.stopCapturing();
  queueMicrotask(() => undoManager.stopCapturing());
}

/**
 * Undo takes back what was done last, be it typed in the text or a deed of the server’s such as lifting lines to a
 * page: whoever takes back what was done last in the text means acts that change the lines of a page too. What is typed is this window’s own; what others write meanwhile stays.
 */
export const Undo = Extension.create({
  name: 'undo',
  // Before the keys of the collaboration extension.
  priority: 1100,
  addStorage: () => ({ writtenAt: 0 }),
  addKeyboardShortcuts() {
    const writtenAt = () => (this.storage as { writtenAt: number }).writtenAt;
    const undo = () => {
      const deed = store.getState().view.deeds.at(-1);
      // What was done in an earlier visit is taken back out of the text, where it is seen.
      if (!deed || !deed.bringsText || deed.at < Math.max(writtenAt(), performance.timeOrigin)) return false;
      void takeBack();
      return true;
    };
    const redo = () => {
      const deed = store.getState().view.undone.at(-1);
      const { undoManager } = yUndoPluginKey.getState(this.editor.state) as { undoManager: Y.UndoManager };
      if (!deed || !deed.bringsText || undoManager.redoStack.length > 0) return false;
      void doAgain();
      return true;
    };
    return { 'Mod-z': undo, 'Mod-y': redo, 'Shift-Mod-z': redo };
  },
  addProseMirrorPlugins() {
    const { storage } = this as unknown as { storage: { writtenAt: number } };
    return [
      new Plugin({
        state: {
          init: () => null,
          apply: (transaction, _value, before) => {
            if (transaction.getMeta(OWN_STEP)) endStep(before);
            const isOwn = !(transaction.getMeta(ySyncPluginKey) as { isChangeOrigin?: boolean } | undefined)
              ?.isChangeOrigin;
            if (transaction.docChanged && isOwn) storage.writtenAt = Date.now();
            return null;
          },
        },
      }),
    ];
  },
});
