import type { Target } from '../links/target';
import type { EntryKind } from '../outline/entry';

/** Something in the bin. */
export interface BinnedEntry extends Target {
  kind: EntryKind;
  deletedAt: string;
  pagesBeneath: number;
  sectionsBeneath: number;
  /** What was deleted that it went along with; null when it was deleted itself. */
  withId: string | null;
  withTitle: string | null;
}

/** A page whose links break when something is deleted for good. */
export interface Breaking {
  page: Target;
  /** How many of its links. */
  links: number;
}

export interface Breaks {
  pages: number;
  sections: number;
  links: number;
  from: Breaking[];
}
