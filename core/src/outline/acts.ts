import type { EntryKind, Ornament, Pigment } from './entry';
import type { Season } from './season';

/**
 * The structural acts. Each is small, names what it touches by id, and has an inverse that is made of acts too: so
 * undo and redo are acts like any other, for whatever was done.
 */
export type Act =
  | {
      do: 'make';
      id: string;
      kind: EntryKind;
      parentId: string | null;
      afterId?: string | null;
      name: string;
      pigment?: Pigment;
      ornament?: Ornament | null;
      description?: string;
      /** The page begins with a live overview of what stands beneath this. */
      overviewOf?: string;
    }
  | { do: 'name'; id: string; name: string }
  | {
      do: 'describe';
      id: string;
      pigment?: Pigment;
      ornament?: Ornament | null;
      description?: string;
      /** Whether the page shows the pages beneath it as leaves. */
      showsLeaves?: boolean;
    }
  | { do: 'place'; id: string; parentId: string | null; afterId?: string | null }
  /** The inverse of `place`: back to the very spot. */
  | { do: 'putBack'; id: string; parentId: string | null; orderKey: string }
  | { do: 'season'; id: string; season: Season }
  | { do: 'bin'; id: string }
  /** The inverse of `bin`: out of it again where it stood, whatever else is in the bin. */
  | { do: 'unbin'; id: string }
  /** Brought back to where it can be seen: its own place, or the nearest that is left. */
  | { do: 'restore'; id: string }
  /** Copies an entry with everything beneath it; the copy's own id is `copyId`. */
  | { do: 'duplicate'; id: string; copyId: string }
  | { do: 'pin'; id: string; afterId?: string | null }
  | { do: 'unpin'; id: string };

export type ActKind = Act['do'];

/** The most acts one request may hold. */
export const MAX_ACTS = 500;
