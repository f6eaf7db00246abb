import { Extension } from '@tiptap/core';
import { Plugin } from '@tiptap/pm/state';
import type { EditorView } from '@tiptap/pm/view';

/** What a keyboard on the screen asks for without pressing a key, and the key that stands for it here. */
const KEYS: Record<string, { key: string; code: number; isFor: (view: EditorView) => boolean }> = {
  insertParagraph: { key: 'Enter', code: 13, isFor: () => true },
  insertLineBreak: { key: 'Enter', code: 13, isFor: () => true },
  deleteContentBackward: { key: 'Backspace', code: 8, isFor: (view) => isAtEdge(view, 'start') },
  deleteContentForward: { key: 'Delete', code: 46, isFor: (view) => isAtEdge(view, 'end') },
};

function isAtEdge({ state }: EditorView, edge: 'start' | 'end'): boolean {
  const { $from, empty } = state.selection;
  return empty && $from.parent.isTextblock && $from.parentOffset === (edge === 'start' ? 0 : $from.parent.content.size);
}

const isAndroid = typeof navigator !== 'undefined' && /Android \d/u.test(navigator.userAgent);

/** Reads what was typed so far into the editor, a word that is still being composed too. */
function takeInTyped(view: EditorView): void {
  const { domObserver } = view as unknown as { domObserver: { flush: () => void; forceFlush: () => void } };
  domObserver.forceFlush();
  domObserver.flush();
}

/**
 * Keyboards on screens end a line, and join two, without a key that could be heard: they say only what is to be done to
 * the text. Left to the browser it would be done to what is drawn, which knows nothing of items, depths and ids; here
 * it goes the way of the key.
 */
export const TypedCommands = Extension.create({
  name: 'typedCommands',
  priority: 3500,
  addProseMirrorPlugins: () => [
    new Plugin({
      props: {
        handleDOMEvents: {
          // On such phones the editor leaves Enter to the text; with another key held it is no text, but a command.
          keydown: (view, event) => {
            const isCommand = event.ctrlKey || event.metaKey || event.altKey || event.shiftKey;
            if (!isAndroid || event.key !== 'Enter' || event.isComposing || !isCommand) return false;
            takeInTyped(view);
            if (!view.someProp('handleKeyDown', (handle) => handle(view, event) || undefined)) return false;
            event.preventDefault();
            return true;
          },
          beforeinput: (view, event) => {
            const wanted = KEYS[event.inputType];
            if (!wanted || !event.cancelable || !view.editable) return false;
            takeInTyped(view);
            if (!wanted.isFor(view)) return false;
            const pressed = new KeyboardEvent('keydown', {
              key: wanted.key,
              keyCode: wanted.code,
              shiftKey: event.inputType === 'insertLineBreak',
              bubbles: true,
              cancelable: true,
            });
            const isDone = view.someProp('handleKeyDown', (handle) => handle(view, pressed) || undefined);
            if (!isDone) return false;
            event.preventDefault();
            return true;
          },
        },
      },
    }),
  ],
});
