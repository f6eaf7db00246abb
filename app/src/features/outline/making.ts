import { takeTypedAhead } from '../../kit/typedAhead';

/** Pages that are being made: what is typed meanwhile is meant for their titles, and asking twice makes one. */

let isMaking = false;
export const isMakingPage = (): boolean => isMaking;

/** How soon a second tap is the same one, and how long a page may take to be shown, in milliseconds. */
const SAME_TAP = 350;
const SHOWN_WITHIN = 4_000;

/** Runs what makes a page and shows it; while that goes on, being asked again does nothing. */
export async function makeOnce(make: () => Promise<unknown>): Promise<void> {
  if (isMaking) return;
  isMaking = true;
  const since = Date.now();
  const at = window.location.pathname;
  try {
    const isMade = (await make()) !== false;
    while (isMade && window.location.pathname === at && Date.now() - since < SHOWN_WITHIN) {
      if (document.querySelector('[role=dialog]')) break;
      await pause(16);
    }
    await pause(SAME_TAP - (Date.now() - since));
  } finally {
    isMaking = false;
    // What no title waits for is meant for nothing that is made later.
    if (!window.location.search.includes('at=title')) takeTypedAhead();
  }
}

const pause = (time: number) => new Promise((resolve) => setTimeout(resolve, Math.max(0, time)));
