import type { Logger } from 'pino';
import type { Helper } from '../background/helper';
import type { AlsoNamedBatch } from '../background/alsoNamed';
import { In, type EntityManager } from 'typeorm';
import { accountOf, ownView } from '../access';
import type { Database } from '../database/database';
import { prepared } from '../sqlite/prepared';
import {
  AlsoNamedDueEntity,
  AlsoNamedEntity,
  EntryEntity,
  KinEntity,
  KinMadeEntity,
  NameDueEntity,
  type StoredAlsoNamed,
} from '../entities';
import { MAKE_DUE } from '../entities/alsoNamed.queries';
import type { Errand } from './errand';
import { mergeIndex } from './find/merging';
import type { Notices } from './notices';
import { letOthers } from './turns';

/** How long after the last change its consequences are worked out, in milliseconds: not at every letter. */
const AFTER = 500;
/** While somebody writes on, they are worked out so long after the first change. */
const AT_LATEST = 5_000;
/** What failed is tried again after this long. */
const AGAIN_AFTER = 15_000;
/** The newest part of the database is looked at after so many transactions, and joined from so many bytes on. */
const JOIN_AFTER = 50;
/** The index of words is merged after so many. */
const MERGE_AFTER = 2_000;
const JOIN_FROM = 4 * 1024 * 1024;
/** Windows are told of what was found at most so often. */
const TELL_EVERY = 1_000;
/** Rows that one statement stores. */
const ROWS_AT_ONCE = 500;

/** Works out what follows from changes, off the path of requests: what names what, and which pages are alike. */
export class Background {
  private timer: NodeJS.Timeout | null = null;
  /** When the first change came that nothing was made of yet. */
  private changedSince: number | null = null;
  private running: Promise<void> = Promise.resolve();
  private isClosed = false;
  private isJoining = false;
  private commits = 0;
  /** Whether the index of words may have come in many parts: after a start, an import, many changes. */
  private isMergeDue = true;
  private kinWanted = new Set<string>();
  private toldAt = new Map<string, number>();

  constructor(
    private database: Database,
    private helper: Helper,
    /** What else is done beside all. */
    private errands: readonly Errand[],
    private notices: Notices,
    private log: Logger,
  ) {
    this.poke();
    errands.forEach((errand) => errand.poke());
    database.onEnd((isStored) => {
      if (!isStored) return;
      this.commits += 1;
      if (this.commits % JOIN_AFTER === 0) this.join();
      if (this.commits % MERGE_AFTER === 0) this.isMergeDue = true;
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
  wantKin(pageId: string): void {
    this.kinWanted.add(pageId);
    this.poke();
  }

  /** Names came or went in a way that was not written down. */
  forget(accountId: string): void {
    void this.helper.ask({ do: 'forget', accountId }).catch(() => undefined);
    this.isMergeDue = true;
    this.poke();
  }

  /** Resolves when all that is due was done. */
  async idle(): Promise<void> {
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
    this.changedSince = null;
    this.running = this.running.then(() => this.work());
    await Promise.all([this.running, ...this.errands.map((errand) => errand.idle())]);
  }

  async close(): Promise<void> {
    this.isClosed = true;
    if (this.timer) clearTimeout(this.timer);
    // What is being looked for is not waited for: it is due again at the next start.
    await Promise.all([this.helper.close(), ...this.errands.map((errand) => errand.close())]);
    await this.running;
  }

  private async work(): Promise<void> {
    try {
      await this.findKin();
      for (;;) {
        if (this.isClosed) return;
        const batch = await this.helper.ask({ do: 'alsoNamed' });
        if (!batch) break;
        const accounts = await this.database.writePiece((manager) => this.store(manager, batch));
        accounts.forEach((accountId) => this.tell(accountId));
        await this.findKin();
        await this.pause();
      }
      if (!this.isMergeDue) return;
      this.isMergeDue = false;
      await mergeIndex(this.database, () => this.pause());
    } catch (error) {
      if (this.isClosed) return;
      this.log.error(error, 'background work failed');
      setTimeout(() => this.poke(), AGAIN_AFTER).unref();
    }
  }

  /** Lets others write; whether to go on. */
  private async pause(): Promise<boolean> {
    await letOthers();
    return !this.isClosed;
  }

  /** Stores what was found, but of nothing that changed meanwhile; gives those whose pages are named otherwise now. */
  private async store(manager: EntityManager, batch: AlsoNamedBatch): Promise<Set<string>> {
    const { writer } = this.database;
    if (batch.names) {
      await manager.delete(NameDueEntity, { number: In(batch.names.numbers) });
      for (const documentId of batch.names.documents) prepared(writer, MAKE_DUE).run(documentId);
    }
    const due = await manager.findBy(AlsoNamedDueEntity, {
      documentId: In(batch.documents.map(({ documentId }) => documentId)),
    });
    const numbers = new Map(due.map(({ documentId, number }) => [documentId, number]));
    const present = batch.documents.filter(({ documentId, number }) => numbers.get(documentId) === number);
    await manager.delete(AlsoNamedDueEntity, { documentId: In(present.map(({ documentId }) => documentId)) });
    const accounts = new Set<string>();
    const changed: string[] = [];
    const rows: StoredAlsoNamed[] = [];
    const stored = await manager.findBy(AlsoNamedEntity, {
      documentId: In(present.map(({ documentId }) => documentId)),
    });
    for (const { documentId, accountId, lines } of present) {
      const found = lines.map((line) => ({ ...line, documentId, places: JSON.stringify(line.places) }));
      const before = stored.filter((row) => row.documentId === documentId);
      if (rowsKey(before) === rowsKey(found)) continue;
      changed.push(documentId);
      rows.push(...found);
      accounts.add(accountId);
    }
    if (changed.length > 0) await manager.delete(AlsoNamedEntity, { documentId: In(changed) });
    for (let from = 0; from < rows.length; from += ROWS_AT_ONCE) {
      await manager.insert(AlsoNamedEntity, rows.slice(from, from + ROWS_AT_ONCE));
    }
    return accounts;
  }

  private async findKin(): Promise<void> {
    for (const pageId of this.kinWanted) {
      if (this.isClosed) return;
      this.kinWanted.delete(pageId);
      const accountId = accountOf(this.database.reader, pageId);
      if (accountId === undefined) continue;
      const pages = await this.pagesOf(accountId);
      const found = await this.helper.ask({ do: 'kin', accountId, pageId, pages });
      await this.database.writePiece(async (manager) => {
        const { writer } = this.database;
        if (accountOf(writer, pageId) === undefined) return;
        await manager.delete(KinEntity, { pageId });
        const rows = found
          .filter(({ id }) => accountOf(writer, id) !== undefined)
          .map(({ id, likeness, ...why }, place) => ({
            pageId,
            place,
            otherId: id,
            likeness,
            why: JSON.stringify(why),
          }));
        if (rows.length > 0) await manager.insert(KinEntity, rows);
        await manager.upsert(KinMadeEntity, { pageId, madeAt: new Date().toISOString() }, ['pageId']);
      });
      this.notices.send(accountId, { what: 'kin', ids: [pageId] });
    }
  }

  /** How many pages an account sees. */
  private pagesOf(accountId: string): Promise<number> {
    const query = this.database.manager.createQueryBuilder(EntryEntity, 'e').where("e.kind = 'page'");
    return this.database.reading(ownView(accountId)).visible(query).getCount();
  }

  private tell(accountId: string): void {
    const since = Date.now() - (this.toldAt.get(accountId) ?? 0);
    if (since < 0) return;
    const wait = Math.max(0, TELL_EVERY - since);
    this.toldAt.set(accountId, Date.now() + wait);
    setTimeout(() => this.notices.send(accountId, { what: 'alsoNamed', ids: null }), wait).unref();
  }
}

const rowsKey = (rows: readonly { name: string; blockId: string; places: string }[]): string =>
  rows
    .map(({ name, blockId, places }) => `${name}\n${blockId}\n${places}`)
    .sort()
    .join('\n');
