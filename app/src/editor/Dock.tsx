import { useLayoutEffect, useRef, type ReactNode } from 'react';
import { createPortal } from 'react-dom';

/** A place at the foot of the window, over the bar of places: what is at hand while something is written. */
export function Dock({ label, children }: { label: string; children: ReactNode }) {
  const dock = useRef<HTMLDivElement>(null);
  useLayoutEffect(() => {
    // Beneath the middle of what is written, whatever stands beside it.
    const main = document.getElementById('main');
    if (!main) return;
    const place = () => {
      const { left, width } = (main.querySelector('.page-column') ?? main).getBoundingClientRect();
      dock.current?.style.setProperty('--middle', `${Math.round(left + width / 2)}px`);
    };
    place();
    const observer = new ResizeObserver(place);
    observer.observe(main);
    return () => observer.disconnect();
  }, []);
  return createPortal(
    <div ref={dock} role="region" aria-label={label} className="dock">
      {children}
    </div>,
    document.body,
  );
}
