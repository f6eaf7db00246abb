/** The buttons of a toolbar, in their order. */
const buttonsOf = (bar: HTMLElement): HTMLElement[] => [...bar.querySelectorAll<HTMLElement>('button:not([disabled])')];

/** Goes to the first button of a toolbar; false when it has none. */
export function enterToolbar(bar: HTMLElement | null): boolean {
  const [first] = bar ? buttonsOf(bar) : [];
  first?.focus();
  return first !== undefined;
}

const STEPS: Record<string, (index: number, count: number) => number> = {
  ArrowRight: (index, count) => (index + 1) % count,
  ArrowLeft: (index, count) => (index - 1 + count) % count,
  Home: () => 0,
  End: (_index, count) => count - 1,
};

/**
 * Goes along a toolbar by arrows, Home and End (WAI-ARIA Authoring Practices, toolbar); true when the key was taken.
 * In a text that runs from right to left the arrows go as one sees.
 */
export function walkToolbar(bar: HTMLElement, key: string): boolean {
  const buttons = buttonsOf(bar);
  const index = buttons.indexOf(document.activeElement as HTMLElement);
  const isRightToLeft = getComputedStyle(bar).direction === 'rtl';
  const seen = isRightToLeft ? { ArrowRight: 'ArrowLeft', ArrowLeft: 'ArrowRight' }[key] : undefined;
  const step = STEPS[seen ?? key];
  if (!step || index < 0) return false;
  buttons[step(index, buttons.length)]!.focus();
  return true;
}
