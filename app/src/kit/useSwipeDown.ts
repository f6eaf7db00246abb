import { useEffect, type RefObject } from 'react';

/** How far, in pixels, or how fast, in pixels a millisecond, a finger goes down until what it holds is put away. */
const FAR = 90;
const FAST = 0.5;
/** What a finger moves within is a tap. */
const TREMBLE = 6;

/**
 * Puts a sheet away that is drawn down by its head, or by what it holds when that is scrolled to its beginning. While it
 * is drawn it goes along with the finger.
 */
export function useSwipeDown(sheet: RefObject<unknown>, isOn: boolean, onClose: () => void): void {
  useEffect(() => {
    const element = sheet.current as HTMLElement | null;
    if (!isOn || !element) return;
    let start: { y: number; at: number } | null = null;
    let by = 0;
    const onStart = (event: TouchEvent) => {
      const touch = event.touches.length === 1 ? event.touches[0]! : null;
      const target = event.target as HTMLElement;
      start = touch && mayDraw(target, element) ? { y: touch.clientY, at: event.timeStamp } : null;
      by = 0;
    };
    const onMove = (event: TouchEvent) => {
      if (!start) return;
      by = event.touches[0]!.clientY - start.y;
      // Whoever begins upwards scrolls.
      if (by < -TREMBLE) return void (start = null);
      if (by <= TREMBLE) return;
      event.preventDefault();
      element.style.transform = `translateY(${by}px)`;
    };
    const onEnd = (event: TouchEvent) => {
      element.style.transform = '';
      const isFar = start && (by > FAR || by / Math.max(1, event.timeStamp - start.at) > FAST);
      start = null;
      if (isFar && by > TREMBLE) onClose();
    };
    element.addEventListener('touchstart', onStart, { passive: true });
    element.addEventListener('touchmove', onMove, { passive: false });
    element.addEventListener('touchend', onEnd);
    element.addEventListener('touchcancel', onEnd);
    return () => {
      element.removeEventListener('touchstart', onStart);
      element.removeEventListener('touchmove', onMove);
      element.removeEventListener('touchend', onEnd);
      element.removeEventListener('touchcancel', onEnd);
    };
  }, [sheet, isOn, onClose]);
}

/** Not within a field, nor within what is scrolled away from its beginning. */
function mayDraw(target: HTMLElement, sheet: HTMLElement): boolean {
  if (target.closest('input, textarea, [contenteditable=true]')) return false;
  for (let each: HTMLElement | null = target; each && each !== sheet; each = each.parentElement) {
    if (each.scrollTop > 0) return false;
  }
  return true;
}
