import { Extension, type Editor } from '@tiptap/core';
import { Plugin } from '@tiptap/pm/state';
import type { EditorView } from '@tiptap/pm/view';
import { flushSync } from 'react-dom';

/** What an open list makes of a key: taken, left to the text, or taken later, once what it offers is here. */
export type ListAnswer = boolean | 'later';

/** How long a key may wait for a list, in milliseconds: then the text takes it, as if no list were open. */
const AT_MOST = 5_000;

/** What a key says that is a part of something being composed, as on phones. */
const COMPOSED = 229;
const BESIDE_OTHERS = new Set(['Shift', 'Control', 'Alt', 'AltGraph', 'Meta', 'CapsLock']);

type Key = Pick<KeyboardEvent, 'key' | 'keyCode' | 'shiftKey'>;

/**
 * Keys in the order in which they were pressed, while one of them chooses from a list that is still on its way: what is
 * typed after Enter belongs after what Enter puts in. They are done one by one once the list is here, or given up.
 */
export class HeldKeys {
  private waiting: Key[] = [];
  /** The one that is being done. */
  private current: Key | null = null;
  private isGivenUp = false;
  private timer: ReturnType<typeof setTimeout> | null = null;

  constructor(private press: (key: Key) => void) {}

  /**
   * A list asks for a key to be held that it can't take yet.
   *
   * @returns false when it has waited too long: then the key is the text's
   */
  hold(event: Key): boolean {
    if (this.isGivenUp) return false;
    this.waiting.unshift(this.current ?? keyOf(event));
    this.timer ??= setTimeout(() => this.giveUp(), AT_MOST);
    return true;
  }

  /** A key that was just pressed: true when it has to wait its turn. */
  take(event: KeyboardEvent): boolean {
    if (this.current || this.waiting.length === 0 || BESIDE_OTHERS.has(event.key)) return false;
    if (event.key === 'Backspace' && isLetter(this.waiting.at(-1)!)) return this.waiting.pop() !== undefined;
    const isHeld = isLetter(event) || ['Enter', 'Tab', 'Escape'].includes(event.key);
    // Alt makes letters on some layouts, with Ctrl on others.
    const isLetterMade = isLetter(event) && (event.altKey || event.getModifierState('AltGraph'));
    const isCommand = (event.ctrlKey || event.metaKey || event.altKey) && !isLetterMade;
    if (!isHeld || isCommand || event.isComposing || event.keyCode === COMPOSED) {
      this.giveUp();
      return false;
    }
    return this.waiting.push(keyOf(event)) > 0;
  }

  /** The list is here: the keys are done, up to one that waits for another list. */
  go(): void {
    this.stopTimer();
    for (let left = this.waiting.length; left > 0; left -= 1) {
      this.pressNext();
      if (this.waiting.length === left) return;
    }
  }

  /** No list comes: the text takes all that waits. */
  giveUp(): void {
    this.stopTimer();
    this.isGivenUp = true;
    try {
      while (this.waiting.length > 0) this.pressNext();
    } finally {
      this.isGivenUp = false;
    }
  }

  /** The text is gone. */
  end(): void {
    this.stopTimer();
    this.waiting = [];
  }

  private pressNext(): void {
    this.current = this.waiting.shift()!;
    try {
      this.press(this.current);
    } finally {
      this.current = null;
    }
  }

  private stopTimer(): void {
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
  }
}

const isLetter = ({ key }: Key): boolean => Array.from(key).length === 1;
const keyOf = ({ key, keyCode, shiftKey }: Key): Key => ({ key, keyCode, shiftKey });

/** Does to the text what a key does there: by what listens for it, else as a letter that is written. */
function pressIn(view: EditorView, { key, keyCode, shiftKey }: Key): void {
  const event = new KeyboardEvent('keydown', { key, keyCode, shiftKey, bubbles: true, cancelable: true });
  if (view.someProp('handleKeyDown', (handle) => handle(view, event) || undefined)) return;
  if (!isLetter(event)) return;
  const { from, to } = view.state.selection;
  const written = () => view.state.tr.insertText(key).scrollIntoView();
  if (!view.someProp('handleTextInput', (handle) => handle(view, from, to, key, written) || undefined))
    view.dispatch(written());
}

interface Storage {
  held: HeldKeys | null;
}

const storageOf = (editor: Editor): Storage => (editor.storage as unknown as { holdsKeys: Storage }).holdsKeys;

/** Holds a key for a list of the editor that is still on its way; false when the text is to have it. */
export const holdKey = (editor: Editor, event: KeyboardEvent): boolean => storageOf(editor).held?.hold(event) ?? false;

/** Says that what a list offers is here now; what waits for it is done as soon as it is shown. */
export const listIsHere = (editor: Editor): void => queueMicrotask(() => storageOf(editor).held?.go());

/** Lets keys wait for a list that is on its way. */
export const HoldsKeys = Extension.create<object, Storage>({
  name: 'holdsKeys',
  // Before everything that takes keys.
  priority: 4000,
  addStorage: () => ({ held: null }),
  addProseMirrorPlugins() {
    const { storage } = this;
    return [
      new Plugin({
        view: (view) => {
          // Each sees the lists as the one before it has left them.
          const held = new HeldKeys((key) => flushSync(() => pressIn(view, key)));
          storage.held = held;
          return {
            destroy: () => {
              held.end();
              storage.held = null;
            },
          };
        },
        props: {
          handleKeyDown: (_view, event) => storage.held?.take(event) ?? false,
          handleDOMEvents: {
            blur: () => void storage.held?.giveUp(),
            // Text that a keyboard on the screen composes can't wait.
            compositionstart: () => void storage.held?.giveUp(),
            paste: () => void storage.held?.giveUp(),
          },
        },
      }),
    ];
  },
});
