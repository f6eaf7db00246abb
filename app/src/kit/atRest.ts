/**
 * What is not needed yet waits until the first screen is at rest: until one can write in it, and the browser has nothing
 * else to do. A screen without a text is taken to be at rest after a while.
 */

/** In milliseconds after the page was loaded. */
const AT_LATEST = 1_500;

let isAtRest = false;
let waiting: (() => void)[] = [];

const idle = (work: () => void): unknown =>
  'requestIdleCallback' in globalThis ? requestIdleCallback(work, { timeout: 2_000 }) : setTimeout(work, 200);

/** Whether the first screen can be written in. */
export const hasRest = (): boolean => isAtRest;

/** Says that the first screen can be written in. */
export function reachRest(): void {
  if (isAtRest) return;
  isAtRest = true;
  const works = waiting;
  waiting = [];
  for (const work of works) idle(work);
}

/** Does some work when the first screen is at rest. */
export function whenAtRest(work: () => void): void {
  if (isAtRest) idle(work);
  else waiting.push(work);
}

if (typeof document !== 'undefined') {
  window.addEventListener?.('load', () => setTimeout(reachRest, AT_LATEST));
}
