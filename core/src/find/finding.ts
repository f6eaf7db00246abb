import type { Target } from '../links/target';
import type { MarkedPiece } from './marked';

/** A line of a page that was found. */
export interface FoundLine {
  blockId: string;
  pieces: MarkedPiece[];
}

/** A page that was found, with the lines that fit best. */
export interface Finding extends Target {
  titlePieces: MarkedPiece[];
  /** The line to open at; null when the title alone fits. */
  blockId: string | null;
  /** The best first; none when the title alone fits. */
  lines: FoundLine[];
  /** When it was changed last. */
  changedAt: string;
}

/** What of a query line was taken otherwise than it may have been meant, at its place in the line. */
export interface Remark {
  from: number;
  to: number;
  words: string;
}

/** How many of what was found are of one kind, wear one tag, stand in one notebook. */
export interface FoundCount {
  /** As a filter of the line says it. */
  value: string;
  count: number;
}

/** What a query line finds, counted; of more than so many nothing is known. */
export interface FoundCounts {
  total: number;
  isMore: boolean;
  places: FoundCount[];
  kinds: FoundCount[];
  tags: FoundCount[];
}

/** What a query line finds. */
export interface Found {
  findings: Finding[];
  /** Words that were taken for what was typed, as they are written in what is shown. */
  also: string[];
  remarks: Remark[];
  /** Whether there is more than is shown. */
  isMore: boolean;
}
