import { Extension } from '@tiptap/core';
import type { Node as DocumentNode } from '@tiptap/pm/model';
import { Plugin, PluginKey } from '@tiptap/pm/state';
import { Decoration, DecorationSet } from '@tiptap/pm/view';
import { toldLevels } from '@glossarion/core/document';
import { decorationsAfter } from './changedBlocks';

const isHeading = (node: DocumentNode): boolean => node.attrs.kind === 'heading';
const levelOf = (node: DocumentNode): number => Number(node.attrs.level ?? 2);

function decorate(doc: DocumentNode): DecorationSet {
  const levels: number[] = [];
  doc.forEach((node) => isHeading(node) && levels.push(levelOf(node)));
  if (levels.length === 0) return DecorationSet.empty;
  const told = toldLevels(levels);
  const shown: Decoration[] = [];
  doc.forEach((node, position) => {
    if (!isHeading(node)) return;
    shown.push(Decoration.node(position, position + node.nodeSize, { 'aria-level': String(told.get(levelOf(node))) }));
  });
  return DecorationSet.create(doc, shown);
}

const isAlike = (one: DocumentNode, other: DocumentNode): boolean =>
  one.attrs.kind === other.attrs.kind && one.attrs.level === other.attrs.level;

const key = new PluginKey<DecorationSet>('headingLevels');

/** Tells a screen reader the levels of headings, as they follow each other on this page. */
export const HeadingLevels = Extension.create({
  name: 'headingLevels',
  addProseMirrorPlugins: () => [
    new Plugin<DecorationSet>({
      key,
      state: {
        init: (_config, { doc }) => decorate(doc),
        apply: (transaction, set) => decorationsAfter(transaction, set, isAlike, decorate),
      },
      props: { decorations: (state) => key.getState(state) },
    }),
  ],
});
