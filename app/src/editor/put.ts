import type { Editor } from '@tiptap/core';
import { Fragment } from '@tiptap/pm/model';
import { TextSelection } from '@tiptap/pm/state';
import { block, type NodeJson } from '@glossarion/core/document';

/**
 * Puts blocks on the page: in place of the empty line with the cursor, else after the block with it. The cursor goes
 * after them; a page does not end with a block that can't be written in.
 *
 * @param at a position between two blocks, instead of the cursor's
 * @returns the position after what was put
 */
export function putBlocksAt(editor: Editor, nodes: readonly NodeJson[], at?: number): number {
  const { state, schema } = editor;
  const { $from } = state.selection;
  const made = nodes.map((node) => schema.nodeFromJSON(node));
  const line = $from.depth > 0 ? $from.node(1) : null;
  const isReplacing = at === undefined && line?.type.name === 'block' && line.content.size === 0;
  const depth = Number(line?.attrs.depth ?? 0);
  const placed = made.map((node) =>
    at === undefined && depth > 0
      ? node.type.create({ ...node.attrs, depth: Number(node.attrs.depth ?? 0) + depth }, node.content)
      : node,
  );
  const from = at ?? (line ? (isReplacing ? $from.before(1) : $from.after(1)) : state.selection.to);
  const to = isReplacing ? $from.after(1) : from;
  const isLast = to === state.doc.content.size;
  const last = placed.at(-1)!;
  const after = isLast && last.type.name !== 'block' ? [schema.nodeFromJSON(block('paragraph', [], { depth }))] : [];
  const fragment = Fragment.from([...placed, ...after]);
  const transaction = state.tr.replaceWith(from, to, fragment);
  const end = from + placed.reduce((size, node) => size + node.nodeSize, 0);
  // Into what is to be written in, else after it.
  const inside = placed[0]!.isAtom ? Math.min(end + 1, transaction.doc.content.size) : from + 1;
  transaction.setSelection(TextSelection.near(transaction.doc.resolve(inside)));
  editor.view.dispatch(transaction.scrollIntoView());
  if (at === undefined) editor.view.focus();
  return end;
}

/** Puts one block where the cursor is. */
export const putBlock = (editor: Editor, node: NodeJson): void => void putBlocksAt(editor, [node]);
