import { useEffect, useRef, type RefObject } from 'react';

/** A finger that goes so far across, in pixels, and twice as far as up or down, swipes. */
const FAR = 56;

/** Tells of a finger that swipes across an element: 1 towards what comes next, -1 towards what was before. */
export function useSwipeAcross(element: RefObject<HTMLElement | null>, onSwipe: (by: 1 | -1) => void): void {
  const latest = useRef(onSwipe);
  latest.current = onSwipe;
  useEffect(() => {
    const target = element.current;
    if (!target) return;
    let start: { x: number; y: number } | null = null;
    const begin = ({ touches }: TouchEvent) => {
      start = touches.length === 1 ? { x: touches[0]!.clientX, y: touches[0]!.clientY } : null;
    };
    const end = ({ changedTouches }: TouchEvent) => {
      const [finger] = changedTouches;
      if (!start || !finger) return;
      const [across, down] = [finger.clientX - start.x, finger.clientY - start.y];
      start = null;
      if (Math.abs(across) < FAR || Math.abs(across) < 2 * Math.abs(down)) return;
      const isForward = across < 0 === (getComputedStyle(target).direction !== 'rtl');
      latest.current(isForward ? 1 : -1);
    };
    target.addEventListener('touchstart', begin, { passive: true });
    target.addEventListener('touchend', end, { passive: true });
    return () => {
      target.removeEventListener('touchstart', begin);
      target.removeEventListener('touchend', end);
    };
  }, [element]);
}
