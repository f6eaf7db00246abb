import type { KeyboardEvent } from 'react';

/** What is ticked, switched or chosen by the space bar, as buttons are pressed: React Native presses those alone by it. */
const BY_SPACE_BAR: ReadonlySet<string> = new Set(['checkbox', 'switch', 'radio']);

/** What a key on something of a role does besides what it does there already. */
export function pressedBySpaceBar(
  role: string,
  press: (event: KeyboardEvent<HTMLElement>) => void,
  also?: (event: KeyboardEvent<HTMLElement>) => void,
): ((event: KeyboardEvent<HTMLElement>) => void) | undefined {
  if (!BY_SPACE_BAR.has(role)) return also;
  return (event) => {
    also?.(event);
    if (event.key !== ' ' || event.repeat || event.target !== event.currentTarget || event.defaultPrevented) return;
    event.preventDefault();
    press(event);
  };
}
