import { Extension } from '@tiptap/core';
import { Plugin } from '@tiptap/pm/state';
import type { EditorView } from '@tiptap/pm/view';
import type { PageDocument } from '../documents/pageDocument';

/** Reads where the browser has the cursor, and what it has typed, into the editor's state. */
function takeIn(view: EditorView): void {
  const { domObserver } = view as unknown as { domObserver: { flush: () => void } };
  if (!view.composing) domObserver.flush();
}

/**
 * For a fifth of a second after the text took the focus the library holds a cursor at the very beginning for the
 * browser's doing, and sets it back (prosemirror-view, domobserver.ts). Whoever has pressed a key by then may have gone
 * there: what is typed next stood elsewhere, and Backspace took a sign there.
 */
function ownFromNow(view: EditorView): void {
  const { input } = view as unknown as { input: { lastFocus: number } };
  input.lastFocus = 0;
}

const takeInFirst = (view: EditorView): boolean => {
  takeIn(view);
  return false;
};

/**
 * A browser tells of a moved cursor only after a while. A key pressed at once after another must not act where the
 * cursor was before, and what comes from another window must not set it back there: before either, the editor takes in
 * where the cursor stands now.
 */
export const TakeInCursor = Extension.create<{ page: PageDocument | null }>({
  name: 'takeInCursor',
  priority: 4000,
  addOptions: () => ({ page: null }),
  addProseMirrorPlugins() {
    const { page } = this.options;
    return [
      new Plugin({
        view: (view) => {
          const call = () => {
            if (view.hasFocus()) takeIn(view);
          };
          page?.beforeTakingIn.add(call);
          return { destroy: () => void page?.beforeTakingIn.delete(call) };
        },
        props: {
          handleDOMEvents: {
            ...Object.fromEntries(
              (['beforeinput', 'paste', 'cut', 'copy'] as const).map((name) => [name, takeInFirst]),
            ),
            keydown: (view) => {
              takeIn(view);
              ownFromNow(view);
              return false;
            },
          },
        },
      }),
    ];
  },
});
