import { useEffect, useState, type RefObject } from 'react';

/** What is open over the screen, the topmost last: it alone hears the keys. */
const opened: symbol[] = [];

/**
 * Keeps the focus in what lies over the screen while it is open, and gives it back after; Esc closes, unless the field
 * with the focus takes it for itself (`data-takes-escape`).
 */
export function useModal(dialog: RefObject<unknown>, onClose: () => void): void {
  // Taken while drawing, before a field of what opens takes the focus.
  const [before] = useState(() => document.activeElement as HTMLElement | null);

  useEffect(() => {
    const element = dialog.current as HTMLElement | null;
    if (element && !element.contains(document.activeElement)) {
      (element.querySelector<HTMLElement>('input, textarea') ?? element).focus();
    }
    const self = Symbol('modal');
    opened.push(self);
    const onKeyDown = (event: KeyboardEvent) => {
      if (opened.at(-1) !== self) return;
      if (event.key === 'Escape' && !(event.target as HTMLElement).closest?.('[data-takes-escape]')) {
        event.stopPropagation();
        onClose();
      }
      if (event.key === 'Tab' && element) keepWithin(element, event);
    };
    document.addEventListener('keydown', onKeyDown, true);
    return () => {
      opened.splice(opened.indexOf(self), 1);
      document.removeEventListener('keydown', onKeyDown, true);
      if (before?.isConnected) before.focus();
    };
    // It is opened once; a new onClose of the same changes nothing.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
}

function keepWithin(element: HTMLElement, event: KeyboardEvent): void {
  const inside = [...element.querySelectorAll<HTMLElement>('a[href], button, input, textarea, [tabindex="0"]')].filter(
    (each) => !each.hasAttribute('disabled') && each.tabIndex >= 0,
  );
  const first = inside[0];
  const last = inside[inside.length - 1];
  if (!first || !last) return;
  if (event.shiftKey && document.activeElement === first) {
    event.preventDefault();
    last.focus();
  } else if (!event.shiftKey && document.activeElement === last) {
    event.preventDefault();
    first.focus();
  }
}
