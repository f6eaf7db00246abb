/** Whether nothing has the focus: the next key would go to nowhere. */
const isNowhere = (): boolean => document.activeElement === null || document.activeElement === document.body;

/** Gives the focus to the first of these that takes it, else to the screen; not when something has it. */
export function focusFirst(candidates: Iterable<HTMLElement>): void {
  if (!isNowhere()) return;
  for (const each of candidates) {
    each.focus({ preventScroll: true });
    if (document.activeElement === each) return;
  }
  document.getElementById('main')?.focus({ preventScroll: true });
}

/** An element and all that it stands in, up to the body. */
export function withAncestors(element: HTMLElement | null): HTMLElement[] {
  const all: HTMLElement[] = [];
  for (let each = element; each && each !== document.body; each = each.parentElement) all.push(each);
  return all;
}

/**
 * What has the focus may be taken out of the screen: by its own act, or with what it stands in. The browser then lets
 * the focus fall to nothing; it goes to what the element stood in, else to the screen. Returns how to stop.
 */
export function keepFocus(): () => void {
  const onFocusOut = ({ target, relatedTarget }: FocusEvent) => {
    if (relatedTarget !== null || !(target instanceof HTMLElement)) return;
    const stoodIn = withAncestors(target.parentElement);
    // Once all that was under way is drawn, and has said what shall have the focus.
    requestAnimationFrame(() => {
      if (!target.isConnected) focusFirst(stoodIn.filter((each) => each.isConnected));
    });
  };
  document.addEventListener('focusout', onFocusOut, true);
  return () => document.removeEventListener('focusout', onFocusOut, true);
}
