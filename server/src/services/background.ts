import type { Logger } from 'pino';
import type { Helper } from '../background/helper';
import type { MentionBatch } from '../background/mentions';
import type { Database } from '../database/database';
import type { Notices } from './notices';

/** How long after the last change its consequences are worked out, in milliseconds: not at every letter. */
const AFTER = 500;
/** While somebody writes on, they are worked out so long after the first change. */
const AT_LATEST = 5_000;
/** The pause between two pieces of work, in which others may write. */
const BETWEEN = 15;
/** What failed is tried again after this long. */
const AGAIN_AFTER = 15_000;
/** The newest part of the database is looked at after so many transactions, and joined from so many bytes on. */
const JOIN_AFTER = 50;
const JOIN_FROM = 4 * 1024 * 1024;
/** Windows are told of what was found at most so often. */
const TELL_EVERY = 1_000;

/** Works out what follows from changes, off the path of requests: what names what, and which pages are alike. */
export class Background {
  private timer: NodeJS.Timeout | null = null;
  /** When the first change came that nothing was made of yet. */
  private changedSince: number | null = null;
  private running: Promise<void> = Promise.resolve();
  private isClosed = false;
  private isJoining = false;
  private commits = 0;
  private kinWanted = new Map<string, string>();
  private toldAt = new Map<string, number>();

  constructor(
    private database: Database,
    private helper: Helper,
    private notices: Notices,
    private log: Logger,
  ) {
    this.poke();
    database.onEnd((isStored) => {
      if (isStored && (this.commits += 1) % JOIN_AFTER === 0) this.join();
    });
  }

  /** Joins the newest part of the database to it when that has grown. */
  join(): void {
    if (this.isClosed || this.isJoining || this.database.newest() < JOIN_FROM) return;
    this.isJoining = true;
    void this.helper
      .ask({ do: 'join' })
      .catch((error: unknown) => (this.isClosed ? undefined : this.log.error(error, 'the newest part was not joined')))
      .finally(() => (this.isJoining = false));
  }

  /** Something changed: what follows from it is worked out soon. */
  poke(): void {
    if (this.isClosed) return;
    const now = Date.now();
    this.changedSince ??= now;
    if (this.timer) clearTimeout(this.timer);
    this.timer = setTimeout(
      () => {
        this.timer = null;
        this.changedSince = null;
        this.running = this.running.then(() => this.work());
      },
      Math.min(AFTER, Math.max(0, this.changedSince + AT_LATEST - now)),
    ).unref();
  }

  /** The pages most like one are wanted; windows are told when they were found. */
  wantKin(ownerId: string, pageId: string): void {
    this.kinWanted.set(pageId, ownerId);
    this.poke();
  }

  /** Names came or went in a way that was not written down. */
  forget(ownerId: string): void {
    void this.helper.ask({ do: 'forget', ownerId }).catch(() => undefined);
    this.poke();
  }

  /** Resolves when all that is due was done. */
  async idle(): Promise<void> {
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
    this.changedSince = null;
    this.running = this.running.then(() => this.work());
    await this.running;
  }

  async close(): Promise<void> {
    this.isClosed = true;
    if (this.timer) clearTimeout(this.timer);
    // What is being looked for is not waited for: it is due again at the next start.
    await this.helper.close();
    await this.running;
  }

  private async work(): Promise<void> {
    try {
      await this.findKin();
      for (;;) {
        if (this.isClosed) return;
        const batch = await this.helper.ask({ do: 'mentions' });
        if (!batch) break;
        const owners = await this.database.write(() => this.store(batch));
        owners.forEach((ownerId) => this.tell(ownerId));
        await this.findKin();
        await new Promise((resolve) => setTimeout(resolve, BETWEEN));
      }
    } catch (error) {
      if (this.isClosed) return;
      this.log.error(error, 'background work failed');
      setTimeout(() => this.poke(), AGAIN_AFTER).unref();
    }
  }

  /** Stores what was found, but of no page that changed meanwhile; gives those whose pages are named otherwise now. */
  private store(batch: MentionBatch): Set<string> {
    const { writer } = this.database;
    const owners = new Set<string>();
    if (batch.names) {
      writer.prepare('DELETE FROM namesDue WHERE number <= ?').run(batch.names.upTo);
      const due = writer.prepare(MAKE_DUE);
      for (const pageId of batch.names.pages) due.run(pageId);
    }
    const isDue = writer.prepare('DELETE FROM mentionsDue WHERE pageId = ? AND number = ?');
    const held = writer.prepare('SELECT name, blockId, places FROM mentions WHERE pageId = ?');
    const clear = writer.prepare('DELETE FROM mentions WHERE pageId = ?');
    const add = writer.prepare('INSERT OR REPLACE INTO mentions (name, pageId, blockId, places) VALUES (?, ?, ?, ?)');
    for (const { pageId, ownerId, number, mentions } of batch.pages) {
      if (isDue.run(pageId, number).changes === 0) continue;
      const rows = mentions.map(({ name, blockId, places }) => ({ name, blockId, places: JSON.stringify(places) }));
      const before = held.all(pageId) as typeof rows;
      if (rowsKey(before) === rowsKey(rows)) continue;
      clear.run(pageId);
      for (const { name, blockId, places } of rows) add.run(name, pageId, blockId, places);
      owners.add(ownerId);
    }
    return owners;
  }

  private async findKin(): Promise<void> {
    for (const [pageId, ownerId] of this.kinWanted) {
      if (this.isClosed) return;
      this.kinWanted.delete(pageId);
      const found = await this.helper.ask({ do: 'kin', ownerId, pageId });
      await this.database.write(() => {
        const { writer } = this.database;
        if (!writer.prepare('SELECT 1 FROM entries WHERE id = ?').get(pageId)) return;
        writer.prepare('DELETE FROM kin WHERE pageId = ?').run(pageId);
        const add = writer.prepare(
          `INSERT INTO kin (pageId, place, otherId, likeness, why)
           SELECT ?, ?, id, ?, ? FROM entries WHERE id = ?`,
        );
        found.forEach(({ id, likeness, ...why }, place) => add.run(pageId, place, likeness, JSON.stringify(why), id));
        writer
          .prepare('INSERT OR REPLACE INTO kinMade (pageId, madeAt) VALUES (?, ?)')
          .run(pageId, new Date().toISOString());
      });
      this.notices.send(ownerId, { pageId, changed: ['kin'] });
    }
  }

  private tell(ownerId: string): void {
    const since = Date.now() - (this.toldAt.get(ownerId) ?? 0);
    if (since < 0) return;
    const wait = Math.max(0, TELL_EVERY - since);
    this.toldAt.set(ownerId, Date.now() + wait);
    setTimeout(() => this.notices.send(ownerId, { pageId: null, changed: ['named'] }), wait).unref();
  }
}

/** Marks a page to be looked through (again). */
export const MAKE_DUE = `INSERT OR REPLACE INTO mentionsDue (pageId, ownerId, number)
  SELECT id, ownerId, (SELECT COALESCE(MAX(number), 0) + 1 FROM mentionsDue) FROM entries WHERE id = ?`;

const rowsKey = (rows: readonly { name: string; blockId: string; places: string }[]): string =>
  rows
    .map(({ name, blockId, places }) => `${name}\n${blockId}\n${places}`)
    .sort()
    .join('\n');
