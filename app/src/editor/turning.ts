import type { EditorState, Transaction } from '@tiptap/pm/state';
import { turn } from './outline';

/** Turns the lines with the cursor into a kind of text. */
export const turningInto =
  (kind: string, attrs: Readonly<Record<string, unknown>> = {}) =>
  (state: EditorState): Transaction | null =>
    turn(state, kind, attrs);
