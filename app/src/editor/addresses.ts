import { Extension } from '@tiptap/core';
import { Plugin } from '@tiptap/pm/state';
import type { EditorView } from '@tiptap/pm/view';
import { isSafeAddress } from '@glossarion/core/document';
import { dayId, isDay } from '@glossarion/core/journal';
import { api } from '../state/api';
import { ask, store } from '../state/store';

const ID = '[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}';
const OWN = new RegExp(`^/(?:p|b|n|to)/(${ID})/?$`, 'iu');
const DAY = /^\/day\/(\d{4}-\d{2}-\d{2})\/?$/u;

/** The id of a day's page in the account that is signed in. */
export function dayHere(day: string): string | null {
  const { data } = api.endpoints.session.select()(store.getState());
  return data?.account ? dayId(data.account.id, day) : null;
}

/** The id in an address of this place; null for any other text. */
export function ownAddress(text: string): string | null {
  try {
    const address = new URL(text);
    if (address.origin !== window.location.origin) return null;
    const day = DAY.exec(address.pathname)?.[1];
    if (day) return isDay(day) ? dayHere(day) : null;
    return OWN.exec(address.pathname)?.[1] ?? null;
  } catch {
    return null;
  }
}

const isWebAddress = (text: string): boolean => /^https?:\/\/\S+$/u.test(text) && isSafeAddress(text);

/** Whether a text is nothing but one address. */
export const isSingleAddress = (text: string): boolean => isWebAddress(text.trim());

/** Puts the title of a web page in the place of its bare address, if it is known and the address still stands there. */
async function titleAddress(view: EditorView, address: string): Promise<void> {
  const data = await ask(api.endpoints.webTitle.initiate(address)).catch(() => undefined);
  if (!data?.title || view.isDestroyed) return;
  const { state } = view;
  const mark = state.schema.marks.webLink!.create({ href: address });
  let place: { from: number; to: number } | null = null;
  state.doc.descendants((node, position) => {
    if (node.isText && node.text === address && mark.isInSet(node.marks)) {
      place = { from: position, to: position + address.length };
    }
  });
  if (!place) return;
  const { from, to } = place;
  view.dispatch(state.tr.replaceWith(from, to, state.schema.text(data.title, [mark])).removeStoredMark(mark));
}

/** A pasted address of anything here becomes a titled link; any other address becomes a web link. */
export const PastedAddresses = Extension.create({
  name: 'pastedAddresses',
  addProseMirrorPlugins() {
    return [
      new Plugin({
        props: {
          handlePaste: (view, event) => {
            const pasted = event.clipboardData?.getData('text/plain').trim() ?? '';
            if (!isWebAddress(pasted)) return false;
            const { state } = view;
            const { schema, selection } = state;
            if (selection.$from.parent.type.spec.code) return false;
            const words = state.doc.textBetween(selection.from, selection.to);
            const target = ownAddress(pasted);
            if (target) {
              const link = schema.nodes.pageLink!.create({ target, words: words || null });
              view.dispatch(state.tr.replaceSelectionWith(link, false).scrollIntoView());
              return true;
            }
            const mark = schema.marks.webLink!.create({ href: pasted });
            const text = schema.text(words || pasted, [mark]);
            view.dispatch(state.tr.replaceSelectionWith(text, false).removeStoredMark(mark));
            if (!words) void titleAddress(view, pasted);
            return true;
          },
        },
      }),
    ];
  },
});
