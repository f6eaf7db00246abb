import type { Act } from '@glossarion/core/acts';

/** Something that was done and can be taken back. */
export interface Deed {
  /** A sentence: “Sluice gate” is in the bin. */
  words: string;
  undo: Act[];
  /** Whether it changed the lines of a page. */
  bringsText: boolean;
  /** When it was done, in milliseconds, to tell whether something was written since. */
  at: number;
}
