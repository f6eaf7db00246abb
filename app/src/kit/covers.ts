import { useLayoutEffect, useRef } from 'react';

/**
 * What lies over the screen: sheets, drawers, cards; the topmost last. The window's Back closes the topmost first and
 * leaves the screen beneath as it is: the step back is undone before anything else hears of it. What stands ahead in the
 * history stays, since nothing is added to it; only where no step of this app stands behind, and none ahead, one is made
 * to be gone back to.
 */

interface Cover {
  close: () => void;
}

/** The Navigation API (WHATWG HTML, 7.2.7), as far as it is asked; browsers without it count no steps. */
interface Steps extends EventTarget {
  currentEntry: { index: number; key: string } | null;
  canGoForward: boolean;
  entries: () => { sameDocument: boolean }[];
}

const covers: Cover[] = [];
const steps = (): Steps | undefined => (window as unknown as { navigation?: Steps }).navigation;
const indexNow = (): number => steps()?.currentEntry?.index ?? -1;

let index = -1;
let isReturning = false;
/** The step beneath one that was made only to be gone back from. */
let beneath: string | null = null;

/** Hears the window’s steps. To be called before the router does so: listeners of a window are asked in their order. */
export function hearSteps(): void {
  index = indexNow();
  steps()?.addEventListener('currententrychange', (event) => {
    if ((event as Event & { navigationType?: string }).navigationType !== 'traverse') index = indexNow();
  });
  window.addEventListener('popstate', onStep);
}

function onStep(event: PopStateEvent): void {
  const [before, now] = [index, indexNow()];
  index = now;
  if (isReturning) {
    isReturning = false;
    return event.stopImmediatePropagation();
  }
  const by = now < 0 ? -1 : now - before;
  const top = covers.at(-1);
  if (top && by === -1) {
    event.stopImmediatePropagation();
    isReturning = true;
    window.history.forward();
    return top.close();
  }
  for (const cover of [...covers].reverse()) cover.close();
  if (beneath !== null && by < 0 && steps()?.currentEntry?.key === beneath) {
    event.stopImmediatePropagation();
    window.history.back();
  }
}

/** Sees to it that there is a step to be gone back from. */
function standAhead(): void {
  const all = steps();
  const isStepBehind = all ? all.entries()[indexNow() - 1]?.sameDocument === true : window.history.length > 1;
  if (isStepBehind || all?.canGoForward) return;
  beneath = all?.currentEntry?.key ?? null;
  window.history.pushState(window.history.state, '');
  index = indexNow();
}

/** What lies over the screen, for whoever laid it there. */
export interface Laid {
  isTop: () => boolean;
  /** Takes it away. */
  take: () => void;
}

/** Lays something over the screen until it is taken away. */
export function layOver(close: () => void): Laid {
  const cover = { close };
  covers.push(cover);
  standAhead();
  return {
    isTop: () => covers.at(-1) === cover,
    take: () => {
      const at = covers.indexOf(cover);
      if (at >= 0) covers.splice(at, 1);
    },
  };
}

/** Has Back close what this lies over the screen, while it is open. */
export function useCover(isOpen: boolean, onClose: () => void): void {
  const close = useRef(onClose);
  close.current = onClose;
  // With what is drawn: whoever sees it can go back from it.
  useLayoutEffect(() => {
    if (!isOpen) return;
    return layOver(() => close.current()).take;
  }, [isOpen]);
}

/** Whether the window has shown a place of this app before the one it shows. */
export const canStepBack = (): boolean => (steps() ? indexNow() > 0 : window.history.length > 1);
