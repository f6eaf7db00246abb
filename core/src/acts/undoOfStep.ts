import type { Act } from './all';

/** What takes a step of another act back: what was made for it is not left in the bin. */
export const undoOfStep = (step: Act, undo: readonly Act[]): Act[] =>
  step.do === 'make' ? undo.map(({ id }): Act => ({ do: 'unmake', id })) : [...undo];
