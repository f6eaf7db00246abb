import * as Y from 'yjs';
import type { KeptHere } from './localStore';
import type { PageDocument } from './pageDocument';

/** A copy is written when nothing was typed for so long, or so long after the first change, in milliseconds. */
const AFTER = 1_200;
const AT_LATEST = 5_000;

/** This browser's own copies of the pages it shows. */
export class PageCopies {
  private waiting = new Map<string, { page: PageDocument; since: number; timer: ReturnType<typeof setTimeout> }>();

  constructor(private local: KeptHere) {}

  keepSoon(page: PageDocument): void {
    const now = Date.now();
    const waiting = this.waiting.get(page.pageId);
    const since = waiting?.since ?? now;
    clearTimeout(waiting?.timer);
    // A long page takes a while to be written: not between two keys, if that can be helped.
    const timer = setTimeout(() => this.keepNow(page), Math.min(AFTER, since + AT_LATEST - now));
    this.waiting.set(page.pageId, { page, since, timer });
  }

  keepNow(page: PageDocument): void {
    clearTimeout(this.waiting.get(page.pageId)?.timer);
    this.waiting.delete(page.pageId);
    if (!page.isReady || page.isStale || page.epoch === null || page.seed) return;
    const state = Y.encodeStateAsUpdate(page.document);
    void this.local.putPage({ pageId: page.pageId, epoch: page.epoch, state }).catch(() => undefined);
  }

  keepWaiting(): void {
    for (const { page } of [...this.waiting.values()]) this.keepNow(page);
  }
}
