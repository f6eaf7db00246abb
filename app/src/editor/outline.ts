import type { Node as DocumentNode } from '@tiptap/pm/model';
import { Selection, TextSelection, type EditorState, type Transaction } from '@tiptap/pm/state';
import { MAX_DEPTH } from '@glossarion/core/document';

/** Blocks as a line with what stands beneath it: indenting, moving and joining take the children along. */

interface Line {
  node: DocumentNode;
  position: number;
  index: number;
}

/** The outermost block an index or a selection stands in. */
const lineAt = (state: EditorState, position: number): Line => {
  const resolved = state.doc.resolve(position);
  const index = resolved.index(0);
  return { node: state.doc.child(index), position: resolved.posAtIndex(index, 0), index };
};

const depthOf = (node: DocumentNode): number => Number(node.attrs.depth ?? 0);

/** The index after the last block beneath the block at `index`. */
function endOfChildren(doc: DocumentNode, index: number): number {
  const depth = depthOf(doc.child(index));
  let end = index + 1;
  while (end < doc.childCount && depthOf(doc.child(end)) > depth) end += 1;
  return end;
}

function positionOf(doc: DocumentNode, index: number): number {
  let position = 0;
  for (let each = 0; each < index; each += 1) position += doc.child(each).nodeSize;
  return position;
}

/** Moves the selected blocks a level in (1) or out (-1), children along. */
export function indent(state: EditorState, by: 1 | -1): Transaction | null {
  const first = lineAt(state, state.selection.from).index;
  const last = lineAt(state, state.selection.to).index;
  const { doc } = state;
  const end = endOfChildren(doc, last);
  const above = first > 0 ? depthOf(doc.child(first - 1)) : -1;
  const depth = depthOf(doc.child(first));
  if (by === 1 && (depth > above || depth >= MAX_DEPTH)) return null;
  if (by === -1 && depth === 0) return null;
  const transaction = state.tr;
  let position = positionOf(doc, first);
  for (let index = first; index < end; index += 1) {
    const node = doc.child(index);
    transaction.setNodeAttribute(position, 'depth', Math.max(0, Math.min(MAX_DEPTH, depthOf(node) + by)));
    position += node.nodeSize;
  }
  return transaction.scrollIntoView();
}

/** Moves the block with the cursor, and what stands beneath it, over its neighbour above (-1) or below (1). */
export function moveLine(state: EditorState, by: 1 | -1): Transaction | null {
  const { doc } = state;
  const line = lineAt(state, state.selection.from);
  const end = endOfChildren(doc, line.index);
  const [from, to] = [line.position, positionOf(doc, end)];
  let target: number;
  if (by === -1) {
    if (line.index === 0) return null;
    let index = line.index - 1;
    while (index > 0 && depthOf(doc.child(index)) > depthOf(line.node)) index -= 1;
    target = positionOf(doc, index);
  } else {
    if (end >= doc.childCount) return null;
    target = positionOf(doc, endOfChildren(doc, end));
  }
  const moved = doc.slice(from, to);
  const { anchor, head } = state.selection;
  const transaction = state.tr.delete(from, to);
  const place = transaction.mapping.map(target);
  transaction.insert(place, moved.content);
  const limit = depthOf(transaction.doc.resolve(place).nodeBefore ?? doc.child(0)) + 1;
  const excess = place === 0 ? depthOf(line.node) : depthOf(line.node) - limit;
  if (excess > 0) {
    let position = place;
    moved.content.forEach((node) => {
      transaction.setNodeAttribute(position, 'depth', Math.max(0, depthOf(node) - excess));
      position += node.nodeSize;
    });
  }
  const shift = place - from;
  return transaction.setSelection(TextSelection.create(transaction.doc, anchor + shift, head + shift)).scrollIntoView();
}

/** Ticks the to-dos that are selected, or unticks them when all are done. Other lines become open to-dos. */
export function tick(state: EditorState): Transaction | null {
  const transaction = state.tr;
  const todos: { position: number; isDone: boolean }[] = [];
  state.doc.nodesBetween(state.selection.from, state.selection.to, (node, position, parent) => {
    if (parent === state.doc && node.type.name === 'block' && node.attrs.kind === 'todo') {
      todos.push({ position, isDone: node.attrs.state === 'done' });
    }
    return parent === null;
  });
  if (todos.length === 0) return null;
  const state_ = todos.every((todo) => todo.isDone) ? 'open' : 'done';
  for (const { position } of todos) transaction.setNodeAttribute(position, 'state', state_);
  return transaction;
}

/** Puts the cursor into the block with an id. */
export function selectBlock(state: EditorState, id: string): Transaction | null {
  let found: number | null = null;
  state.doc.forEach((node, position) => {
    if (node.attrs.id === id || String(node.attrs.formerIds ?? '').includes(id)) found ??= position;
  });
  return found === null ? null : state.tr.setSelection(Selection.near(state.doc.resolve(found + 1)));
}
