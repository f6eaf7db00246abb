import { useLayoutEffect, useState, type RefObject } from 'react';

/** What may stand at the foot of the screen, and lies under nothing, says so. */
const AT_FOOT = 'data-at-foot';

/** How often it is looked at what stands there, in milliseconds: it comes and goes with the cursor and the keyboard. */
const LOOK_EVERY = 120;

/** What stands above the foot stays in the window, so far from its edges, in pixels. */
const EDGE = 14;

/** How much of the foot, in pixels, is taken where an element stands; no more than leaves it in the window. */
function takenBeneath(element: HTMLElement): number {
  const { left, right, height } = element.getBoundingClientRect();
  const needed = height + 2 * EDGE;
  let foot = window.innerHeight;
  const standing = [...document.querySelectorAll(`[${AT_FOOT}]`)]
    .map((each) => each.getBoundingClientRect())
    .filter((each) => each.height > 0 && each.left < right && left < each.right)
    .sort((one, other) => other.bottom - one.bottom);
  // What leaves room enough beneath it stands higher up.
  for (const { top, bottom } of standing) if (foot - bottom < needed) foot = Math.min(foot, top);
  return Math.max(0, Math.min(window.innerHeight - foot, window.innerHeight - needed));
}

/** Where above the foot of the screen something has to stand to lie over nothing: its `bottom`, in pixels. */
export function useFoot(element: RefObject<unknown>, isShown: boolean): number {
  const [taken, setTaken] = useState(0);
  useLayoutEffect(() => {
    if (!isShown) return;
    const look = () => element.current instanceof HTMLElement && setTaken(takenBeneath(element.current));
    look();
    const looking = setInterval(look, LOOK_EVERY);
    return () => clearInterval(looking);
  }, [element, isShown]);
  return taken + EDGE;
}
