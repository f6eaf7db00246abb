import type { Gloss, MarginFacets } from '../margin/types';
import type { Target } from '../links/target';

/** A line that was said of a page on a day, or a task that was done for it. */
export interface LogEntry {
  gloss: Gloss;
  /** The day: that of the journal or the meeting it stands in, else the one on which its page was last changed. */
  on: string;
  /** Whether it stands there because it was done on that day. */
  isDone: boolean;
}

/** A month of a log: `month` as in 2026-03. */
export interface LogMonth {
  month: string;
  count: number;
}

/** A piece of what was said of a page, by date. */
export interface LogPiece {
  /** All that the filter leaves. */
  count: number;
  /** Its months in the order of the log. */
  months: LogMonth[];
  entries: LogEntry[];
  targets: Target[];
  /** The kinds of the pages that it comes from, most first; whatever the filter leaves. */
  kinds: MarginFacets['kinds'];
}
