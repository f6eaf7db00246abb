import { useLayoutEffect, useState } from 'react';

/**
 * For a field that takes the focus as it is drawn: React Native Web puts its cursor back where it was in an effect that
 * may come after the first keys, and comes before them once the field is drawn anew at once.
 */
export function useSteadyCursor(): void {
  const [, setDrawn] = useState(false);
  useLayoutEffect(() => setDrawn(true), []);
}
