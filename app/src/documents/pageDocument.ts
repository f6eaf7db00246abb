import { FIELDS } from '@glossarion/core/document';
import { ySyncPluginKey } from '@tiptap/y-tiptap';
import * as Y from 'yjs';

/** Said of what is written beside the text: in fields. */
export const FIELD_ORIGIN = 'field';

/** Whose change is taken in: one that somebody made in another window, or one that the server made by itself. */
export type Source = 'window' | 'server';

/** One page's document in this window. When it is started afresh it gets a new Yjs document and tells so. */
export class PageDocument {
  document = new Y.Doc();
  epoch: number | null = null;
  isReady = false;
  /** What the server had when it was reached last was taken in: until then this may be an older copy. */
  isHeard = false;
  /** Refused by the server: it stays shown, and takes typing to be set aside, until the server's state is here. */
  isStale = false;
  /** Why the page can't be had, as a sentence; null when it can. */
  missing: string | null = null;
  /** The beginning of a day that was begun without the server and has to be sent along. */
  seed: Uint8Array | null = null;
  users = 0;
  private undo: { document: Y.Doc; manager: Y.UndoManager } | null = null;
  private listeners = new Set<() => void>();
  private version = 0;

  constructor(
    readonly pageId: string,
    readonly day: string | null,
  ) {}

  /** What this window wrote on the page during the visit, and can take back; what others write is left alone. */
  get undoManager(): Y.UndoManager {
    if (this.undo?.document !== this.document) {
      const scope = [this.document.getXmlFragment('body'), this.document.getMap(FIELDS)];
      const manager = new Y.UndoManager(scope, { trackedOrigins: new Set([ySyncPluginKey, FIELD_ORIGIN]) });
      this.undo = { document: this.document, manager };
    }
    return this.undo.manager;
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Called before something from elsewhere is taken in, so that what the person just did here comes first. */
  readonly beforeTakingIn = new Set<() => void>();

  /** Called after it was taken in. */
  readonly afterTakingIn = new Set<(source: Source) => void>();

  /** Takes in what came from the server or from this browser's store. */
  takeIn(update: Uint8Array, source: Source): void {
    this.beforeTakingIn.forEach((call) => call());
    Y.applyUpdate(this.document, update, 'remote');
    this.afterTakingIn.forEach((call) => call(source));
  }

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
