import { useEffect, useLayoutEffect, useRef, useState, type RefObject } from 'react';
import type { FocusTrap } from 'focus-trap';
import { whenAtRest } from './atRest';
import { layOver } from './covers';
import { focusFirst, withAncestors } from './keepFocus';

/** Its code comes when the first screen is at rest, or with the first sheet; null where it can't be fetched. */
const trapKit = async () => import('focus-trap').catch(() => null);
whenAtRest(trapKit);

/** What had the focus before each that lay over the screen. */
const hadFocus = new WeakMap<Element, HTMLElement | null>();

/**
 * Keeps the focus in what lies over the screen while it is open, and gives it back after, unless it was taken by then.
 * Esc closes, unless the field with the focus takes it for itself (`data-takes-escape`); so does the window's Back.
 */
export function useModal(dialog: RefObject<unknown>, onClose: () => void): void {
  // Taken while drawing, before a field of what opens takes the focus.
  const [before] = useState(() => document.activeElement as HTMLElement | null);
  const close = useRef(onClose);
  close.current = onClose;

  // With what is drawn: whoever sees it can go back from it, and types into it.
  useLayoutEffect(() => {
    const laid = layOver(() => close.current());
    const element = dialog.current as HTMLElement;
    hadFocus.set(element, before);
    firstFocus(element).focus({ preventScroll: true });
    const onKeyDown = (event: KeyboardEvent) => {
      if (event.key !== 'Escape' || !laid.isTop()) return;
      if ((event.target as HTMLElement).closest?.('[data-takes-escape]')) return;
      event.stopPropagation();
      close.current();
    };
    document.addEventListener('keydown', onKeyDown, true);
    return () => {
      document.removeEventListener('keydown', onKeyDown, true);
      laid.take();
    };
  }, [dialog, before]);

  useEffect(() => {
    const element = dialog.current as HTMLElement;
    let trap: FocusTrap | null = null;
    let isGone = false;
    void trapKit().then((kit) => {
      if (isGone || !kit) return;
      trap = kit.createFocusTrap(element, {
        initialFocus: () => firstFocus(element),
        fallbackFocus: element,
        delayInitialFocus: false,
        preventScroll: true,
        escapeDeactivates: false,
        allowOutsideClick: true,
        returnFocusOnDeactivate: false,
      });
      trap.activate();
    });
    // Once it is gone from the screen: what has the focus till then keeps it.
    return () => {
      isGone = true;
      trap?.deactivate();
      giveBack(before);
    };
  }, [dialog, before]);
}

/** Gives the focus back, unless something has it by now; where what had it is gone, to the screen. */
function giveBack(before: HTMLElement | null): void {
  if (before === null || before === document.body) return;
  // What shows only under the pointer can't have it: what it stands in can.
  focusFirst(withAncestors(stillThere(before)));
}

/** The element; when it stood in something that lay over the screen and is gone, what had the focus before that. */
function stillThere(element: HTMLElement): HTMLElement | null {
  if (element.isConnected) return element;
  for (let each: Element | null = element; each; each = each.parentElement) {
    const before = hadFocus.get(each);
    if (before && before !== document.body) return stillThere(before);
  }
  return null;
}

/** What has the focus already, else what is marked to have it, the first field, or what opened. */
function firstFocus(element: HTMLElement): HTMLElement {
  const focused = document.activeElement as HTMLElement | null;
  if (focused && element.contains(focused)) return focused;
  const first = element.querySelector<HTMLElement>('[data-first-focus]');
  return first ?? element.querySelector<HTMLElement>('input, textarea') ?? element;
}
