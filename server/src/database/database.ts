import BetterSqlite3 from 'better-sqlite3';
import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { DataSource, type EntityManager } from 'typeorm';
import { entities } from '../entities';
import { Foundations1790000000000 } from '../migrations/1790000000000-foundations';
import { Structure1790000100000 } from '../migrations/1790000100000-structure';
import { Links1790000300000 } from '../migrations/1790000300000-links';
import { Writing1790000200000 } from '../migrations/1790000200000-writing';
import { WriteQueue } from './writeQueue';

export type RawDatabase = BetterSqlite3.Database;

/**
 * One database file with two connections. Writing goes through TypeORM's connection and one queue, since transactions
 * that overlap on one connection would become one. Reading has a connection of its own and sees what is committed.
 */
export class Database {
  private writes = new WriteQueue();
  private statements = new Map<string, BetterSqlite3.Statement>();

  private constructor(
    private source: DataSource,
    /** The connection that is written on; only within `write`. */
    readonly writer: RawDatabase,
    /** The connection that reads what is committed. */
    readonly reader: RawDatabase,
    readonly file: string,
  ) {}

  static async open(folder: string): Promise<Database> {
    mkdirSync(folder, { recursive: true });
    const file = path.join(folder, 'glossarion.sqlite');
    let writer: RawDatabase | undefined;
    const source = new DataSource({
      type: 'better-sqlite3',
      database: file,
      entities,
      migrations: [Foundations1790000000000, Structure1790000100000, Writing1790000200000, Links1790000300000],
      synchronize: false,
      prepareDatabase: (connection: RawDatabase) => {
        writer = connection;
        prepare(connection);
      },
    });
    await source.initialize();
    await source.runMigrations({ transaction: 'each' });
    const reader = new BetterSqlite3(file, { readonly: true });
    reader.pragma('cache_size = -65536');
    return new Database(source, writer!, reader, file);
  }

  /** Runs one transaction after all before it. It commits when `work` is through and rolls back when it throws. */
  write<T>(work: (manager: EntityManager) => Promise<T> | T): Promise<T> {
    return this.writes.run(() => this.source.transaction(async (manager) => work(manager)));
  }

  /** A prepared statement of the reading connection, kept for the next time. */
  statement(sql: string): BetterSqlite3.Statement {
    let statement = this.statements.get(sql);
    if (!statement) this.statements.set(sql, (statement = this.reader.prepare(sql)));
    return statement;
  }

  all<T>(sql: string, ...values: unknown[]): T[] {
    return this.statement(sql).all(...values) as T[];
  }

  first<T>(sql: string, ...values: unknown[]): T | undefined {
    return this.statement(sql).get(...values) as T | undefined;
  }

  async close(): Promise<void> {
    await this.writes.idle();
    this.reader.close();
    this.writer.pragma('wal_checkpoint(TRUNCATE)');
    await this.source.destroy();
  }
}

function prepare(connection: RawDatabase): void {
  connection.pragma('journal_mode = WAL');
  connection.pragma('synchronous = FULL');
  connection.pragma('foreign_keys = ON');
  connection.pragma('busy_timeout = 5000');
  connection.pragma('cache_size = -65536');
}
