import type { Editor } from '@tiptap/core';
import type { EditorState, Transaction } from '@tiptap/pm/state';
import { isHeading, namedId, type NodeJson } from '@glossarion/core/document';
import { CalendarError, eventsOn, type CalendarEvent } from '@glossarion/core/formats/calendar';
import { hearOfPage } from '../documents/session';
import { api } from '../state/api';
import { ask, store } from '../state/store';
import { clock } from '../state/tasks';
import { noticed } from '../state/view';
import { OWN_STEP } from './undo';

const say = (words: string): void => void store.dispatch(noticed({ words }));

/** A server that tells nothing of the page for so long, in milliseconds, is not waited for. */
const HEARD_WITHIN = 10_000;

const LEFT = 'The day was left before its events came. Nothing was written: give it the file once more.';

/** The line of an event: its time as the person's own clock says it, what it is, and where. */
const wordsOf = ({ time, title, place }: CalendarEvent): string =>
  `${time === null ? '' : `${clock(time)} `}${title}${place === '' ? '' : `, ${place}`}`;

/** The heading under which a day tells what happened; its template may have been changed. */
const HAPPENED = /happened/iu;

/** Where lines are added: at the end of what happened, else at the end of the day. In positions between blocks. */
function placeFor(state: EditorState): number {
  let isWithin = false;
  let end: number | null = null;
  state.doc.forEach((node, offset) => {
    if (isHeading({ type: node.type.name, attrs: node.attrs })) isWithin = HAPPENED.test(node.textContent);
    if (isWithin) end = offset + node.nodeSize;
  });
  return end ?? state.doc.content.size;
}

/** What came of writing events: how many lines are new, how many were renewed. */
interface Written {
  transaction: Transaction;
  added: number;
  renewed: number;
}

/**
 * Writes events as lines. One that is there already, by what the file calls it, is renewed: its words, and nothing that
 * stands beneath it.
 *
 * @param isElsewhere whether a line of this id stands on another page by now: it is left there
 */
export function writeEvents(
  state: EditorState,
  events: readonly CalendarEvent[],
  pageId: string,
  isElsewhere: (blockId: string) => boolean,
): Written {
  const { schema, tr: transaction } = state;
  const lines = events.map((event) => ({ id: namedId(pageId, `event/${event.uid}`), words: wordsOf(event) }));
  const present = new Map<string, number>();
  state.doc.forEach(({ attrs }, offset) => void present.set(String(attrs.id), offset));
  let renewed = 0;
  const fresh = lines.filter(({ id, words }) => {
    const offset = present.get(id);
    if (offset === undefined) return !isElsewhere(id);
    const from = transaction.mapping.map(offset);
    const node = transaction.doc.nodeAt(from)!;
    if (node.textContent !== words && node.type.name === 'block') {
      transaction.replaceWith(from + 1, from + 1 + node.content.size, schema.text(words));
      renewed += 1;
    }
    return false;
  });
  if (fresh.length > 0) {
    const at = transaction.mapping.map(placeFor(state));
    const before = transaction.doc.resolve(at).nodeBefore;
    const made = fresh.map(({ id, words }): NodeJson => ({
      type: 'block',
      attrs: { id },
      content: [{ type: 'text', text: words }],
    }));
    const nodes = made.map((node) => schema.nodeFromJSON(node));
    // An empty line at the end makes way.
    const isBlank = before?.type.name === 'block' && before.content.size === 0 && before.attrs.kind === 'paragraph';
    transaction.replaceWith(isBlank ? at - before.nodeSize : at, at, nodes);
  }
  return { transaction, added: fresh.length, renewed };
}

/** Reads calendar files and writes what they have for the day; what went wrong is said, and changes nothing. */
export async function takeCalendar(editor: Editor, files: readonly File[], day: string): Promise<void> {
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  try {
    const texts = await Promise.all(files.map((file) => file.text()));
    const events = texts.flatMap((text) => eventsOn(text, day, zone));
    if (events.length === 0) return say('The calendar has no event on this day. Nothing was written.');
    const pageId = pageOf(editor);
    if (!pageId) return;
    // Lines that another window has written or renewed since are not to be written twice.
    await hearOfPage(pageId, HEARD_WITHIN);
    const moved = editor.isDestroyed ? null : await linesElsewhere(editor, events, pageId);
    if (moved === null || editor.isDestroyed) return say(LEFT);
    const { transaction, added, renewed } = writeEvents(editor.state, events, pageId, (id) => moved.has(id));
    // Undone by itself, whatever was typed a moment before.
    if (transaction.docChanged) editor.view.dispatch(transaction.setMeta(OWN_STEP, true).scrollIntoView());
    say(told(added, renewed));
  } catch (error) {
    if (!(error instanceof CalendarError)) throw error;
    say(error.message);
  }
}

const events = (count: number): string => (count === 1 ? 'One event' : `${count} events`);
const told = (added: number, renewed: number): string =>
  [
    added > 0 && `${events(added)} written.`,
    renewed > 0 && `${events(renewed)} renewed.`,
    added + renewed === 0 && 'The events of this day are here already, as they are.',
  ]
    .filter(Boolean)
    .join(' ');

const pageOf = (editor: Editor): string | null =>
  (editor.storage as unknown as { calendarFiles: { pageId: string | null } }).calendarFiles.pageId;

/** Which of the lines were moved to other pages since. Without network nothing is known of that. */
async function linesElsewhere(
  editor: Editor,
  found: readonly CalendarEvent[],
  pageId: string,
): Promise<ReadonlySet<string>> {
  const here = new Set<string>();
  editor.state.doc.forEach(({ attrs }) => void here.add(String(attrs.id)));
  const ids = found.map(({ uid }) => namedId(pageId, `event/${uid}`)).filter((id) => !here.has(id));
  const placed = await Promise.all(
    ids.map((id) => ask(api.endpoints.blockPlace.initiate(id)).catch(() => ({ pageId: null, blockId: null }))),
  );
  return new Set(ids.filter((_id, index) => placed[index]!.pageId !== null && placed[index]!.pageId !== pageId));
}
