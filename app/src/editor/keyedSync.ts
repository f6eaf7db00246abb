import { Extension } from '@tiptap/core';
import { Plugin } from '@tiptap/pm/state';
import { getRelativeSelection, ySyncPluginKey, type ProsemirrorBinding } from '@tiptap/y-tiptap';
import { writeBlocks, type BindingMemory } from '@glossarion/core/document';

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
