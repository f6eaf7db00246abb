import { Extension } from '@tiptap/core';
import { Plugin } from '@tiptap/pm/state';
import { isSafeAddress } from '@glossarion/core/document';

const ID = '[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}';
const OWN = new RegExp(`^/(?:p|b|n|to)/(${ID})/?$`, 'iu');

/** The id in an address of this place; null for any other text. */
export function ownAddress(text: string): string | null {
  try {
    const address = new URL(text);
    return address.origin === window.location.origin ? (OWN.exec(address.pathname)?.[1] ?? null) : null;
  } catch {
    return null;
  }
}

/** A pasted address of a page becomes a titled link; any other address becomes a web link. */
export const PastedAddresses = Extension.create({
  name: 'pastedAddresses',
  addProseMirrorPlugins() {
    return [
      new Plugin({
        props: {
          handlePaste: (view, event) => {
            const pasted = event.clipboardData?.getData('text/plain').trim() ?? '';
            if (pasted === '' || /\s/u.test(pasted)) return false;
            const { state } = view;
            const { schema, selection } = state;
            const words = state.doc.textBetween(selection.from, selection.to);
            const target = ownAddress(pasted);
            if (target) {
              const link = schema.nodes.pageLink!.create({ target, words: words || null });
              view.dispatch(state.tr.replaceSelectionWith(link, false).scrollIntoView());
              return true;
            }
            if (!/^https?:\/\//u.test(pasted) || !isSafeAddress(pasted)) return false;
            const mark = schema.marks.webLink!.create({ href: pasted });
            const text = schema.text(words || pasted, [mark]);
            view.dispatch(state.tr.replaceSelectionWith(text, false).removeStoredMark(mark).scrollIntoView());
            return true;
          },
        },
      }),
    ];
  },
});
