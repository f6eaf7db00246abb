import { Extension } from '@tiptap/core';
import type { Node as DocumentNode } from '@tiptap/pm/model';
import { Plugin, PluginKey } from '@tiptap/pm/state';
import { Decoration, DecorationSet } from '@tiptap/pm/view';
import { decorationsAfter } from './changedBlocks';

/** The blocks that stand beneath something folded. */
function foldedAway(doc: DocumentNode): { position: number; size: number }[] {
  const hidden: { position: number; size: number }[] = [];
  let foldedAt: number | null = null;
  doc.forEach((node, position) => {
    const depth = Number(node.attrs.depth ?? 0);
    if (foldedAt !== null && depth <= foldedAt) foldedAt = null;
    if (foldedAt !== null) hidden.push({ position, size: node.nodeSize });
    else if (node.attrs.kind === 'fold' && node.attrs.folded === true) foldedAt = depth;
  });
  return hidden;
}

const decorate = (doc: DocumentNode): DecorationSet => {
  const hidden = foldedAway(doc);
  if (hidden.length === 0) return DecorationSet.empty;
  return DecorationSet.create(
    doc,
    hidden.map(({ position, size }) => Decoration.node(position, position + size, { class: 'folded-away' })),
  );
};

const key = new PluginKey<DecorationSet>('folds');

const foldAlike = (one: DocumentNode, other: DocumentNode): boolean =>
  one.attrs.depth === other.attrs.depth &&
  one.attrs.kind === other.attrs.kind &&
  one.attrs.folded === other.attrs.folded;

/** Hides what stands beneath a folded block, and opens it when the cursor comes there. */
export const Folds = Extension.create({
  name: 'folds',
  addProseMirrorPlugins() {
    return [
      new Plugin<DecorationSet>({
        key,
        state: {
          init: (_config, { doc }) => decorate(doc),
          apply: (transaction, set) => decorationsAfter(transaction, set, foldAlike, decorate),
        },
        props: {
          decorations: (state) => key.getState(state),
        },
        appendTransaction: (transactions, _before, after) => {
          if (!transactions.some((each) => each.selectionSet) || key.getState(after) === DecorationSet.empty)
            return null;
          const { doc, selection, tr } = after;
          const at = selection.$head.index(0);
          if (
            at >= doc.childCount ||
            !foldedAway(doc).some(({ position, size }) => position < selection.head && selection.head < position + size)
          ) {
            return null;
          }
          let depth = Number(doc.child(at).attrs.depth ?? 0);
          for (let index = at - 1; index >= 0 && depth > 0; index -= 1) {
            const node = doc.child(index);
            if (Number(node.attrs.depth ?? 0) >= depth) continue;
            depth = Number(node.attrs.depth ?? 0);
            let position = 0;
            for (let each = 0; each < index; each += 1) position += doc.child(each).nodeSize;
            if (node.attrs.folded === true) tr.setNodeAttribute(position, 'folded', false);
          }
          return tr.docChanged ? tr : null;
        },
      }),
    ];
  },
});
