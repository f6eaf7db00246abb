import { Extension } from '@tiptap/core';
import type { Node as DocumentNode } from '@tiptap/pm/model';
import { Plugin } from '@tiptap/pm/state';
import { Decoration, DecorationSet } from '@tiptap/pm/view';
import { elementIdOf } from '../screen/blockPlace';
import { isItem } from './blockView';
import { decorationsAfter } from './changedBlocks';

/** Runs of items that stand together, as a reader takes them for one list. */
function runsOfItems(doc: DocumentNode): { position: number; ids: string[] }[] {
  const runs: { position: number; ids: string[] }[] = [];
  let run: { position: number; ids: string[] } | null = null;
  doc.forEach((node, position) => {
    if (!isItem(node) || !node.attrs.id) {
      run = null;
      return;
    }
    if (!run) runs.push((run = { position, ids: [] }));
    run.ids.push(String(node.attrs.id));
  });
  return runs;
}

function listElement(ids: string[]): HTMLElement {
  const list = document.createElement('div');
  list.className = 'list-owner';
  list.setAttribute('role', 'list');
  list.setAttribute('aria-owns', ids.map((id) => elementIdOf(id)).join(' '));
  list.contentEditable = 'false';
  return list;
}

const areSameItems = (one: DocumentNode, other: DocumentNode): boolean =>
  one.attrs.id === other.attrs.id && isItem(one) === isItem(other);

/** Items are flat in the document; to a screen reader each run of them is owned by one list. */
export const Lists = Extension.create({
  name: 'lists',
  addProseMirrorPlugins() {
    return [
      new Plugin<DecorationSet>({
        state: {
          init: (_config, { doc }) => decorate(doc),
          apply: (transaction, set) => decorationsAfter(transaction, set, areSameItems, decorate),
        },
        props: {
          decorations(state) {
            return this.getState(state);
          },
        },
      }),
    ];
  },
});

const decorate = (doc: DocumentNode): DecorationSet =>
  DecorationSet.create(
    doc,
    runsOfItems(doc).map(({ position, ids }) =>
      Decoration.widget(position, () => listElement(ids), { side: -1, key: ids.join(), ignoreSelection: true }),
    ),
  );
