import type { EditorView } from '@tiptap/pm/view';

/** Whether the line with the cursor runs from right to left, as it is shown. */
export function isRightToLeft(view: EditorView): boolean {
  const { node } = view.domAtPos(view.state.selection.head);
  const element = node instanceof HTMLElement ? node : node.parentElement;
  return element !== null && getComputedStyle(element.closest('.words, td, th') ?? element).direction === 'rtl';
}
