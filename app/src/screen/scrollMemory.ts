import { useEffect, useRef } from 'react';
import { keepPlace, keptPlace } from './keptPlaces';

/**
 * Whether this entry of the history was shown before: it is being returned to. A new entry has no number yet when its
 * screen is first drawn, but its address together with the number of the one before is in no memory either.
 */
export const isRemembered = (address: string): boolean => keptPlace(address) !== undefined;

/** How long content that is still arriving is waited for. */
const WAIT = 4000;

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
      if (!isRestoring) return;
      scrolled.scrollTop = wanted!;
      if (Math.abs(scrolled.scrollTop - wanted!) < 2) settled ??= setTimeout(stop, 300);
    };
    let settled: ReturnType<typeof setTimeout> | undefined;
    const stop = () => {
      isRestoring = false;
      observer.disconnect();
    };
    const observer = new ResizeObserver(restore);
    for (const child of scrolled.children) observer.observe(child);
    restore();
    const timer = setTimeout(stop, WAIT);
    const onScroll = () => {
      if (isRestoring) return;
      // The number of a new entry is known by the time it is scrolled.
      keepPlace(address, scrolled.scrollTop);
    };
    const onTouch = () => stop();
    scrolled.addEventListener('scroll', onScroll, { passive: true });
    scrolled.addEventListener('wheel', onTouch, { passive: true });
    scrolled.addEventListener('touchstart', onTouch, { passive: true });
    return () => {
      stop();
      clearTimeout(timer);
      clearTimeout(settled);
      scrolled.removeEventListener('scroll', onScroll);
      scrolled.removeEventListener('wheel', onTouch);
      scrolled.removeEventListener('touchstart', onTouch);
    };
    // One screen shows one address from its first drawing to its last.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  return element;
}
