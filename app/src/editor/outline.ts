import { Fragment, type Node as DocumentNode } from '@tiptap/pm/model';
import { Selection, TextSelection, type EditorState, type Transaction } from '@tiptap/pm/state';
import { attributesOfCopy, MAX_DEPTH, newId, textAttributes, type HighlightPigment } from '@glossarion/core/document';
import type { TaskChange } from '@glossarion/core/tasks';
import { tagWords } from '../screen/words';
import { targetOf } from '../state/store';
import { today } from '../state/tasks';
import { setTaskAt, setTaskIn } from './tasks';
import { actedRange, chosenIds, endOfChildren, withChildren, type BlockRange } from './chosen';

/** Blocks as a line with what stands beneath it: indenting, moving and joining take the children along. */

const depthOf = (node: DocumentNode): number => Number(node.attrs.depth ?? 0);

export function positionOf(doc: DocumentNode, index: number): number {
  let position = 0;
  for (let each = 0; each < index; each += 1) position += doc.child(each).nodeSize;
  return position;
}

/** The acted-on blocks with their children: the indexes of the first and after the last. */
function rangeWithChildren(state: EditorState): { start: number; end: number } {
  const { first, last } = withChildren(state, actedRange(state));
  return { start: first, end: last + 1 };
}

/** Scrolls to what was done in the text; blocks that are chosen are kept in sight by their own bar. */
const inSight = (state: EditorState, transaction: Transaction): Transaction =>
  chosenIds(state) ? transaction : transaction.scrollIntoView();

/** Moves the acted-on blocks a level in (1) or out (-1), children along. */
export function indent(state: EditorState, by: 1 | -1): Transaction | null {
  const { start, end } = rangeWithChildren(state);
  const { doc } = state;
  const above = start > 0 ? depthOf(doc.child(start - 1)) : -1;
  const depth = depthOf(doc.child(start));
  if (by === 1 && (depth > above || depth >= MAX_DEPTH)) return null;
  if (by === -1 && depth === 0) return null;
  const transaction = state.tr;
  let position = positionOf(doc, start);
  for (let index = start; index < end; index += 1) {
    const node = doc.child(index);
    transaction.setNodeAttribute(position, 'depth', Math.max(0, Math.min(MAX_DEPTH, depthOf(node) + by)));
    position += node.nodeSize;
  }
  return inSight(state, transaction);
}

/** Moves the acted-on blocks, and what stands beneath them, over the neighbour above (-1) or below (1). */
export function moveLine(state: EditorState, by: 1 | -1): Transaction | null {
  const { doc } = state;
  const { start, end } = rangeWithChildren(state);
  const depth = depthOf(doc.child(start));
  if (by === 1) {
    if (end >= doc.childCount) return null;
    return moveBlocks(state, { first: start, last: end - 1 }, endOfChildren(doc, end), depth);
  }
  if (start === 0) return null;
  let index = start - 1;
  while (index > 0 && depthOf(doc.child(index)) > depth) index -= 1;
  // Over the line it stands beneath it goes on as a child, of the line before that; where there is none it stays.
  if (depthOf(doc.child(index)) < depth && (index === 0 || depthOf(doc.child(index - 1)) < depth - 1)) return null;
  return moveBlocks(state, { first: start, last: end - 1 }, index, depth);
}

/**
 * Moves blocks to stand before the block at `target`, with their first at a depth or as near to it as may be. Null
 * when that is where they are.
 */
export function moveBlocks(state: EditorState, range: BlockRange, target: number, depth: number): Transaction | null {
  const { doc } = state;
  const { first, last } = range;
  if (target > first && target <= last) return null;
  const [from, to] = [positionOf(doc, first), positionOf(doc, last + 1)];
  const moved: DocumentNode[] = [];
  for (let index = first; index <= last; index += 1) moved.push(doc.child(index));
  const stays = target === first || target === last + 1;
  const above = stays ? first - 1 : target - 1;
  const limit = above >= 0 ? depthOf(doc.child(above)) + 1 : 0;
  const by = Math.min(depth, limit, MAX_DEPTH) - depthOf(moved[0]!);
  if (stays && by === 0) return null;
  const nodes = moved.map((node) =>
    node.type.create({ ...node.attrs, depth: Math.max(0, Math.min(MAX_DEPTH, depthOf(node) + by)) }, node.content),
  );
  const { anchor, head } = state.selection;
  const isText =
    state.selection instanceof TextSelection && anchor >= from && anchor <= to && head >= from && head <= to;
  const transaction = state.tr.delete(from, to);
  const place = stays ? from : transaction.mapping.map(positionOf(doc, target));
  transaction.insert(place, Fragment.from(nodes));
  settleDepths(transaction);
  const shift = place - from;
  if (isText) transaction.setSelection(TextSelection.create(transaction.doc, anchor + shift, head + shift));
  return inSight(state, transaction);
}

/** Blocks that lost what they stood beneath step out as far as it takes. */
function settleDepths(transaction: Transaction): void {
  let allowed = 0;
  transaction.doc.forEach((node, position) => {
    const depth = Math.min(depthOf(node), allowed);
    if (depth !== depthOf(node)) transaction.setNodeAttribute(position, 'depth', depth);
    allowed = depth + 1;
  });
}

/** Calls for each acted-on block. */
function forActed(state: EditorState, each: (node: DocumentNode, position: number) => void): void {
  const { first, last } = actedRange(state);
  state.doc.forEach((node, position, index) => {
    if (index >= first && index <= last) each(node, position);
  });
}

/** Ticks the acted-on to-dos, or unticks them when all are done; null when there are none. */
export function tick(state: EditorState): Transaction | null {
  const { $from } = state.selection;
  const inner = $from.depth > 1 && $from.parent.attrs.kind === 'todo' ? $from.parent : null;
  if (inner && !chosenIds(state)) return setTaskAt(state, $from.before(), ticked(inner.attrs.state === 'done'));
  const todos: { position: number; isDone: boolean }[] = [];
  forActed(state, (node, position) => {
    if (node.attrs.kind === 'todo') todos.push({ position, isDone: node.attrs.state === 'done' });
  });
  if (todos.length === 0) return null;
  const change = ticked(todos.every(({ isDone }) => isDone));
  const transaction = state.tr;
  for (const { position } of todos) setTaskIn(transaction, position, change);
  return transaction.docChanged ? transaction : null;
}

const ticked = (isDone: boolean): TaskChange => ({ set: 'state', state: isDone ? 'open' : 'done', today: today() });

/**
 * Turns the acted-on text blocks into another kind; words, marks, children and ids stay.
 *
 * @param own what they say of themselves as one of that kind
 */
export function turn(
  state: EditorState,
  kind: string,
  own: Readonly<Record<string, unknown>> = {},
): Transaction | null {
  const transaction = state.tr;
  const turned = (attrs: Record<string, unknown>) => ({ ...attrs, ...textAttributes(kind, { ...attrs, ...own }) });
  const { $from } = state.selection;
  if ($from.depth > 1 && $from.parent.type.name === 'block' && !chosenIds(state)) {
    return transaction.setNodeMarkup($from.before(), undefined, turned($from.parent.attrs));
  }
  forActed(state, (node, position) => {
    if (node.type.name === 'block') transaction.setNodeMarkup(position, undefined, turned(node.attrs));
    else if (node.type.name === 'codeBlock') {
      const { block } = state.schema.nodes;
      // Lines of code become lines of one block.
      const inline = node.textContent
        .split('\n')
        .flatMap((line, index) => [
          ...(index > 0 ? [state.schema.nodes.hardBreak!.create()] : []),
          ...(line ? [state.schema.text(line)] : []),
        ]);
      const { id, depth, tint } = node.attrs;
      const made = block!.create(turned({ id, depth, tint }), inline);
      const from = transaction.mapping.map(position);
      transaction.replaceWith(from, from + node.nodeSize, made);
    }
  });
  return transaction.docChanged ? transaction : null;
}

/** Turns the acted-on text blocks into one block of code, their lines in order; its id is the first one's. */
export function turnIntoCode(state: EditorState): Transaction | null {
  const { first, last } = actedRange(state);
  const { doc, schema } = state;
  const lines: string[] = [];
  for (let index = first; index <= last; index += 1) {
    const node = doc.child(index);
    if (node.type.name !== 'block') return null;
    lines.push(node.textBetween(0, node.content.size, undefined, (leaf) => leafText(leaf)));
  }
  const { id, depth, tint: wash } = doc.child(first).attrs;
  const code = schema.nodes.codeBlock!.create(
    { id, depth, tint: wash },
    lines.join('\n') ? schema.text(lines.join('\n')) : null,
  );
  const from = positionOf(doc, first);
  const transaction = state.tr.replaceWith(from, positionOf(doc, last + 1), code);
  return transaction.setSelection(Selection.near(transaction.doc.resolve(from + 1)));
}

const leafText = (leaf: DocumentNode): string => {
  if (leaf.type.name === 'hardBreak') return '\n';
  if (leaf.type.name === 'tag') return `#${tagWords(targetOf(String(leaf.attrs.tag)), leaf.attrs.name)}`;
  return String(leaf.attrs.words ?? '');
};

/** Washes the acted-on blocks with a pigment, or with none. */
export function tint(state: EditorState, pigment: HighlightPigment | null): Transaction {
  const transaction = state.tr;
  forActed(state, (_node, position) => transaction.setNodeAttribute(position, 'tint', pigment));
  return transaction;
}

/** Takes the acted-on blocks out, children along; a page keeps one line. */
export function removeBlocks(state: EditorState): Transaction {
  const { start, end } = rangeWithChildren(state);
  const { doc, schema } = state;
  const from = positionOf(doc, start);
  const transaction = state.tr.delete(from, positionOf(doc, end));
  if (transaction.doc.childCount === 0) transaction.insert(0, schema.nodes.block!.create({ id: newId() }));
  settleDepths(transaction);
  const near = transaction.doc.resolve(Math.min(from, transaction.doc.content.size));
  return transaction.setSelection(Selection.near(near, 1));
}

/** Copies the acted-on blocks, children along, to stand after them. */
export function duplicateBlocks(state: EditorState): Transaction {
  const { start, end } = rangeWithChildren(state);
  const copies: DocumentNode[] = [];
  for (let index = start; index < end; index += 1) {
    const node = state.doc.child(index);
    copies.push(node.type.create({ ...attributesOfCopy(node.attrs), id: newId() }, node.content));
  }
  return state.tr.insert(positionOf(state.doc, end), Fragment.from(copies));
}

/** Folds what stands beneath a foldable block away, or opens it. */
export function toggleFold(state: EditorState, position: number): Transaction | null {
  const node = state.doc.nodeAt(position);
  if (node?.attrs.kind !== 'fold') return null;
  return state.tr.setNodeAttribute(position, 'folded', node.attrs.folded === true ? false : true);
}

/** Puts the cursor into the block with an id. */
export function selectBlock(state: EditorState, id: string): Transaction | null {
  let found: number | null = null;
  state.doc.forEach((node, position) => {
    if (node.attrs.id === id || String(node.attrs.formerIds ?? '').includes(id)) found ??= position;
  });
  return found === null ? null : state.tr.setSelection(Selection.near(state.doc.resolve(found + 1)));
}
