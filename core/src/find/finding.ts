import type { Target } from '../links/target';
import type { MarkedPiece } from './mark';

/** A page that was found, with the line that fits best. */
export interface Finding extends Target {
  titlePieces: MarkedPiece[];
  /** The line to open at; null when the title alone fits. */
  blockId: string | null;
  linePieces: MarkedPiece[];
}
