import type { ListAnswer } from './heldKeys';

/** The way to a list that is shown beside the text, for the keys that the text gets. */
export interface PickerHandle {
  take: (key: string) => ListAnswer;
}

/** Keys that choose from a list. */
const LIST_KEYS = new Set(['Enter', 'Tab', 'ArrowUp', 'ArrowDown']);

/** What a list makes of a key: while it is on its way, it takes those that choose from it later. */
export const takenBy = (picker: PickerHandle | null, key: string): ListAnswer =>
  picker?.take(key) ?? (LIST_KEYS.has(key) ? 'later' : false);
