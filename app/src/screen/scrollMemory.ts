import { useEffect, useRef } from 'react';
import { keepPlace, keptPlace } from './keptPlaces';

/**
 * Whether this entry of the history was shown before: it is being returned to. A new entry has no number yet when its
 * screen is first drawn, but its address together with the number of the one before is in no memory either.
 */
export const isRemembered = (address: string): boolean => keptPlace(address) !== undefined;

/** How long content that is still arriving is waited for, in milliseconds. */
const WAIT = 10_000;
/** What a person does with the place themselves: nothing brings it back then. */
const OWN_MOVES = ['wheel', 'touchstart', 'pointerdown', 'keydown'] as const;
/** A key that is still held from going back with it moves nothing. */
const isHeldKey = (event: Event): boolean =>
  event instanceof KeyboardEvent && (event.repeat || /^(?:Alt|Control|Meta|Shift)/u.test(event.key));

/** Remembers and restores the place of a scrolled element while it shows one address. */
export function useScrollMemory(address: string) {
  const element = useRef<HTMLElement | null>(null);
  useEffect(() => {
    const scrolled = element.current;
    if (!scrolled) return;
    const kept = keptPlace(address);
    const wanted = typeof kept === 'number' ? kept : undefined;
    let isRestoring = wanted !== undefined && wanted > 0;
    const restore = () => {
      if (isRestoring) scrolled.scrollTop = wanted!;
    };
    const stop = () => {
      isRestoring = false;
      scrolled.style.overflowAnchor = '';
      observer.disconnect();
    };
    const observer = new ResizeObserver(restore);
    // A browser keeps what is seen in its place, by a line or two when its letters come.
    if (isRestoring) scrolled.style.overflowAnchor = 'none';
    for (const child of scrolled.children) observer.observe(child);
    restore();
    const timer = setTimeout(stop, WAIT);
    const onScroll = () => {
      if (isRestoring) return;
      // The number of a new entry is known by the time it is scrolled.
      keepPlace(address, scrolled.scrollTop);
    };
    scrolled.addEventListener('scroll', onScroll, { passive: true });
    const onMove = (event: Event) => isHeldKey(event) || stop();
    for (const move of OWN_MOVES) window.addEventListener(move, onMove, { passive: true, capture: true });
    return () => {
      stop();
      clearTimeout(timer);
      scrolled.removeEventListener('scroll', onScroll);
      for (const move of OWN_MOVES) window.removeEventListener(move, onMove, { capture: true });
    };
    // One screen shows one address from its first drawing to its last.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  return element;
}
