import { indexByKey } from './menuKeys';

/** The buttons of a toolbar, in their order. */
const buttonsOf = (bar: HTMLElement): HTMLElement[] => [...bar.querySelectorAll<HTMLElement>('button:not([disabled])')];

/** Goes to the first button of a toolbar; false when it has none. */
export function enterToolbar(bar: HTMLElement | null): boolean {
  const [first] = bar ? buttonsOf(bar) : [];
  first?.focus();
  return first !== undefined;
}

/** What an arrow along a toolbar does in a menu, which runs down. */
const ALONG: Record<string, string> = { ArrowRight: 'ArrowDown', ArrowLeft: 'ArrowUp' };
const MIRRORED: Record<string, string> = { ArrowRight: 'ArrowLeft', ArrowLeft: 'ArrowRight' };

/**
 * Goes along a toolbar by arrows, Home, End and letters (WAI-ARIA Authoring Practices, toolbar); true when the key was
 * taken. In a text that runs from right to left the arrows go as one sees.
 */
export function walkToolbar(bar: HTMLElement, key: string): boolean {
  const buttons = buttonsOf(bar);
  const index = buttons.indexOf(document.activeElement as HTMLElement);
  if (index < 0 || key === 'ArrowUp' || key === 'ArrowDown') return false;
  const seen = getComputedStyle(bar).direction === 'rtl' ? (MIRRORED[key] ?? key) : key;
  const names = buttons.map((each) => (each.getAttribute('aria-label') ?? each.textContent).trim().toLowerCase());
  const next = indexByKey(names, index, ALONG[seen] ?? seen);
  if (next === null) return false;
  buttons[next]!.focus();
  return true;
}
