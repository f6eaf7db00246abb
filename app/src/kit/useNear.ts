import { useEffect, useState, type RefObject } from 'react';

/** What is so far from what is seen is not drawn, in pixels. */
const NEAR = '900px';

/**
 * Whether an element is near what is seen, and the room that is kept for it while it is not drawn.
 *
 * @param isDrawn whether what it holds is there when it is near
 * @param likely how high it is taken to be until it was drawn, in pixels
 * @param root what is scrolled; the window where nothing is named
 */
export function useNear(
  element: RefObject<HTMLElement | null>,
  isDrawn: boolean,
  likely: number,
  root?: string,
): { isNear: boolean; minHeight: number | undefined } {
  const [isNear, setNear] = useState(false);
  const [height, setHeight] = useState(likely);
  useEffect(() => {
    const observer = new IntersectionObserver(([entry]) => setNear(entry?.isIntersecting ?? false), {
      root: root ? document.querySelector(root) : null,
      rootMargin: NEAR,
    });
    observer.observe(element.current!);
    return () => observer.disconnect();
  }, [element, root]);
  const isShown = isNear && isDrawn;
  useEffect(() => {
    if (!isShown) return;
    const observer = new ResizeObserver(([entry]) => setHeight(entry!.contentRect.height));
    observer.observe(element.current!);
    return () => observer.disconnect();
  }, [element, isShown]);
  return { isNear, minHeight: isShown ? undefined : height };
}
