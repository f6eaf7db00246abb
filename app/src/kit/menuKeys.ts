/**
 * Goes about in what a sheet offers by keys: arrows go on, Home and End to its ends, letters to what begins with them
 * (WAI-ARIA Authoring Practices, type-ahead); the same letter again goes on among those.
 */

/** Letters that are typed further apart begin anew, in milliseconds. */
const TOGETHER = 800;

let typed = '';
let typedAt = 0;

const wordsOf = (element: HTMLElement): string =>
  (element.getAttribute('aria-label') ?? element.textContent).trim().toLowerCase();

/** The index that a key leads to from another; null for a key that leads nowhere. */
export function indexByKey(names: readonly string[], from: number, key: string, now = Date.now()): number | null {
  const last = names.length - 1;
  if (last < 0) return null;
  if (key.length > 1) typed = '';
  if (key === 'ArrowDown') return from >= last ? 0 : from + 1;
  if (key === 'ArrowUp') return from <= 0 ? last : from - 1;
  if (key === 'Home') return 0;
  if (key === 'End') return last;
  if (!/^\p{L}$/u.test(key)) return null;
  typed = now - typedAt > TOGETHER ? key.toLowerCase() : typed + key.toLowerCase();
  typedAt = now;
  const isSame = [...typed].every((letter) => letter === typed[0]);
  const wanted = isSame ? typed[0]! : typed;
  const start = isSame && typed.length > 0 ? from + 1 : Math.max(from, 0);
  for (let step = 0; step < names.length; step += 1) {
    const index = (start + step) % names.length;
    if (names[index]!.startsWith(wanted)) return index;
  }
  return null;
}

/** Takes a key for what an element offers; true when it did. Fields keep their keys. */
export function walkMenu(
  menu: HTMLElement,
  { key, target, ctrlKey, metaKey, altKey }: Pick<KeyboardEvent, 'key' | 'target' | 'ctrlKey' | 'metaKey' | 'altKey'>,
): boolean {
  const element = target as HTMLElement;
  if (ctrlKey || metaKey || altKey || element.closest('input, textarea, select, [contenteditable=true], [role=tree]')) {
    return false;
  }
  const offers = [...menu.querySelectorAll<HTMLElement>('[role=group] :is(button, [role=button])')].filter(
    (offer) => !offer.matches(':disabled, [aria-disabled=true]'),
  );
  const next = indexByKey(offers.map(wordsOf), offers.indexOf(document.activeElement as HTMLElement), key);
  if (next === null) return false;
  offers[next]!.focus();
  return true;
}
