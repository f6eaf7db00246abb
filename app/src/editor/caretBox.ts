import type { Editor } from '@tiptap/core';

/** The box of the cursor where it stands, or would stand, in the window. */
export function caretBox(editor: Editor, position: number): DOMRect {
  const { left, top, bottom } = editor.view.coordsAtPos(position);
  return new DOMRect(left, top, 0, bottom - top);
}
