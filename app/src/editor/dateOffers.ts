import { Extension } from '@tiptap/core';
import { Plugin, PluginKey, type EditorState, type Transaction } from '@tiptap/pm/state';
import { dayHere } from './addresses';
import { whenAtRest } from '../kit/atRest';
import { momentText } from '@glossarion/core/tasks';
import type { When } from '@glossarion/core/tasks/phrases';
import { prepareReckoning } from '../state/reckoned';
import { today } from '../state/tasks';
import { dateAtEnd, isCalendarDate, whenAtEnd } from '../state/typedDay';
import { setTaskIn } from './tasks';

/** A date that was just written, and the day it names; in a task, when that says it is to be done. */
export interface DateOffer {
  from: number;
  to: number;
  day: string;
  written: string;
  when: When | null;
}

export interface DateOfferOptions {
  onChange: (offer: DateOffer | null) => void;
}

const key = new PluginKey<DateOffer | null>('dateOffers');

/** One mark after a date does not end the offer: it is often typed before the offer is seen. */
const AFTER = /[\s.,;:)!?]$/u;

function offerAt(state: EditorState): DateOffer | null {
  const { $from, empty } = state.selection;
  if (!empty || !$from.parent.inlineContent || $from.parent.type.spec.code) return null;
  const before = $from.parent.textBetween(0, $from.parentOffset, undefined, '\uFFFC');
  const text = AFTER.test(before) ? before.slice(0, -1) : before;
  const start = $from.start();
  const when = $from.depth === 1 && $from.parent.attrs.kind === 'todo' ? whenAtEnd(text) : null;
  // A task that is nothing but a date is not done on it yet.
  const found = when && text.slice(0, when.start).trim() !== '' ? when : dateAtEnd(text);
  if (!found) return null;
  const place = { from: start + found.start, to: start + text.length, written: text.slice(found.start) };
  return { ...place, day: found.day, when: found === when ? when : null };
}

/** Takes the words out of a task and makes of them the day it is due, with its repeat where they say one. */
export function acceptDue(state: EditorState, offer: DateOffer): Transaction {
  const { from, to, when } = offer;
  const line = state.doc.resolve(from);
  const before = line.parent.textBetween(0, line.parentOffset, undefined, '\uFFFC');
  const space = /\s*$/u.exec(before)![0].length;
  const { from: caret } = state.selection;
  const transaction = state.tr.delete(from - space, Math.max(to, caret)).setMeta(key, 'end');
  const position = line.before();
  const { day, time, repeat, isFromDone } = when!;
  setTaskIn(transaction, position, { set: 'due', due: momentText({ day, time }) });
  if (repeat) setTaskIn(transaction, position, { set: 'repeat', repeat, isFromDone, today: today() });
  return transaction;
}

/** Takes what was offered first: in a task the day it is due, elsewhere the link. */
export function acceptDate(state: EditorState, offer: DateOffer): Transaction | null {
  if (offer.when) return acceptDue(state, offer);
  return acceptLink(state, offer);
}

/** Puts a link to the day in the place of the date. */
export function acceptLink(state: EditorState, offer: DateOffer): Transaction | null {
  const target = dayHere(offer.day);
  if (!target) return null;
  const words = isCalendarDate(offer.written) ? null : offer.written;
  const link = state.schema.nodes.pageLink!.create({ target, words });
  return state.tr.replaceWith(offer.from, offer.to, link).setMeta(key, 'end');
}

export const endDateOffer = (state: EditorState): Transaction => state.tr.setMeta(key, 'end');

/** Offers a link to its day for each date as it is written, in words or figures. Tab takes it, Esc does not. */
export const DateOffers = Extension.create<DateOfferOptions>({
  name: 'dateOffers',
  priority: 1800,
  addOptions: () => ({ onChange: () => undefined }),
  onCreate() {
    // What was typed before the code that reads dates was here is read once it is.
    const look = () => {
      if (!this.editor.isDestroyed) this.editor.view.dispatch(this.editor.state.tr.setMeta(key, 'look'));
    };
    whenAtRest(() => void prepareReckoning().then(look));
  },
  addProseMirrorPlugins() {
    const { onChange } = this.options;
    return [
      new Plugin<DateOffer | null>({
        key,
        state: {
          init: () => null,
          apply: (transaction, offer, _before, state) => {
            if (transaction.getMeta(key) === 'end') return null;
            if (transaction.getMeta(key) === 'look') return offerAt(state);
            if (!transaction.docChanged) return transaction.selectionSet ? null : offer;
            // What comes from elsewhere offers nothing here.
            if (transaction.getMeta('y-sync$')) return null;
            return offerAt(state);
          },
        },
        view: () => {
          let shown: DateOffer | null = null;
          return {
            update: (view) => {
              const offer = view.hasFocus() ? (key.getState(view.state) ?? null) : null;
              if (JSON.stringify(offer) === JSON.stringify(shown)) return;
              shown = offer;
              onChange(offer);
            },
            destroy: () => onChange(null),
          };
        },
        props: {
          handleKeyDown: (view, event) => {
            const offer = key.getState(view.state);
            if (!offer || event.isComposing) return false;
            if (event.key === 'Escape') {
              view.dispatch(endDateOffer(view.state));
              return true;
            }
            if (event.key !== 'Tab' || event.shiftKey) return false;
            const transaction = acceptDate(view.state, offer);
            if (transaction) view.dispatch(transaction);
            return transaction !== null;
          },
        },
      }),
    ];
  },
});
