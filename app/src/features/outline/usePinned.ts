import { usePinsQuery } from '../../state/api';

/**
 * Whether an entry is pinned; undefined as long as nobody has said so. Where the pins can't be reached it counts as not
 * pinned.
 */
export function usePinned(entryId: string): boolean | undefined {
  const { data: pins, isError } = usePinsQuery();
  return pins ? pins.some((pin) => pin.id === entryId) : isError ? false : undefined;
}
