import { Extension } from '@tiptap/core';
import { Plugin, PluginKey, type EditorState, type Transaction } from '@tiptap/pm/state';
import { dayHere } from './addresses';
import { whenAtRest } from '../kit/atRest';
import { dateAtEnd, isCalendarDate, prepareDates } from '../state/typedDay';

/** A date that was just written, and the day it names. */
export interface DateOffer {
  from: number;
  to: number;
  day: string;
  written: string;
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
  const found = dateAtEnd(text);
  if (!found) return null;
  const start = $from.start();
  return { from: start + found.start, to: start + found.end, day: found.day, written: text.slice(found.start) };
}

/** Puts a link to the day in the place of the date that was offered. */
export function acceptDate(state: EditorState, offer: DateOffer): Transaction | null {
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
    whenAtRest(() => void prepareDates());
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
              if (offer?.from === shown?.from && offer?.day === shown?.day && offer?.to === shown?.to) return;
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
