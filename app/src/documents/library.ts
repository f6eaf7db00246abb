import * as Y from 'yjs';
import { seedDocument, UPDATE_PIECE } from '@glossarion/core/document';
import type { ChangeNotice } from '@glossarion/core/notices';
import { beginDay } from '@glossarion/core/journal';
import type { ServerMessage } from '@glossarion/core/messages';
import type { Ahead } from './ahead';
import type { KeptHere, OutboxItem, StoredPage } from './localStore';
import { Connection } from './connection';
import { fromBase64, toBase64 } from './base64';
import { PageCopies } from './pageCopies';
import { PageDocument } from './pageDocument';
import { typedWords } from './typedWords';

/** `full`: the server has no room for it at present; it is kept here and sent again. */
export type Saving = 'saved' | 'saving' | 'offline' | 'full';

export interface LibraryEvents {
  onSaving: (saving: Saving) => void;
  /** The server tells of changes from now on; how far others had been told before (core/notices). */
  onHeard: (told: string) => void;
  onChanged: (changed: ChangeNotice[]) => void;
  /** The server is reached again: what changed meanwhile was told to nobody here. */
  onBack: () => void;
  onKept: () => void;
  /** The server can't store anything at present, for this reason. */
  onFull: (reason: string) => void;
  /** The session ended; whoever is there has to sign in again. */
  onSignedOut: () => void;
  /** The server speaks of kinds of blocks that this window does not know. */
  onOutdated: () => void;
}

const FLUSH_AFTER = 120;
/** A long page takes the server longer to store: it is sent so many times less often than that takes, within a second. */
const FLUSH_PACE = 3;
const FLUSH_AT_LATEST = 1_000;
/** A day is begun without the server after this long, and only when the server can't be reached or is very slow. */
const SEED_AFTER = 400;
const SLOW_CONNECTION = 4_000;
/** What the server had no room for is sent again after this long. */
const FULL_RETRY = 3_000;
/** A document that nobody shows any more is let go after this long. */
const LET_GO_AFTER = 20_000;

interface Waiting {
  key: number;
  item: OutboxItem;
}

interface Queue {
  waiting: Waiting[];
  /** Keys that were sent and are not acknowledged yet. */
  inFlight: { number: number; keys: Set<number>; sentAt: number } | null;
  /** How long what is typed is gathered before it is sent, in milliseconds. */
  pause: number;
  timer: ReturnType<typeof setTimeout> | null;
}

/**
 * The pages that are open in this window, and the way of what is typed to the server: into this browser's outbox at
 * once, over one socket in small batches, and out of the outbox when the server has stored it.
 */
export class Library {
  private connection: Connection;
  private number = 0;
  private pages = new Map<string, PageDocument>();
  /** Those that this browser's own copy is on its way to. */
  private filling = new Set<PageDocument>();
  private queues = new Map<string, Queue>();
  private copies: PageCopies;
  /** What was typed within the present task, and goes to the outbox with the next. */
  private typed: OutboxItem[] = [];
  /** Whether the server had no room for what it was sent last. */
  private isFull = false;
  /** Items that are being written to the outbox, or about to be. */
  private writing = 0;

  /** @param ahead what was begun before this was here, and is gone on with */
  constructor(
    private local: KeptHere,
    private events: LibraryEvents,
    ahead: Pick<Ahead, 'page' | 'way'> | null = null,
  ) {
    this.copies = new PageCopies(local);
    const { onSignedOut, onOutdated } = events;
    this.connection = new Connection(
      {
        onOpen: (isBack) => {
          this.opened();
          if (isBack) this.events.onBack();
        },
        onMessage: (message) => this.take(message),
        onLost: () => this.lost(),
        onTooLong: () => this.setAsideSent(),
        onSignedOut,
        onOutdated,
        isWaiting: () => !this.isAllSent(),
      },
      ahead?.way?.socket,
    );
    window.addEventListener('beforeunload', this.warn);
    document.addEventListener('visibilitychange', this.keepWaitingCopies);
    if (ahead) this.takeUp(ahead);
    else void this.recallOutbox();
  }

  /** Goes on with the page that was asked for ahead, and hears what was answered meanwhile. */
  private takeUp({ page: here, way }: Pick<Ahead, 'page' | 'way'>): void {
    if (here) {
      const page = new PageDocument(here.id, here.day);
      this.pages.set(here.id, page);
      this.show(page, here.stored, here.outbox);
      if (!this.connection.isOpen) this.seedOffline(page);
      page.users += 1;
      this.release(page);
    }
    if (this.connection.isOpen) this.opened(way?.asked);
    else void this.recallOutbox();
    for (const data of way?.heard ?? []) this.take(JSON.parse(data) as ServerMessage);
  }

  private warn = (event: BeforeUnloadEvent): void => {
    if (this.isAllSent()) return;
    event.preventDefault();
  };

  isAllSent(): boolean {
    return this.writing === 0 && [...this.queues.values()].every((queue) => queue.waiting.length === 0);
  }

  /** The document of a page, shared by everything that shows it. Call `release` when it is shown no more. */
  acquire(pageId: string, day: string | null): PageDocument {
    let page = this.pages.get(pageId);
    if (!page) {
      page = new PageDocument(pageId, day);
      this.pages.set(pageId, page);
      this.filling.add(page);
      void this.fill(page);
    }
    page.users += 1;
    return page;
  }

  /** A page that this window has already. */
  atHand(pageId: string): PageDocument | null {
    return this.pages.get(pageId) ?? null;
  }

  release(page: PageDocument): void {
    page.users -= 1;
    setTimeout(() => {
      if (page.users > 0 || this.pages.get(page.pageId) !== page) return;
      this.pages.delete(page.pageId);
      this.copies.keepNow(page);
      if (this.connection.isOpen) this.connection.say({ type: 'close', page: page.pageId });
      page.document.destroy();
    }, LET_GO_AFTER);
  }

  private attach(page: PageDocument): void {
    const { document } = page;
    document.on('update', (update: Uint8Array, origin: unknown) => {
      if (page.document !== document || origin === 'remote' || origin === 'stored') return;
      this.enqueue(page, update);
    });
  }

  /** Only from now on can something be typed in it: what it is filled with need not be told as changes. */
  private setReady(page: PageDocument): void {
    if (!page.isReady) this.attach(page);
    page.setReady();
  }

  /** Shows what this browser has of a page, then what the server has. */
  private async fill(page: PageDocument): Promise<void> {
    const { document } = page;
    // Without a store of its own this browser still shows what the server has.
    await this.fillFromHere(page).catch(() => undefined);
    this.filling.delete(page);
    if (page.document !== document) return;
    if (this.connection.isOpen) this.ask(page);
    else this.seedOffline(page);
  }

  private async fillFromHere(page: PageDocument): Promise<void> {
    const { document, pageId } = page;
    const [stored, outbox] = await Promise.all([this.local.page(pageId), this.local.outbox(pageId)]);
    if (page.document === document) this.show(page, stored, outbox);
  }

  /** Shows what this browser has of a page, if it has any. */
  private show(page: PageDocument, stored: StoredPage | undefined, outbox: readonly { item: OutboxItem }[]): void {
    if (stored) {
      page.epoch = stored.epoch;
      Y.applyUpdate(page.document, stored.state, 'stored');
    }
    for (const { item } of outbox) Y.applyUpdate(page.document, item.update, 'stored');
    if (stored || outbox.length > 0) this.setReady(page);
  }

  /** A day that was never opened here can be begun without the server: every device begins it with the same blocks. */
  private seedOffline(page: PageDocument, waited = 0): void {
    if (waited < SEED_AFTER || (!this.connection.hasFailed && waited < SLOW_CONNECTION)) {
      setTimeout(() => this.seedOffline(page, waited + SEED_AFTER), SEED_AFTER);
      return;
    }
    if (this.connection.isOpen || page.isReady || page.day === null) return;
    page.epoch = 1;
    const seed = seedDocument(page.pageId, '', beginDay({ pageId: page.pageId }));
    Y.applyUpdate(page.document, seed, 'stored');
    page.seed = seed;
    this.setReady(page);
  }

  private ask(page: PageDocument): void {
    // What a day was begun with here counts only once something was written to it.
    const vector = page.isStale || page.seed ? null : toBase64(Y.encodeStateVector(page.document));
    this.connection.say({ type: 'open', page: page.pageId, day: page.day, vector });
  }

  private queue(pageId: string): Queue {
    let queue = this.queues.get(pageId);
    if (!queue) this.queues.set(pageId, (queue = { waiting: [], inFlight: null, pause: FLUSH_AFTER, timer: null }));
    return queue;
  }

  private enqueue(page: PageDocument, update: Uint8Array): void {
    const { pageId, day } = page;
    const updates = page.seed ? [page.seed, update] : [update];
    page.seed = null;
    const epoch = page.epoch ?? 1;
    this.writing += 1;
    this.tellSaving();
    this.connection.watch();
    this.typed.push({ pageId, epoch, day, update: Y.mergeUpdates(updates) });
    // As soon as the key has been dealt with; the letter is shown first.
    if (this.typed.length === 1) setTimeout(this.storeTyped);
    this.copies.keepSoon(page);
  }

  /** Puts what was typed since the last time into the outbox, and in line to be sent. */
  private storeTyped = (): void => {
    for (const item of this.typed.splice(0)) {
      void this.local
        .addToOutbox(item)
        .catch(() => -Date.now() - Math.random())
        .then((key) => {
          this.writing -= 1;
          this.queue(item.pageId).waiting.push({ key, item });
          this.flushSoon(item.pageId);
        });
    }
  };

  private async recallOutbox(): Promise<void> {
    try {
      for (const { key, item } of await this.local.outbox()) {
        const queue = this.queue(item.pageId);
        if (queue.waiting.some((waiting) => waiting.key === key)) continue;
        queue.waiting.push({ key, item });
        // It may be another window's of this browser: what is sent from here has to be known here, or else what the
        // server answers takes away what it does not show.
        const page = this.pages.get(item.pageId);
        if (!page?.isReady || page.isStale || page.epoch !== item.epoch) continue;
        page.takeIn(item.update, 'window');
        this.copies.keepSoon(page);
      }
    } catch {
      // Nothing can be recalled without a store.
    }
    this.tellSaving();
  }

  private flushSoon(pageId: string): void {
    const queue = this.queue(pageId);
    queue.timer ??= setTimeout(() => {
      queue.timer = null;
      this.flush(pageId);
    }, queue.pause);
  }

  private flush(pageId: string): void {
    const queue = this.queue(pageId);
    if (!this.connection.isOpen || queue.inFlight || queue.waiting.length === 0) return;
    const { epoch, day } = queue.waiting[0]!.item;
    const batch = queue.waiting.filter(({ item }) => item.epoch === epoch);
    this.number += 1;
    queue.inFlight = { number: this.number, keys: new Set(batch.map(({ key }) => key)), sentAt: Date.now() };
    const whole = Y.mergeUpdates(batch.map(({ item }) => item.update));
    // A long one goes in pieces, between which others come through.
    const last = Math.floor((whole.length - 1) / UPDATE_PIECE) * UPDATE_PIECE;
    for (let from = 0; from < last; from += UPDATE_PIECE) {
      const piece = toBase64(whole.subarray(from, from + UPDATE_PIECE));
      this.connection.say({ type: 'part', page: pageId, number: this.number, update: piece });
    }
    const update = toBase64(whole.subarray(last));
    this.connection.say({ type: 'update', page: pageId, day, epoch, number: this.number, update });
    this.tellSaving();
  }

  private async acknowledge(pageId: string, number: number): Promise<void> {
    const keys = this.takeInFlight(pageId, number);
    if (!keys) return;
    this.isFull = false;
    await this.local.takeFromOutbox(keys).catch(() => undefined);
    this.tellSaving();
    this.flushSoon(pageId);
  }

  /** The server had no room: what was sent stays in line, and is sent again in a while. */
  private waitForRoom(pageId: string, number: number | null, reason: string): void {
    const page = this.pages.get(pageId);
    if (number === null) {
      setTimeout(() => page && this.connection.isOpen && this.ask(page), FULL_RETRY);
    } else {
      const queue = this.queue(pageId);
      if (queue.inFlight?.number !== number) return;
      queue.inFlight = null;
      queue.timer ??= setTimeout(() => {
        queue.timer = null;
        this.flush(pageId);
      }, FULL_RETRY);
    }
    if (!this.isFull) this.events.onFull(reason);
    this.isFull = true;
    this.tellSaving();
  }

  private takeInFlight(pageId: string, number: number): number[] | null {
    const queue = this.queue(pageId);
    if (queue.inFlight?.number !== number) return null;
    const { keys, sentAt } = queue.inFlight;
    queue.inFlight = null;
    queue.pause = Math.min(FLUSH_AT_LATEST, Math.max(FLUSH_AFTER, FLUSH_PACE * (Date.now() - sentAt)));
    queue.waiting = queue.waiting.filter(({ key }) => !keys.has(key));
    return [...keys];
  }

  /** Sets text aside that the server will not take, and starts the page afresh from what the server has. */
  private async setAside(pageId: string, reason: string): Promise<void> {
    const queue = this.queue(pageId);
    const page = this.pages.get(pageId);
    const text = typedWords(queue.waiting.map(({ item }) => item.update));
    const title = page?.document.getText('title').toString() ?? '';
    const keys = queue.waiting.map(({ key }) => key);
    queue.waiting = [];
    queue.inFlight = null;
    if (text.trim())
      await this.local.keep({ pageId, title, text, reason, at: new Date().toISOString() }).catch(() => undefined);
    await this.local.takeFromOutbox(keys).catch(() => undefined);
    await this.local.dropPage(pageId).catch(() => undefined);
    if (page) {
      page.isStale = true;
      if (this.connection.isOpen) this.ask(page);
    }
    this.tellSaving();
    if (text.trim()) this.events.onKept();
  }

  /** What was being sent was longer than the server takes: sent again, it would be so for ever. */
  private setAsideSent(): void {
    for (const [pageId, queue] of this.queues) {
      if (queue.inFlight) void this.setAside(pageId, 'It is longer than a page can take at one time.');
    }
  }

  /** A window that is left may never come back. */
  private keepWaitingCopies = (): void => {
    if (document.visibilityState !== 'hidden') return;
    this.storeTyped();
    this.copies.keepWaiting();
  };

  /** There is a way to the server. @param asked the page that it was asked for already */
  private opened(asked: string | null = null): void {
    this.tellSaving();
    // What this browser has of a page comes first: of what stands in it the server need not tell.
    for (const page of this.pages.values()) if (!this.filling.has(page) && page.pageId !== asked) this.ask(page);
    void this.recallOutbox().then(() => [...this.queues.keys()].forEach((pageId) => this.flush(pageId)));
  }

  /** The way to the server is gone: what was sent without an answer is sent again when there is one. */
  private lost(): void {
    for (const queue of this.queues.values()) queue.inFlight = null;
    for (const page of this.pages.values()) page.isHeard = false;
    this.tellSaving();
  }

  private take(message: ServerMessage): void {
    switch (message.type) {
      case 'state':
        return this.takeState(message);
      case 'update': {
        const page = this.pages.get(message.page);
        if (!page?.isReady || page.isStale || page.epoch !== message.epoch) return;
        page.takeIn(fromBase64(message.update), message.source);
        return this.copies.keepSoon(page);
      }
      case 'saved':
        return void this.acknowledge(message.page, message.number);
      case 'wait':
        return this.waitForRoom(message.page, message.number, message.reason);
      case 'refused':
        if (message.number === null) return this.pages.get(message.page)?.setMissing(message.reason);
        return void this.setAside(message.page, message.reason);
      case 'told':
        return this.events.onHeard(message.told);
      case 'changed':
        return this.events.onChanged(message.changed);
    }
  }

  private takeState(message: Extract<ServerMessage, { type: 'state' }>): void {
    const page = this.pages.get(message.page);
    if (!page) return;
    page.isHeard = true;
    if (page.isStale) {
      page.startAfresh(message.epoch, fromBase64(message.update));
      this.attach(page);
      return this.copies.keepSoon(page);
    }
    if (page.epoch !== null && page.epoch !== message.epoch) {
      void this.setAside(message.page, 'The page was built anew elsewhere.');
      return;
    }
    if (page.seed && this.beginsOtherwise(page, message)) return this.copies.keepSoon(page);
    page.epoch = message.epoch;
    // What this window has and the server has not, taken before deletions from elsewhere could empty it.
    const missing = Y.encodeStateAsUpdate(page.document, fromBase64(message.vector));
    if (page.isReady && !page.seed && Y.decodeUpdate(missing).structs.length > 0) this.enqueue(page, missing);
    page.takeIn(fromBase64(message.update), 'window');
    this.setReady(page);
    this.copies.keepSoon(page);
    this.tellSaving();
  }

  /** Whether the server begins the day otherwise than it was begun here without it: then the server's beginning counts. */
  private beginsOtherwise(page: PageDocument, message: Extract<ServerMessage, { type: 'state' }>): boolean {
    const theirs = new Y.Doc();
    Y.applyUpdate(theirs, fromBase64(message.update));
    page.seed = null;
    const isSame = theirs.getXmlFragment('body').toString() === page.document.getXmlFragment('body').toString();
    if (isSame) return false;
    page.startAfresh(message.epoch, fromBase64(message.update));
    this.attach(page);
    return true;
  }

  private tellSaving(): void {
    const unsent = this.isFull ? 'full' : 'saving';
    this.events.onSaving(this.connection.isCutOff ? 'offline' : this.isAllSent() ? 'saved' : unsent);
  }

  /** Resolves when all that was typed is stored on the server, or after the time given. */
  async settle(milliseconds: number): Promise<boolean> {
    const end = Date.now() + milliseconds;
    this.storeTyped();
    while (!this.isAllSent() && !this.connection.isCutOff && Date.now() < end) {
      // Somebody waits for it: nothing is gathered first.
      for (const pageId of this.queues.keys()) this.flush(pageId);
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    return this.isAllSent();
  }

  /** Resolves when a page is as the server has it, when the server can't be reached, or after the time given. */
  async hear(pageId: string, milliseconds: number): Promise<void> {
    const end = Date.now() + milliseconds;
    const isWaiting = () => this.pages.get(pageId)?.isHeard === false && !this.connection.isCutOff;
    while (isWaiting() && Date.now() < end) await new Promise((resolve) => setTimeout(resolve, 50));
  }

  close(): void {
    window.removeEventListener('beforeunload', this.warn);
    document.removeEventListener('visibilitychange', this.keepWaitingCopies);
    this.storeTyped();
    this.connection.close();
    this.local.close();
  }
}
