import type { Editor } from '@tiptap/core';

/** What lies over the text stands in this: in a sheet, when that is where the text is written, which keeps the focus. */
export const overlayOf = ({ view }: Editor): Element =>
  view.dom.closest('[role=dialog]') ?? document.getElementById('main') ?? document.body;
