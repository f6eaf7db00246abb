import type { SessionInfo } from '../state/types';
import type { OutboxItem, StoredPage } from './localStore';

/** A page that was asked for ahead, and what this browser has of it. */
export interface PageAhead {
  id: string;
  day: string | null;
  stored: StoredPage | undefined;
  outbox: { key: number; item: OutboxItem }[];
}

/** The way to the server, opened ahead, and what came over it so far. */
export interface SocketAhead {
  socket: WebSocket;
  heard: string[];
  /** The page that the server was asked for. */
  asked: string | null;
}

/** What was asked for while the app's own script was on its way (begin/): so much of it as is here. */
export interface Ahead {
  session: SessionInfo | null;
  database: IDBDatabase | null;
  page: PageAhead | null;
  way: SocketAhead | null;
  /** Whether nothing more comes, and when that is. */
  isWhole: boolean;
  whole: Promise<void>;
}

declare global {
  interface Window {
    glossarionAhead?: Ahead;
  }
}
