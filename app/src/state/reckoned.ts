import { whenAtRest } from '../kit/atRest';

export type Reckoning = typeof import('./reckoning');

/** Reading days and computing repeats takes code that no first screen needs. */
let here: Reckoning | null = null;

/** Gets the code that reads days and computes repeats; does nothing when it is here or can't be fetched. */
export async function prepareReckoning(): Promise<void> {
  here ??= await import('./reckoning').catch(() => null);
}

/** The code, when it is here; else it is on its way. */
export function reckoningHere(): Reckoning | null {
  if (!here) void prepareReckoning();
  return here;
}

whenAtRest(() => void prepareReckoning());
