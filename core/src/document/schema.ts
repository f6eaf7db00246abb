import { getSchema } from '@tiptap/core';
import * as marks from './marks';
import { documentNodes } from './nodes';

/** Counts up with every addition to the schema; a client of an older version is shown the page but may not write it. */
export const SCHEMA_VERSION = 4;
/** The code a socket is closed with that speaks for an older schema than the server’s. */
export const OUTDATED = 4001;

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
