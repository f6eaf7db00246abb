/**
 * A letter that shows something moves the focus there; pressed again, or Esc, it goes back to where one was, and what was
 * shown for it is put away again.
 */
export interface Place {
  /** What it is, when it is shown. */
  find: () => HTMLElement | null;
  show: () => void;
  hide: () => void;
}

/** How long what is shown may take to be drawn, in milliseconds. */
const DRAWN_WITHIN = 2_000;

let over: { place: Place; from: HTMLElement | null; wasShown: boolean } | null = null;

const isIn = (place: Place): boolean => place.find()?.contains(document.activeElement) === true;

export async function goOver(place: Place): Promise<void> {
  if (isIn(place)) return comeBack(place);
  const wasShown = place.find() !== null;
  over = { place, from: document.activeElement as HTMLElement | null, wasShown };
  if (!wasShown) place.show();
  const since = Date.now();
  while (place.find() === null && Date.now() - since < DRAWN_WITHIN) {
    await new Promise((resolve) => requestAnimationFrame(resolve));
  }
  enter(place.find());
}

/** To what of it can be acted on next: the line that stands for the place shown, else the first, else itself. */
function enter(element: HTMLElement | null): void {
  if (!element || element.contains(document.activeElement)) return;
  const inside =
    element.querySelector<HTMLElement>('[role=treeitem][tabindex="0"], [data-day][tabindex="0"]') ??
    element.querySelector<HTMLElement>('[data-present] .stack-open:not(.measured) .gloss a') ??
    element.querySelector<HTMLElement>('.gloss:not(.measured *) a, .gloss:not(.measured *) button, .stack-closed') ??
    element;
  inside.focus();
}

function comeBack(place: Place): void {
  const known = over?.place === place ? over : null;
  over = null;
  if (known && !known.wasShown) place.hide();
  const { from } = known ?? { from: null };
  const isThere = from !== null && from.isConnected && from !== document.body;
  (isThere ? from : document.getElementById('main'))?.focus({ preventScroll: true });
}

/** Goes back from what a letter went over to; false when the focus is in nothing of that sort. */
export function comeBackFromOver(): boolean {
  if (!over || !isIn(over.place)) return false;
  comeBack(over.place);
  return true;
}
