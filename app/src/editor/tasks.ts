import type { EditorState, Transaction } from '@tiptap/pm/state';
import type { TaskChange } from '@glossarion/core/tasks';
import { changedOrTold } from '../state/tasks';
import { OWN_STEP } from './undo';

/** Sets something of the to-do at a position within a transaction; what can't be set so is told. */
export function setTaskIn(transaction: Transaction, position: number, change: TaskChange): Transaction {
  const node = transaction.doc.nodeAt(position);
  if (node?.attrs.kind !== 'todo') return transaction;
  const values = changedOrTold(node.attrs, change) ?? {};
  for (const [name, value] of Object.entries(values)) transaction.setNodeAttribute(position, name, value);
  return transaction.setMeta(OWN_STEP, true);
}

/** The same in a transaction of its own; null when nothing changes. */
export function setTaskAt(
  { tr }: EditorState,
  position: number,
  ...changes: readonly TaskChange[]
): Transaction | null {
  const transaction = changes.reduce((before, change) => setTaskIn(before, position, change), tr);
  return transaction.docChanged ? transaction : null;
}
