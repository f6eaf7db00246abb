import { getSchema } from '@tiptap/core';
import * as marks from './marks';
import { documentNodes } from './nodes';

export { documentNodes };

export const documentMarks = {
  bold: marks.Bold,
  italic: marks.Italic,
  underline: marks.Underline,
  strike: marks.Strike,
  code: marks.Code,
  highlight: marks.Highlight,
  webLink: marks.WebLink,
};

/** The ProseMirror schema of every body, on the server and in the app alike. */
export const schema = getSchema([...Object.values(documentNodes), ...Object.values(documentMarks)]);
