import { Extension, type Editor } from '@tiptap/core';
import { TextSelection, type EditorState, type Transaction } from '@tiptap/pm/state';
import { HIGHLIGHTS, newId, PLAIN, textAttributes } from '@glossarion/core/document';
import { announcePlace } from './announcePlace';
import { actedRange, choose } from './chosen';
import { isRightToLeft } from './direction';
import { textLook } from './kinds';
import { beginLink } from './linkSelection';
import { indent, moveLine, tick } from './outline';
import { stamp } from './stamp';

type Edit = (state: EditorState) => Transaction | null;

const run = (editor: Editor, edit: Edit): boolean => {
  const transaction = edit(editor.state);
  if (transaction) editor.view.dispatch(transaction);
  return transaction !== null;
};

/** The kind of the line that begins after one of a kind, with what a new one says of itself. */
const afterKind = (kind: unknown): Record<string, unknown> =>
  textAttributes(textLook(kind).goesOn ? String(kind) : PLAIN);

/** Enter: a new line after, of the kind that goes on; an empty item steps out instead. */
export const newLine: Edit = (state) => {
  const { $from } = state.selection;
  const node = $from.parent;
  if (node.type.spec.code && state.selection.empty) return leaveCode(state) ?? codeLine(state);
  if (node.type.name !== 'block') return null;
  if ($from.depth !== 1) return enterInCell(state);
  const { kind, depth } = node.attrs as { kind: string; depth: number };
  if (state.selection.empty && node.content.size === 0 && (kind !== PLAIN || depth > 0)) {
    return depth > 0 ? indent(state, -1) : turnAt(state, $from.before(), textAttributes(PLAIN));
  }
  if (kind === PLAIN && state.selection.empty && node.textContent === '---') {
    const position = $from.before();
    const divider = state.schema.nodes.divider!.create({ id: newId(), depth });
    const transaction = state.tr.delete($from.start(), $from.end()).insert(position, divider);
    return transaction.setNodeAttribute(position + 1, 'kind', PLAIN).scrollIntoView();
  }
  const after = { id: newId(), depth, formerIds: null, kept: null, ...afterKind(kind) };
  if (state.selection.empty && $from.parentOffset === 0 && node.content.size > 0) {
    // At the start of a line the words keep their block, and an empty line goes before them.
    const empty = node.type.create({ ...after, ...textAttributes(kind === 'heading' ? PLAIN : kind) });
    return state.tr.insert($from.before(), empty).scrollIntoView();
  }
  const next = state.doc.maybeChild($from.index(0) + 1);
  if (state.selection.$to.parentOffset === state.selection.$to.parent.content.size && next) {
    const nextDepth = Number(next.attrs.depth ?? 0);
    if (nextDepth > depth && next.type.name === 'block') {
      after.depth = nextDepth;
      Object.assign(after, afterKind(next.attrs.kind));
    }
  }
  const transaction = state.tr.deleteSelection();
  transaction.split(transaction.mapping.map($from.pos), 1, [{ type: node.type, attrs: after }]);
  return transaction.scrollIntoView();
};

/** Two line ends in a row at the end of a listing step out of it. */
function leaveCode(state: EditorState): Transaction | null {
  const { $from } = state.selection;
  const { parent } = $from;
  if ($from.parentOffset !== parent.content.size || !parent.textContent.endsWith('\n')) return null;
  const transaction = state.tr.delete($from.pos - 1, $from.pos);
  const after = transaction.mapping.map($from.after());
  const line = state.schema.nodes.block!.create({ id: newId(), depth: Number(parent.attrs.depth) });
  transaction.insert(after, line);
  return transaction.setSelection(TextSelection.create(transaction.doc, after + 1)).scrollIntoView();
}

/** A new line of a listing begins as far in as the one before. */
function codeLine(state: EditorState): Transaction {
  const { $from } = state.selection;
  const before = $from.parent.textBetween(0, $from.parentOffset);
  const indentation = /[ \t]*$/u.exec(/(?:^|\n)([ \t]*)[^\n]*$/u.exec(before)?.[1] ?? '')?.[0] ?? '';
  return state.tr.insertText(`\n${indentation}`).scrollIntoView();
}

/** A line more in a cell; to-dos and items go on. */
function enterInCell(state: EditorState): Transaction {
  const { $from } = state.selection;
  const { kind } = $from.parent.attrs as { kind: string };
  const attrs = { id: newId(), ...afterKind($from.parent.content.size > 0 ? kind : PLAIN) };
  const transaction = state.tr.deleteSelection();
  return transaction
    .split(transaction.mapping.map($from.pos), 1, [{ type: $from.parent.type, attrs }])
    .scrollIntoView();
}

const turnAt = (state: EditorState, position: number, changes: Record<string, unknown>): Transaction => {
  const node = state.doc.nodeAt(position)!;
  return state.tr.setNodeMarkup(position, undefined, { ...node.attrs, ...changes });
};

/** Backspace at the start of a line: first it loses its kind, then its depth, then it joins the line before. */
const backspace: Edit = (state) => {
  const { $from, empty } = state.selection;
  const node = $from.parent;
  if (!empty || $from.parentOffset > 0 || node.type.name !== 'block' || $from.depth !== 1) return null;
  if (node.attrs.kind !== PLAIN) {
    return turnAt(state, $from.before(), textAttributes(PLAIN));
  }
  if (Number(node.attrs.depth) > 0) return indent(state, -1);
  return joinAt(state, $from.before());
};

const forwardDelete: Edit = (state) => {
  const { $from, empty } = state.selection;
  const node = $from.parent;
  if (!empty || $from.depth !== 1 || $from.parentOffset < node.content.size || node.type.name !== 'block') return null;
  return joinAt(state, $from.after());
};

/** Joins the blocks on both sides of a position; a divider there is taken out. An empty block before simply goes. */
function joinAt(state: EditorState, position: number): Transaction | null {
  const { nodeBefore, nodeAfter } = state.doc.resolve(position);
  if (!nodeBefore || !nodeAfter) return null;
  if (nodeBefore.type.name === 'divider') return state.tr.delete(position - nodeBefore.nodeSize, position);
  if (nodeAfter.type.name === 'divider') return state.tr.delete(position, position + nodeAfter.nodeSize);
  if (nodeBefore.type.name !== 'block' || nodeAfter.type.name !== 'block') return null;
  if (nodeBefore.content.size === 0) return state.tr.delete(position - nodeBefore.nodeSize, position);
  return state.tr.join(position).scrollIntoView();
}

/** Highlights in the first pigment, then in the next each time, and after the last in none. */
function nextHighlight(editor: Editor): boolean {
  const present = editor.isActive('highlight') ? (editor.getAttributes('highlight').pigment as string) : null;
  const next = HIGHLIGHTS[present === null ? 0 : HIGHLIGHTS.indexOf(present as (typeof HIGHLIGHTS)[number]) + 1];
  return next ? editor.commands.setMark('highlight', { pigment: next }) : editor.commands.unsetMark('highlight');
}

/** Which way an arrow to the right moves: in a text that runs from right to left, out. */
const inwards = ({ view }: Editor): 1 | -1 => (isRightToLeft(view) ? -1 : 1);

/** The keyboard of a page: lines, their depth and their order. */
export const BlockKeys = Extension.create({
  name: 'blockKeys',
  priority: 500,
  /** Opens the tools of what has the cursor; what stands around the text says how. */
  addStorage: () => ({ openTools: () => false }),
  addKeyboardShortcuts() {
    const edit = (each: Edit) => () => run(this.editor, each);
    const moves = (each: Edit) => () => {
      run(this.editor, each);
      announcePlace(this.editor.state);
      return true;
    };
    return {
      Enter: edit(newLine),
      'Shift-Enter': () => this.editor.commands.insertContent({ type: 'hardBreak' }),
      Backspace: edit(backspace),
      'Shift-Backspace': edit(backspace),
      Delete: edit(forwardDelete),
      Tab: moves((state) => indent(state, 1)),
      'Shift-Tab': moves((state) => indent(state, -1)),
      'Alt-ArrowUp': moves((state) => moveLine(state, -1)),
      'Alt-ArrowDown': moves((state) => moveLine(state, 1)),
      'Alt-Shift-ArrowRight': moves((state) => indent(state, inwards(this.editor))),
      'Alt-Shift-ArrowLeft': moves((state) => indent(state, inwards(this.editor) === 1 ? -1 : 1)),
      'Alt-Enter': () => this.storage.openTools() as boolean,
      'Mod-Enter': edit(tick),
      'Mod-Shift-Enter': edit(stamp),
      'Mod-b': () => this.editor.commands.toggleMark('bold'),
      'Mod-i': () => this.editor.commands.toggleMark('italic'),
      'Mod-u': () => this.editor.commands.toggleMark('underline'),
      'Mod-e': () => this.editor.commands.toggleMark('code'),
      'Mod-Shift-h': () => nextHighlight(this.editor),
      'Mod-k': () => beginLink(this.editor),
      'Mod-a': () => this.editor.commands.selectAll(),
      'Mod-Shift-x': () => this.editor.commands.toggleMark('strike'),
      Escape: () => {
        const { state, view } = this.editor;
        const { first, last } = actedRange(state);
        view.dispatch(choose(state, first, last));
        return true;
      },
    };
  },
});
