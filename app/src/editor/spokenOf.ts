import { Extension, type Editor } from '@tiptap/core';
import type { Node as DocumentNode } from '@tiptap/pm/model';
import { Plugin, PluginKey } from '@tiptap/pm/state';
import { Decoration, DecorationSet } from '@tiptap/pm/view';
import { decorationsAfter } from './changedBlocks';

/** By the ids of lines, the id of the element that holds what speaks of each. */
export type SpokenOf = ReadonlyMap<string, string>;

interface Spoken {
  by: SpokenOf;
  decorations: DecorationSet;
}

const key = new PluginKey<Spoken>('spokenOf');
const NOBODY: SpokenOf = new Map();

const isSameLine = (one: DocumentNode, other: DocumentNode): boolean => one.attrs.id === other.attrs.id;

function decorated(doc: DocumentNode, by: SpokenOf): DecorationSet {
  if (by.size === 0) return DecorationSet.empty;
  const found: Decoration[] = [];
  doc.forEach((node, offset) => {
    const details = by.get(String(node.attrs.id));
    if (details) found.push(Decoration.node(offset, offset + node.nodeSize, { 'aria-details': details }));
  });
  return DecorationSet.create(doc, found);
}

/** Lines that are spoken of say so, and lead there (aria-details, WAI-ARIA 1.2). */
export const SpokenOfLines = Extension.create({
  name: 'spokenOf',
  addProseMirrorPlugins: () => [
    new Plugin<Spoken>({
      key,
      state: {
        init: () => ({ by: NOBODY, decorations: DecorationSet.empty }),
        apply: (transaction, before) => {
          const by = (transaction.getMeta(key) as SpokenOf | undefined) ?? before.by;
          if (by !== before.by) return { by, decorations: decorated(transaction.doc, by) };
          const decorations = decorationsAfter(transaction, before.decorations, isSameLine, (doc) =>
            decorated(doc, by),
          );
          return decorations === before.decorations ? before : { by, decorations };
        },
      },
      props: { decorations: (state) => key.getState(state)?.decorations },
    }),
  ],
});

/** Says of which lines something speaks. */
export function tellSpokenOf(editor: Editor, by: SpokenOf = NOBODY): void {
  if (key.getState(editor.state)?.by === by) return;
  editor.view.dispatch(editor.state.tr.setMeta(key, by).setMeta('addToHistory', false));
}
