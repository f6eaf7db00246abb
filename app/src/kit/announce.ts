let region: HTMLElement | null = null;
let timer: ReturnType<typeof setTimeout> | undefined;

/** Time for a screen reader to notice that the words are new ones, in milliseconds. */
const SETTLE = 60;

/** Says something to a screen reader in its turn: what was done by a key and is else only seen. */
export function announce(words: string): void {
  if (!region) {
    region = document.createElement('div');
    region.className = 'said';
    region.setAttribute('role', 'status');
    region.setAttribute('aria-live', 'polite');
    document.body.append(region);
  }
  const shown = region;
  // The same words twice are said twice.
  shown.textContent = '';
  clearTimeout(timer);
  timer = setTimeout(() => (shown.textContent = words), SETTLE);
}
