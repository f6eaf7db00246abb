import { EditorState, TextSelection } from '@tiptap/pm/state';
import fc from 'fast-check';
import { block, ownWords, repairBody, schema, type BodyJson, type NodeJson } from '@glossarion/core/document';
import { times } from '@glossarion/core/testing';
import { Chosen, choose, chosenRange, idsInRange } from './chosen';
import { duplicateBlocks, indent, moveBlocks, moveLine, removeBlocks, tint, turn, turnIntoCode } from './outline';

const plugins = Chosen.configure({ pageId: 'page' }).config.addProseMirrorPlugins!.call({
  editor: {},
  options: {},
} as never);

/** A page of lines written as "  words": two spaces for each level. */
const page = (...lines: string[]): EditorState => {
  const content = lines.map((line) => {
    const depth = /^ */u.exec(line)![0].length / 2;
    return block('bulleted', line.trim(), { depth });
  });
  return EditorState.create({ doc: schema.nodeFromJSON({ type: 'doc', content }), plugins });
};

const at = (state: EditorState, words: string): EditorState => {
  let position = 0;
  state.doc.forEach((node, offset) => {
    if (node.textContent === words) position = offset + 1;
  });
  return state.apply(state.tr.setSelection(TextSelection.create(state.doc, position)));
};

const lines = (state: EditorState): string[] => {
  const found: string[] = [];
  state.doc.forEach((node) => void found.push('  '.repeat(Number(node.attrs.depth)) + node.textContent));
  return found;
};

const after = (state: EditorState, edit: (state: EditorState) => ReturnType<typeof indent>): EditorState => {
  const transaction = edit(state);
  return transaction ? state.apply(transaction) : state;
};

const start = ['a', 'b', '  c', '    d', 'e'];

test('a line is indented and moved with what stands beneath it', () => {
  expect(lines(after(at(page(...start), 'b'), (state) => indent(state, 1)))).toEqual([
    'a',
    '  b',
    '    c',
    '      d',
    'e',
  ]);
  expect(lines(after(at(page(...start), 'a'), (state) => indent(state, 1)))).toEqual(start);
  expect(lines(after(at(page(...start), 'b'), (state) => moveLine(state, -1)))).toEqual([
    'b',
    '  c',
    '    d',
    'a',
    'e',
  ]);
  expect(lines(after(at(page(...start), 'b'), (state) => moveLine(state, 1)))).toEqual(['a', 'e', 'b', '  c', '    d']);
});

test('a line is moved to any place, at the depth it may have there', () => {
  const move = (first: number, last: number, target: number, depth: number) =>
    lines(after(page(...start), (state) => moveBlocks(state, { first, last }, target, depth)));
  expect(move(4, 4, 3, 9)).toEqual(['a', 'b', '  c', '    e', '    d']);
  expect(move(1, 3, 0, 5)).toEqual(['b', '  c', '    d', 'a', 'e']);
  expect(move(0, 0, 5, 1)).toEqual(['b', '  c', '    d', 'e', '  a']);
  expect(move(1, 3, 2, 0)).toEqual(start);
});

test('what loses the line it stood beneath steps out', () => {
  const moved = after(page(...start), (state) => moveBlocks(state, { first: 1, last: 1 }, 5, 0));
  expect(lines(moved)).toEqual(['a', '  c', '    d', 'e', 'b']);
});

test('chosen lines are acted on together', () => {
  let state = page(...start);
  state = state.apply(choose(state, 2, 0));
  expect(chosenRange(state)).toEqual({ first: 0, last: 2 });
  expect(idsInRange(state, { first: 0, last: 2 })).toHaveLength(3);
  const turned = after(state, (each) => turn(each, 'todo'));
  const kinds: unknown[] = [];
  turned.doc.forEach((node) => void kinds.push([node.attrs.kind, node.attrs.state]));
  expect(kinds).toEqual([
    ['todo', 'open'],
    ['todo', 'open'],
    ['todo', 'open'],
    ['bulleted', null],
    ['bulleted', null],
  ]);
  const washed = state.apply(tint(state, 'plum'));
  expect(washed.doc.child(2).attrs.tint).toBe('plum');
  expect(washed.doc.child(3).attrs.tint).toBeNull();
  expect(lines(state.apply(removeBlocks(state)))).toEqual(['e']);
  expect(lines(state.apply(duplicateBlocks(state)))).toEqual(['a', 'b', '  c', '    d', 'a', 'b', '  c', '    d', 'e']);
});

test('a page keeps one line when all are taken out', () => {
  let state = page('a', 'b');
  state = state.apply(choose(state, 0, 1));
  const emptied = state.apply(removeBlocks(state));
  expect([emptied.doc.childCount, emptied.doc.textContent]).toEqual([1, '']);
});

test('lines become one listing and lines again, words kept', () => {
  let state = page('let a;', 'let b;');
  state = state.apply(choose(state, 0, 1));
  const code = after(state, turnIntoCode);
  expect([code.doc.childCount, code.doc.child(0).type.name, code.doc.textContent]).toEqual([
    1,
    'codeBlock',
    'let a;\nlet b;',
  ]);
  const back = after(code, (each) => turn(each, 'paragraph'));
  expect(ownWords(back.doc.child(0).toJSON() as NodeJson)).toBe('let a;\nlet b;');
});

test('whatever is done, depths stay possible, ids single and words kept', () => {
  const step = fc.record({ first: fc.nat(9), length: fc.nat(3), target: fc.nat(10), depth: fc.nat(4), act: fc.nat(5) });
  fc.assert(
    fc.property(
      fc.array(fc.nat(3), { minLength: 2, maxLength: 8 }),
      fc.array(step, { maxLength: 12 }),
      (depths, steps) => {
        let allowed = 0;
        let state = page(
          ...depths.map((wanted, index) => {
            const depth = Math.min(wanted, allowed);
            allowed = depth + 1;
            return `${'  '.repeat(depth)}l${index}`;
          }),
        );
        const words = [...state.doc.textContent].sort().join('');
        for (const { first, length, target, depth, act } of steps) {
          const count = state.doc.childCount;
          const range = { first: first % count, last: Math.min((first % count) + length, count - 1) };
          state = state.apply(choose(state, range.first, range.last));
          const edits = [
            () => moveBlocks(state, range, target % (count + 1), depth),
            () => indent(state, 1),
            () => indent(state, -1),
            () => moveLine(state, 1),
            () => moveLine(state, -1),
            () => turn(state, 'quote'),
          ];
          state = after(state, edits[act]!);
        }
        const shown = state.doc.toJSON() as BodyJson;
        expect(repairBody(shown).repairs).toEqual([]);
        expect([...state.doc.textContent].sort().join('')).toBe(words);
      },
    ),
    { numRuns: times(400) },
  );
});

test('X4 a first child that is moved up stays a child', () => {
  expect(lines(after(at(page('a', '  b', '  c'), 'b'), (state) => moveLine(state, -1)))).toEqual(['a', '  b', '  c']);
  expect(lines(after(at(page('a', 'b', '  c', '  d'), 'c'), (state) => moveLine(state, -1)))).toEqual([
    'a',
    '  c',
    'b',
    '  d',
  ]);
  expect(lines(after(at(page('a', '  b', '    c'), 'c'), (state) => moveLine(state, -1)))).toEqual([
    'a',
    '  b',
    '    c',
  ]);
});
