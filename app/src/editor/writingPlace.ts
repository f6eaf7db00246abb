import type { TrailStep } from '@glossarion/core/outline';

/** Where a page made from within a sentence may live. */
export interface WritingPlace {
  pageId: string;
  /** What the page stands in; null for a day, which stands in the journal. */
  parentId: string | null;
  trail: TrailStep[];
  title: string;
}
