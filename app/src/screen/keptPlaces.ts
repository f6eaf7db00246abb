/**
 * Where a person was at each step of this window's history, so that Back and reload return to the exact spot. Each entry
 * of the history has a number of its own in its state.
 */

const KEY = 'glossarion-places';
const stepKey = (): string => String((window.history.state as { id?: string } | null)?.id ?? window.location.pathname);

function read(): Record<string, unknown> {
  try {
    return JSON.parse(sessionStorage.getItem(KEY) ?? '{}') as Record<string, unknown>;
  } catch {
    return {};
  }
}

let places = read();
const keyOf = (name: string): string => `${stepKey()} ${name}`;

/** What was kept under a name at the step that is shown; undefined when nothing was. */
export const keptPlace = (name: string): unknown => places[keyOf(name)];

/** Keeps where a person is now; undefined forgets it. */
export function keepPlace(name: string, value: unknown): void {
  places = { ...places, [keyOf(name)]: value };
  sessionStorage.setItem(KEY, JSON.stringify(places));
}
