import { startTransition, useEffect, useState, type ReactNode } from 'react';
import { hasRest, whenAtRest } from './atRest';

/** Whether the first screen is at rest; one who writes meanwhile does not wait for what is drawn then. */
export function useAtRest(): boolean {
  const [isAtRest, setAtRest] = useState(hasRest);
  useEffect(() => {
    if (isAtRest) return;
    let isGone = false;
    whenAtRest(() => isGone || startTransition(() => setAtRest(true)));
    return () => {
      isGone = true;
    };
  }, [isAtRest]);
  return isAtRest;
}

/** What stands around a text, and is drawn as soon as one can write there: the text comes first. */
export const Afterwards = ({ children }: { children: ReactNode }) => (useAtRest() ? children : null);
