import { EditorState } from '@tiptap/pm/state';
import { Decoration, DecorationSet } from '@tiptap/pm/view';
import { block, schema } from '@glossarion/core/document';
import { blocksAgree, changedBlocks, decorationsAfter } from './changedBlocks';

const stateOf = (...lines: string[]) =>
  EditorState.create({
    doc: schema.nodeFromJSON({ type: 'doc', content: lines.map((line) => block('paragraph', line)) }),
  });
const marks = (doc: EditorState['doc']) => {
  const found: Decoration[] = [];
  doc.forEach((node, position) => {
    if (node.textContent.startsWith('!'))
      found.push(Decoration.node(position, position + node.nodeSize, { class: 'loud' }));
  });
  return DecorationSet.create(doc, found);
};
const isLoud = (text: string) => text.startsWith('!');
const placesOf = (set: DecorationSet) => set.find().map(({ from, to }) => [from, to]);

describe('what changed between two states of a text', () => {
  it('is the one line that was written in', () => {
    const state = stateOf('gate', 'sill', 'leaf');
    const { doc } = state.tr.insertText('s', 7);
    expect(changedBlocks(state.doc, doc)).toEqual({ start: 1, endBefore: 2, endAfter: 2 });
    expect(changedBlocks(doc, doc)).toEqual({ start: 3, endBefore: 3, endAfter: 3 });
  });

  it('is what was taken out, and what was put in', () => {
    const state = stateOf('gate', 'sill', 'leaf');
    expect(changedBlocks(state.doc, state.tr.delete(6, 12).doc)).toEqual({ start: 1, endBefore: 2, endAfter: 1 });
    const added = state.tr.insert(0, schema.nodeFromJSON(block('paragraph', 'pool'))).doc;
    expect(changedBlocks(state.doc, added)).toEqual({ start: 0, endBefore: 0, endAfter: 1 });
  });

  it('agrees where the changed lines agree, and never when there are more or fewer', () => {
    const state = stateOf('gate', 'sill');
    const sameId = (one: EditorState['doc'], other: EditorState['doc']) => one.attrs.id === other.attrs.id;
    expect(blocksAgree(state.doc, state.tr.insertText('x', 1).doc, sameId)).toBe(true);
    expect(blocksAgree(state.doc, state.tr.setNodeAttribute(0, 'id', 'other').doc, sameId)).toBe(false);
    expect(blocksAgree(state.doc, state.tr.delete(0, 6).doc, sameId)).toBe(false);
  });

  it('moves decorations along with what is written, and makes them anew when what they hang on changed', () => {
    const state = stateOf('gate', '!sill', 'leaf');
    const before = marks(state.doc);
    const areAlike = (one: EditorState['doc'], other: EditorState['doc']) =>
      isLoud(one.textContent) === isLoud(other.textContent);
    for (const transaction of [
      state.tr.insertText('the ', 1),
      state.tr.insertText('sound ', 9),
      state.tr.insertText('!', 14),
      state.tr.delete(0, 6),
      // As it comes from another window: all of the text is put in anew.
      state.tr.replaceWith(0, state.doc.content.size, state.doc.content).setMeta('y-sync$', {}),
    ]) {
      const after = decorationsAfter(transaction, before, areAlike, marks);
      expect(placesOf(after)).toEqual(placesOf(marks(transaction.doc)));
      expect(placesOf(after).length).toBeGreaterThan(0);
    }
  });
});
