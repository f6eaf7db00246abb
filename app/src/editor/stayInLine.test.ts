import { EditorState, TextSelection } from '@tiptap/pm/state';
import { block, schema, type NodeJson } from '@glossarion/core/document';
import { goOnInLine, writingPlace, type Going } from './stayInLine';

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
const typedOn = (state: EditorState, going: Going): string[] => {
  const cursor = state.apply(state.tr.setSelection(TextSelection.atEnd(state.doc)));
  const transaction = goOnInLine(cursor, writing, going);
  const found: string[] = [];
  const after = transaction ? cursor.apply(transaction) : cursor;
  after.apply(after.tr.insertText(' turns')).doc.forEach((node) => void found.push(node.textContent));
  return found;
};

const kept = ['alpha beam', 'bravo gear turns', 'charlie pin'];

test('0 the rest of a sentence goes on in a line that was deleted elsewhere', () => {
  expect(typedOn(page(alpha!, charlie!), 'kept')).toEqual(kept);
});

test('0 it stands at the head when nothing before it is left', () => {
  expect(typedOn(page(charlie!), 'kept')).toEqual(kept.slice(1));
});

test('0 on a page that lost its only line it takes the place of the empty one', () => {
  expect(typedOn(page(block('paragraph', '')), 'kept')).toEqual(['bravo gear turns']);
});

test('0 the rest goes on where the line was moved to', () => {
  expect(typedOn(page(bravo!, alpha!, charlie!), 'kept')).toEqual(['bravo gear turns', 'alpha beam', 'charlie pin']);
});

test('0 it goes on in the midst of a line that was moved as it is, though the cursor came to its end', () => {
  const state = page(alpha!, bravo!);
  const inside = 'alpha beam'.length + 2 + 1 + 'bravo'.length;
  const place = writingPlace(state.apply(state.tr.setSelection(TextSelection.create(state.doc, inside))))!;
  const moved = page(bravo!, alpha!);
  const atEnd = moved.apply(moved.tr.setSelection(TextSelection.create(moved.doc, 1 + 'bravo gear'.length)));
  const after = atEnd.apply(goOnInLine(atEnd, place, null)!);
  expect(after.apply(after.tr.insertText('!')).doc.textContent).toBe('bravo! gearalpha beam');
});

test('0 it goes on where its words are when the line was cut before them, or stands anew as code', () => {
  const state = page(bravo!, alpha!);
  const inside = writingPlace(
    state.apply(state.tr.setSelection(TextSelection.create(state.doc, 1 + 'bravo ge'.length))),
  )!;
  const written = (after: EditorState): string[] => {
    const atEnd = after.apply(
      after.tr.setSelection(TextSelection.create(after.doc, 1 + after.doc.firstChild!.content.size)),
    );
    const going = goOnInLine(atEnd, inside, null);
    const found: string[] = [];
    const there = going ? atEnd.apply(going) : atEnd;
    there.apply(there.tr.insertText('!')).doc.forEach((node) => void found.push(node.textContent));
    return found;
  };
  const first = { ...bravo!, content: [{ type: 'text', text: 'bra' }] };
  expect(written(page(first, block('paragraph', 'vo gear'), alpha!))).toEqual(['bra', 'vo ge!ar', 'alpha beam']);
  const code = { type: 'codeBlock', attrs: { id: bravo!.attrs!.id }, content: [{ type: 'text', text: 'bravo gear' }] };
  expect(written(page(code, alpha!))).toEqual(['bravo ge!ar', 'alpha beam']);
  // Words that were deleted are not looked for in lines that were there before.
  const gear = block('paragraph', 'another bravo gear');
  const both = page(bravo!, gear);
  const place = writingPlace(both.apply(both.tr.setSelection(TextSelection.create(both.doc, 1 + 'bravo ge'.length))))!;
  expect(goOnInLine(page({ ...bravo!, content: [{ type: 'text', text: 'x' }] }, gear), place, null)).toBeNull();
});

test('0 the rest goes on in the line that this one was joined to', () => {
  const joined = block('paragraph', 'alpha beambravo gear');
  joined.attrs = { ...joined.attrs, formerIds: bravo!.attrs!.id };
  expect(typedOn(page(joined, charlie!), 'kept')).toEqual(['alpha beambravo gear turns', 'charlie pin']);
});

test('0 a line that nobody writes in stays deleted', () => {
  expect(goOnInLine(page(alpha!, charlie!), writing, null)).toBeNull();
});

test('0 the rest of a sentence whose line stands on another page now goes on in a line of its own', () => {
  const link = block('paragraph', 'the page it was lifted to');
  expect(typedOn(page(alpha!, link, charlie!), 'anew')).toEqual([
    'alpha beam',
    'the page it was lifted to',
    ' turns',
    'charlie pin',
  ]);
  expect(typedOn(page(alpha!), 'anew')).toEqual(['alpha beam', ' turns']);
});

test('0 what was typed before the line moved is not said a second time on a page that is empty now', () => {
  expect(typedOn(page(block('paragraph', '')), 'anew')).toEqual([' turns']);
});
