import type { EditorState, Transaction } from '@tiptap/pm/state';
import { clock } from '../state/tasks';

const two = (value: number): string => String(value).padStart(2, '0');

/** A time of day that a line begins with. */
const STAMP = /^\d{1,2}:\d{2}(?: [ap]m)? ?/u;

/** The time where the person is, as their own clock says it. */
const timeNow = (now: Date): string => clock(`${two(now.getHours())}:${two(now.getMinutes())}`);

/** Puts the time at the start of the line with the cursor, as text; one that stands there already is renewed. */
export function stamp(state: EditorState, now = new Date()): Transaction | null {
  const { $from } = state.selection;
  const { parent } = $from;
  if (!parent.inlineContent || parent.type.spec.code) return null;
  const present = STAMP.exec(parent.textBetween(0, parent.content.size, undefined, '\uFFFC'))?.[0] ?? '';
  const start = $from.start();
  return state.tr.insertText(`${timeNow(now)} `, start, start + present.length).scrollIntoView();
}
