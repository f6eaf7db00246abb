import { Extension } from '@tiptap/core';
import { Plugin } from '@tiptap/pm/state';
import { getRelativeSelection, ySyncPluginKey, type ProsemirrorBinding } from '@tiptap/y-tiptap';
import { writeBlocks, type BindingMemory } from '@glossarion/core/document';

/**
 * Lets the selection go with the letters it stands between when something from elsewhere is taken in. The library
 * would put it back at its distance from the head of the line wherever the line's words differ, in the midst of other
 * words where these came before it; it does so only where that distance is known. Who writes in a line that is moved or
 * gone is followed by its id (stayInLine).
 */
function followLetters(binding: ProsemirrorBinding): void {
  let followed: object | null = binding.beforeTransactionSelection;
  Object.defineProperty(binding, 'beforeTransactionSelection', {
    configurable: true,
    get: () => followed,
    set: (next: object | null) => {
      followed = next && { ...next, absAnchor: undefined, absHead: undefined };
    },
  });
}

/** Lets the editor write its blocks by id (core/document/keyed) where the library would go by position and likeness. */
export const KeyedSync = Extension.create({
  name: 'keyedSync',
  // After the collaboration extension, whose binding has to be there.
  priority: 900,
  addProseMirrorPlugins() {
    return [
      new Plugin({
        view: (view) => {
          const { binding } = ySyncPluginKey.getState(view.state) as { binding: ProsemirrorBinding };
          followLetters(binding);
          binding._prosemirrorChanged = (doc) => {
            binding.doc.transact(() => {
              writeBlocks(binding.type, doc, binding as unknown as BindingMemory);
              binding.beforeTransactionSelection = getRelativeSelection(binding, view.state) as never;
            }, ySyncPluginKey);
          };
          return {};
        },
      }),
    ];
  },
});
