import { useLayoutEffect, useState, type RefObject } from 'react';

/** What stands at the foot of the screen, and lies under nothing, says so. */
const AT_FOOT = 'data-at-foot';

/** How often it is looked at what stands there, in milliseconds: it comes and goes with the cursor and the keyboard. */
const LOOK_EVERY = 120;

/** How much of the foot, in pixels, is taken where an element stands. */
function takenBeneath(element: HTMLElement): number {
  const { left, right } = element.getBoundingClientRect();
  const tops = [...document.querySelectorAll(`[${AT_FOOT}]`)]
    .map((each) => each.getBoundingClientRect())
    .filter((each) => each.height > 0 && each.left < right && left < each.right)
    .map(({ top }) => top);
  return Math.max(0, window.innerHeight - Math.min(window.innerHeight, ...tops));
}

/** How far above the foot of the screen something has to stand to lie over nothing, in pixels. */
export function useFoot(element: RefObject<unknown>, isShown: boolean): number {
  const [taken, setTaken] = useState(0);
  useLayoutEffect(() => {
    if (!isShown) return;
    const look = () => element.current instanceof HTMLElement && setTaken(takenBeneath(element.current));
    look();
    const looking = setInterval(look, LOOK_EVERY);
    return () => clearInterval(looking);
  }, [element, isShown]);
  return taken;
}
