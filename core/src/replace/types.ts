import type { MarkedPiece } from '../find/marked';
import type { Target } from '../links/target';

/** What is replaced, and by what. */
export interface ReplaceWish {
  /** Words as they stand, or a regular expression (https://github.com/google/re2/wiki/Syntax). */
  find: string;
  /** What stands in their place; of an expression, $1 is what its first brackets hold, $0 all of it, and $$ a dollar. */
  by: string;
  isExpression: boolean;
  /** Whether capitals have to be the same. */
  isCase: boolean;
  /** Whether letters and digits may not stand right before or after it. */
  isWhole: boolean;
}

/** The most characters of what is looked for, and of what stands in its place. */
export const MAX_REPLACED = 1_000;

/** A line before and after; `state` stands for what it is now, so that it is known whether it was changed meanwhile. */
export interface ReplacedLine {
  blockId: string;
  state: string;
  before: MarkedPiece[];
  after: MarkedPiece[];
}

/** The lines of a page that would be others. */
export interface ReplacedPage {
  page: Target;
  lines: ReplacedLine[];
}

/** What a replacement would change. */
export interface ReplacePreview {
  pages: ReplacedPage[];
  /** Whether there is more than is shown: these are replaced first. */
  isMore: boolean;
  /** Why nothing can be looked for, in a sentence; null when it can. */
  trouble: string | null;
}

/** A line that is to be replaced, as it was shown. */
export interface ChosenLine {
  pageId: string;
  blockId: string;
  state: string;
}
