import { getExtensionField } from '@tiptap/core';
import { EditorState, TextSelection, type Transaction } from '@tiptap/pm/state';
import { ySyncPluginKey } from '@tiptap/y-tiptap';
import { block, schema } from '@glossarion/core/document';
import { KeptStyle } from './keptStyle';

const plugins = (getExtensionField(KeptStyle, 'addProseMirrorPlugins') as () => [])();

const italic = schema.marks.italic!;

/** Somebody at the end of the first line who chose italic for what is typed next. */
const leaning = (): EditorState => {
  const doc = schema.nodeFromJSON({
    type: 'doc',
    content: [block('paragraph', 'alpha beam'), block('paragraph', 'bravo gear')],
  });
  const state = EditorState.create({ doc, plugins });
  return state.apply(state.tr.setSelection(TextSelection.create(doc, 11)).addStoredMark(italic.create()));
};

const elsewhere = (transaction: Transaction) => transaction.setMeta(ySyncPluginKey, { isChangeOrigin: true });

/** What of the line leans once "!" was typed at the cursor. */
const typedOn = (state: EditorState): string => {
  const { $from } = state.selection;
  const marks = state.storedMarks ?? $from.marks();
  const after = state.apply(state.tr.insert($from.pos, schema.text('!', marks)));
  const found: string[] = [];
  after.doc.descendants((node) => void (italic.isInSet(node.marks) && found.push(node.text ?? '')));
  return found.join();
};

test('X3 a chosen style outlasts changes of another window in another line and in the same one', () => {
  const state = leaning();
  expect(typedOn(state.apply(elsewhere(state.tr.insert(14, schema.text('the ')))))).toBe('!');
  expect(typedOn(state.apply(elsewhere(state.tr.insert(1, schema.text('the ')))))).toBe('!');
});

test('X3 it outlasts what the editor itself changes elsewhere, as an attribute of a line', () => {
  const state = leaning();
  expect(typedOn(state.apply(state.tr.setNodeAttribute(0, 'depth', 1)))).toBe('!');
});

test('X3 it ends with what is typed in the line, and with a cursor that goes to another line', () => {
  const state = leaning();
  expect(typedOn(state.apply(state.tr.insert(11, schema.text('s'))))).toBe('');
  expect(typedOn(state.apply(state.tr.setSelection(TextSelection.create(state.doc, 14))))).toBe('');
  const gone = elsewhere(state.tr.delete(0, state.doc.firstChild!.nodeSize));
  expect(typedOn(state.apply(gone))).toBe('');
});
