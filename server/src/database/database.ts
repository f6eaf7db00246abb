import BetterSqlite3 from 'better-sqlite3';
import { accessSync, constants, mkdirSync, statSync } from 'node:fs';
import { open } from 'node:fs/promises';
import path from 'node:path';
import { DataSource, type EntityManager, type QueryRunner } from 'typeorm';
import { AccountEntity, entities } from '../entities';
import { Foundations1790000000000 } from '../migrations/1790000000000-foundations';
import { Structure1790000100000 } from '../migrations/1790000100000-structure';
import { Links1790000300000 } from '../migrations/1790000300000-links';
import { Writing1790000200000 } from '../migrations/1790000200000-writing';
import { Places1790000400000 } from '../migrations/1790000400000-places';
import { Documents1790000500000 } from '../migrations/1790000500000-documents';
import { Canonical1790000600000 } from '../migrations/1790000600000-canonical';
import { Tags1790000700000 } from '../migrations/1790000700000-tags';
import { Margin1790000800000 } from '../migrations/1790000800000-margin';
import { Tasks1790000900000 } from '../migrations/1790000900000-tasks';
import { Kinds1791000100000 } from '../migrations/1791000100000-kinds';
import { Tray1791000000000 } from '../migrations/1791000000000-tray';
import { Vocabulary1791000200000 } from '../migrations/1791000200000-vocabulary';
import { TagsMerged1791000300000 } from '../migrations/1791000300000-tagsMerged';
import { AttachmentTexts1791000400000 } from '../migrations/1791000400000-attachmentTexts';
import { CountedLanguages1791000500000 } from '../migrations/1791000500000-countedLanguages';
import { CountedImports1791000600000 } from '../migrations/1791000600000-countedImports';
import { CountedFiles1791000700000 } from '../migrations/1791000700000-countedFiles';
import { ViewerConnection, type Viewer } from '../access';
import type { RawDatabase } from '../sqlite/prepared';
import { copyBeforeMigrations, dropCopies } from './copies';
import { examine } from './examine';
import { lockFolder } from './lock';
import { readMarker, writeMarker } from './marker';
import { openToRead } from './reading';
import { StartError } from '../startError';
import { Trouble, troubleOf } from './trouble';
import { WriteQueue } from './writeQueue';

const MIGRATIONS = [
  Foundations1790000000000,
  Structure1790000100000,
  Writing1790000200000,
  Links1790000300000,
  Places1790000400000,
  Documents1790000500000,
  Canonical1790000600000,
  Tags1790000700000,
  Margin1790000800000,
  Tasks1790000900000,
  Tray1791000000000,
  Kinds1791000100000,
  Vocabulary1791000200000,
  TagsMerged1791000300000,
  AttachmentTexts1791000400000,
  CountedLanguages1791000500000,
  CountedImports1791000600000,
  CountedFiles1791000700000,
];

/** The most that the writing connection keeps in memory, in kilobytes. */
const WRITER_CACHE = 16_384;

/** The most pages a database can have (https://www.sqlite.org/limits.html, 10). */
const MOST_PAGES = 4_294_967_294;

/** Called when a transaction is over, before anybody is told how it went. */
export type Ending = (isStored: boolean) => void;

/**
 * One database file with two connections. Writing goes through TypeORM's connection and one queue, since transactions
 * that overlap on one connection would become one. Reading has a connection of its own and sees what is committed.
 */
export class Database {
  /** The imports that are under way: of what they bring, nothing is seen. */
  readonly importing = new Set<string>();
  private writes = new WriteQueue();
  private endings = new Set<Ending>();
  private wroteAt = -Infinity;
  private syncing: { how: 'FULL' | 'NORMAL'; of: RawDatabase | null } = { how: 'FULL', of: null };
  private raw: RawDatabase | undefined;
  private changes: BetterSqlite3.Statement | null = null;
  private version: BetterSqlite3.Statement | undefined;
  /** Why the last transaction could not be stored, as long as none was since. */
  private trouble: Trouble | null = null;

  private constructor(
    private source: DataSource,
    private readingSource: DataSource,
    private folder: string,
    readonly file: string,
    /** The connection that reads what is committed. */
    readonly reader: RawDatabase,
    private unlock: () => void,
  ) {}

  /** Repositories and queries that read what is committed. */
  get manager(): EntityManager {
    return this.readingSource.manager;
  }

  /** What is committed, as a viewer may see it. */
  reading(viewer: Viewer): ViewerConnection {
    return new ViewerConnection(this.reader, viewer, this.importing.size > 0);
  }

  /** The transaction that is under way, as a viewer may see it; only within `write`. */
  writing(viewer: Viewer): ViewerConnection {
    return new ViewerConnection(this.writer, viewer, this.importing.size > 0);
  }

  /** The connection that is written on; only within `write`. It may be another one after a failure. */
  get writer(): RawDatabase {
    return this.raw!;
  }

  /**
   * Opens the database of a folder, for this process alone. It grows to `limit` bytes at most; what would be more is
   * refused as if the disk were full.
   *
   * @throws StartError with a sentence when that can't be; nothing was changed then
   */
  static async open(folder: string, limit = Infinity): Promise<Database> {
    makeFolder(folder);
    const unlock = lockFolder(folder);
    try {
      const file = path.join(folder, 'glossarion.sqlite');
      const known = MIGRATIONS.map(({ name }) => name);
      examine(folder, file, known);
      const isRenewed = copyBeforeMigrations(folder, file, known);
      const opened: { database?: Database } = {};
      let writer: RawDatabase | undefined;
      const source = new DataSource({
        type: 'better-sqlite3',
        database: file,
        entities,
        migrations: MIGRATIONS,
        synchronize: false,
        prepareDatabase: (connection: RawDatabase) => {
          writer = connection;
          if (opened.database) opened.database.raw = connection;
          prepare(connection, limit);
        },
      });
      await source.initialize();
      await source.runMigrations({ transaction: 'each' });
      const { source: readingSource, reader } = await openToRead(file);
      const database = new Database(source, readingSource, folder, file, reader, unlock);
      opened.database = database;
      database.raw = writer;
      await database.mark(true);
      // The start before this one was good: what it was renewed from is not needed any more.
      if (!isRenewed) dropCopies(folder);
      return database;
    } catch (error) {
      unlock();
      throw error instanceof StartError ? error : cannotOpen(folder, error);
    }
  }

  /** Remembers beside the database whether it is open, and that it holds accounts. */
  private async mark(isOpen: boolean): Promise<void> {
    const hasAccounts = await this.manager.exists(AccountEntity);
    const present = readMarker(this.folder);
    if (present?.isOpen !== isOpen || present.hasAccounts !== hasAccounts) {
      writeMarker(this.folder, { isOpen, hasAccounts });
    }
  }

  /** How large the database is, in bytes. */
  size(): number {
    const of = (pragma: string) => this.reader.pragma(pragma, { simple: true }) as number;
    return of('page_count') * of('page_size');
  }

  /** The first account was made: from now on an empty database in this folder is one that was lost. */
  markAccounts(): Promise<void> {
    return this.mark(true);
  }

  /** Calls `ending` at the end of every transaction; what was kept in memory of one that failed must be let go. */
  onEnd(ending: Ending): void {
    this.endings.add(ending);
  }

  /**
   * Runs one transaction after all before it. It commits when `work` is through and rolls back when it throws.
   * Resolves once what was written can be seen by the reading connection.
   *
   * @throws Trouble when the disk would not take it; whatever `work` throws
   */
  write<T>(work: (manager: EntityManager) => Promise<T> | T): Promise<T> {
    return this.writes.run(() => {
      this.syncAs('FULL');
      return this.transact(work);
    });
  }

  /**
   * The same for a piece of long work that counts only once it is whole: it is not waited for until the disk has it.
   * What is written after it is, and then so is this.
   */
  writePiece<T>(work: (manager: EntityManager) => Promise<T> | T): Promise<T> {
    return this.writes.run(() => {
      this.syncAs('NORMAL');
      return this.transact(work);
    });
  }

  /** Somebody writes, and waits for it: long work makes way for a while. */
  noteWriting(): void {
    this.wroteAt = performance.now();
  }

  /** Whether somebody wrote within so many milliseconds. */
  isWrittenOn(within: number): boolean {
    return performance.now() - this.wroteAt < within;
  }

  /** Whether the disk is waited for at the end of a transaction (FULL). A connection begins so. */
  private syncAs(how: 'FULL' | 'NORMAL'): void {
    if (this.syncing.how === how && this.syncing.of === this.writer) return;
    this.writer.pragma(`synchronous = ${how}`);
    this.syncing = { how, of: this.writer };
  }

  private async transact<T>(work: (manager: EntityManager) => Promise<T> | T): Promise<T> {
    const runner = this.source.createQueryRunner();
    let result: T;
    try {
      const before = this.counted();
      await runner.startTransaction();
      result = await work(runner.manager);
      // SQLite ends a transaction by itself when the disk is full; what came after would stand alone.
      if (!this.writer.inTransaction) throw new Trouble(503, ENDED, null);
      await runner.commitTransaction();
      await runner.release();
      const after = this.counted();
      // Rows that were set to what they were leave nothing to be seen: a change that does is tried then.
      const isSeen = after.changes === before.changes || after.version !== before.version || this.isWritable();
      if (this.writer.inTransaction || !isSeen) throw new Trouble(503, ENDED, null);
    } catch (error) {
      await this.takeBack(runner);
      this.end(false);
      const trouble = troubleOf(error);
      if (trouble) this.trouble = trouble;
      throw trouble ?? error;
    }
    this.trouble = null;
    this.end(true);
    return result;
  }

  private end(isStored: boolean): void {
    for (const ending of this.endings) ending(isStored);
  }

  /** A number that is another one once anything was stored since it was asked for (PRAGMA data_version). */
  seenState(): number {
    this.version ??= this.reader.prepare('PRAGMA data_version').pluck();
    return this.version.get() as number;
  }

  /** How many rows the writing connection has changed since it was opened. */
  changed(): number {
    this.changes ??= this.writer.prepare('SELECT total_changes()').pluck();
    return this.changes.get() as number;
  }

  /** The same, and which state the other connection sees. */
  private counted(): { changes: number; version: number } {
    return { changes: this.changed(), version: this.seenState() };
  }

  /**
   * Takes a transaction back that failed, in whatever way: afterwards none is open, and TypeORM says so too. It goes
   * by its own count of what it began, which is wrong once SQLite has rolled back by itself; it then gets a new one.
   */
  private async takeBack(runner: QueryRunner): Promise<void> {
    await runner.rollbackTransaction().catch(() => undefined);
    try {
      if (this.writer.inTransaction) this.writer.exec('ROLLBACK');
    } catch {
      // Seen to below.
    }
    if (this.writer.inTransaction) {
      await this.source.destroy().catch(() => undefined);
      this.changes = null;
      await this.source.initialize();
    } else if (runner.isTransactionActive) {
      (this.source.driver as { queryRunner?: QueryRunner }).queryRunner = undefined;
    }
  }

  /** Whether a change that is made now can be seen by the other connection. */
  private isWritable(): boolean {
    const next = ((this.writer.pragma('user_version', { simple: true }) as number) + 1) % 1_000_000;
    this.writer.pragma(`user_version = ${next}`);
    return this.reader.pragma('user_version', { simple: true }) === next;
  }

  /** Why nothing can be stored at present; null when it can. After a failure a write is tried. */
  async ailment(): Promise<Trouble | null> {
    this.reader.pragma('data_version');
    if (!this.trouble) return null;
    try {
      await this.writes.run(async () => this.isWritable());
      this.trouble = null;
    } catch (error) {
      this.trouble = troubleOf(error) ?? this.trouble;
    }
    return this.trouble;
  }

  /** How large the newest part is, which is not joined to the database yet, in bytes. */
  newest(): number {
    return statSync(`${this.file}-wal`, { throwIfNoEntry: false })?.size ?? 0;
  }

  /** Brings what was written in pieces so far to the disk, so that little is left for their end. */
  async settle(): Promise<void> {
    const wal = await open(`${this.file}-wal`, 'r').catch(() => null);
    if (!wal) return;
    try {
      await wal.datasync();
    } finally {
      await wal.close();
    }
  }

  /** Ends what is under way and closes; what was said to be stored is on the disk already. */
  async close(): Promise<void> {
    await this.writes.idle();
    try {
      this.writer.pragma('wal_checkpoint(TRUNCATE)');
      await this.mark(false);
    } catch {
      // Without room for it, the newest part stays in a file of its own and is joined at the next start.
    }
    await this.readingSource.destroy();
    await this.source.destroy();
    this.unlock();
  }
}

const ENDED = 'The database ended what was being stored by itself. Nothing was changed here; try again in a moment.';

function prepare(connection: RawDatabase, limit: number): void {
  connection.pragma('journal_mode = WAL');
  connection.pragma('synchronous = FULL');
  connection.pragma('foreign_keys = ON');
  connection.pragma('busy_timeout = 5000');
  connection.pragma(`cache_size = -${WRITER_CACHE}`);
  const pageSize = connection.pragma('page_size', { simple: true }) as number;
  // SQLite forgets this bound with each connection, and never goes below what is there already.
  connection.pragma(`max_page_count = ${Math.min(Math.ceil(limit / pageSize), MOST_PAGES)}`);
  // The newest part is joined to the database beside the thread that serves (services/background); here only should
  // that not come to it.
  connection.pragma('wal_autocheckpoint = 100000');
}

function makeFolder(folder: string): void {
  try {
    mkdirSync(folder, { recursive: true });
    accessSync(folder, constants.W_OK);
  } catch (error) {
    throw cannotOpen(folder, error);
  }
}

function cannotOpen(folder: string, error: unknown): StartError {
  const { code, message } = error as { code?: string; message: string };
  const isRefused = /^(?:EACCES|EPERM|EROFS|SQLITE_READONLY.*|SQLITE_CANTOPEN.*)$/u.test(code ?? '');
  if (isRefused) return new StartError(`The folder ${folder} can’t be written. Give the right to it, or name another.`);
  if (troubleOf(error)?.status === 507) return new StartError(`There is no room left on the disk of ${folder}.`);
  return new StartError(`The notes in ${folder} can’t be opened: ${message}.`);
}
