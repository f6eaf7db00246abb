import { EditorState, TextSelection } from '@tiptap/pm/state';
import { block, schema, type NodeJson } from '@glossarion/core/document';
import { goOnInLine, writingPlace } from './stayInLine';

const [alpha, bravo, charlie] = ['alpha beam', 'bravo gear', 'charlie pin'].map((words) => block('paragraph', words));

const page = (...content: NodeJson[]): EditorState =>
  EditorState.create({ doc: schema.nodeFromJSON({ type: 'doc', content }) });

/** Somebody who writes after the word "gear". */
const writing = (() => {
  const state = page(alpha!, bravo!, charlie!);
  const at = 'alpha beam'.length + 2 + 1 + 'bravo gear'.length;
  return writingPlace(state.apply(state.tr.setSelection(TextSelection.create(state.doc, at))))!;
})();

/** What stands when " turns" is typed on after the page has become this. */
const typedOn = (state: EditorState, isKept: boolean): string[] => {
  const cursor = state.apply(state.tr.setSelection(TextSelection.atEnd(state.doc)));
  const transaction = goOnInLine(cursor, writing, isKept);
  const found: string[] = [];
  const after = transaction ? cursor.apply(transaction) : cursor;
  after.apply(after.tr.insertText(' turns')).doc.forEach((node) => void found.push(node.textContent));
  return found;
};

const kept = ['alpha beam', 'bravo gear turns', 'charlie pin'];

test('0 the rest of a sentence goes on in a line that was deleted elsewhere', () => {
  expect(typedOn(page(alpha!, charlie!), true)).toEqual(kept);
});

test('0 it stands at the head when nothing before it is left', () => {
  expect(typedOn(page(charlie!), true)).toEqual(kept.slice(1));
});

test('0 on a page that lost its only line it takes the place of the empty one', () => {
  expect(typedOn(page(block('paragraph', '')), true)).toEqual(['bravo gear turns']);
});

test('0 the rest goes on where the line was moved to', () => {
  expect(typedOn(page(bravo!, alpha!, charlie!), true)).toEqual(['bravo gear turns', 'alpha beam', 'charlie pin']);
});

test('0 the rest goes on in the line that this one was joined to', () => {
  const joined = block('paragraph', 'alpha beambravo gear');
  joined.attrs = { ...joined.attrs, formerIds: bravo!.attrs!.id };
  expect(typedOn(page(joined, charlie!), true)).toEqual(['alpha beambravo gear turns', 'charlie pin']);
});

test('0 a line that nobody writes in stays deleted', () => {
  expect(goOnInLine(page(alpha!, charlie!), writing, false)).toBeNull();
});
