import type { ChangeNotice } from '../notices/changed';

/** What a window and the server say to each other over the socket. Updates and state vectors are Yjs bytes in base64. */

/** What a window says to the server. */
export type ClientMessage =
  | { type: 'open'; page: string; day: string | null; vector: string | null }
  | { type: 'close'; page: string }
  /** A piece of an update that is too long for one message; the update itself follows with the last piece. */
  | { type: 'part'; page: string; number: number; update: string }
  | { type: 'update'; page: string; day: string | null; epoch: number; number: number; update: string };

/** What the server says to a window. */
export type ServerMessage =
  | { type: 'state'; page: string; epoch: number; update: string; vector: string }
  /** What somebody did in another window, or what the server did by itself: lifted lines, mended what two did at once. */
  | { type: 'update'; page: string; epoch: number; update: string; source: UpdateSource }
  | { type: 'saved'; page: string; number: number }
  /** The server can't store it at present; the window keeps it and sends it again. */
  | { type: 'wait'; page: string; number: number | null; reason: string }
  | { type: 'refused'; page: string; number: number | null; reason: string; isStale: boolean }
  /** First of all: how far others have been told of changes (notices/told); this window is told of what follows. */
  | { type: 'told'; told: string }
  | { type: 'changed'; changed: ChangeNotice[] };

/** Who made a change that the server tells of. */
export type UpdateSource = 'window' | 'server';

/** The most bytes of one message. */
export const MAX_MESSAGE = 8 * 1024 * 1024;
