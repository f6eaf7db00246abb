import type { Editor } from '@tiptap/core';
import type { NodeJson } from '@glossarion/core/document';
import { store } from '../state/store';
import { sheetOpened } from '../state/view';
import { putBlocksAt } from './put';

/** Overviews that were just put in here and wait for what they are to list. */
export const awaitingChoice = new Set<string>();

/** The editor that a sheet was opened from which puts something in. */
let awaitingSheet: Editor | null = null;

/** Opens a sheet that makes what is to be put in. */
export const putBySheet =
  (sheet: 'voice' | 'card') =>
  (editor: Editor): void => {
    awaitingSheet = editor;
    store.dispatch(sheetOpened({ for: sheet }));
  };

/** Puts what a sheet made where the cursor was when it was opened. */
export function putFromSheet(node: NodeJson): void {
  if (awaitingSheet && !awaitingSheet.isDestroyed) putBlocksAt(awaitingSheet, [node]);
}
