import type { Node as DocumentNode } from '@tiptap/pm/model';
import type { EditorState } from '@tiptap/pm/state';
import { announce } from '../kit/announce';
import { actedRange, withChildren } from './chosen';

const MOST = 60;

/** What a line is called when it is spoken of: its first words. */
function called(node: DocumentNode): string {
  const words = node.textContent.trim();
  if (words === '') return node.type.name === 'block' ? 'an empty line' : 'a part without words';
  return `“${words.length > MOST ? `${words.slice(0, MOST)}…` : words}”`;
}

/** Where the lines that are acted on stand now, in words. */
export function placeOfLines(state: EditorState): string {
  const { doc } = state;
  const { first, last } = withChildren(state, actedRange(state));
  const depthOf = (index: number): number => Number(doc.child(index).attrs.depth ?? 0);
  let holder = first - 1;
  while (holder >= 0 && depthOf(holder) >= depthOf(first)) holder -= 1;
  const before = first > 0 && first - 1 !== holder ? `, after ${called(doc.child(first - 1))}` : '';
  const after = before === '' && last + 1 < doc.childCount ? `, before ${called(doc.child(last + 1))}` : '';
  const beneath = holder >= 0 ? `beneath ${called(doc.child(holder))}` : 'beneath nothing';
  return `Line ${first + 1} of ${doc.childCount}, ${beneath}${before}${after}`;
}

/** Tells a screen reader where the lines that were moved stand now. */
export const announcePlace = (state: EditorState): void => announce(placeOfLines(state));
