import * as Y from 'yjs';

/** One page's document in this window. When it is started afresh it gets a new Yjs document and tells so. */
export class PageDocument {
  document = new Y.Doc();
  epoch: number | null = null;
  isReady = false;
  /** Refused by the server: it stays shown, and takes typing to be set aside, until the server's state is here. */
  isStale = false;
  /** Why the page can't be had, as a sentence; null when it can. */
  missing: string | null = null;
  /** The beginning of a day that was begun without the server and has to be sent along. */
  seed: Uint8Array | null = null;
  users = 0;
  private listeners = new Set<() => void>();
  private version = 0;

  constructor(
    readonly pageId: string,
    readonly day: string | null,
  ) {}

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Changes whenever the page becomes ready, missing, or is started afresh. */
  snapshot = (): number => this.version;

  private tell(): void {
    this.version += 1;
    this.listeners.forEach((listener) => listener());
  }

  setReady(): void {
    if (this.isReady) return;
    this.isReady = true;
    this.missing = null;
    this.tell();
  }

  setMissing(reason: string): void {
    this.missing = reason;
    this.tell();
  }

  /** Shows the page anew from what the server has. What was shown until now is let go. */
  startAfresh(epoch: number, state: Uint8Array): void {
    this.document = new Y.Doc();
    Y.applyUpdate(this.document, state, 'remote');
    this.epoch = epoch;
    this.isStale = false;
    this.isReady = true;
    this.seed = null;
    this.tell();
  }
}
