import type BetterSqlite3 from 'better-sqlite3';
import { prepared, type RawDatabase } from '../sqlite/prepared';
import type { Viewer } from './viewer';
import { onlyVisible, queryFor } from './visible';

/** The values of a query's named parameters. They are given over: who looks is put among them. */
export type Values = Record<string, unknown>;

/** Statements by the queries they were made of; one list for each connection and way of looking. */
type Statements = Map<string, BetterSqlite3.Statement>;

const known = new WeakMap<RawDatabase, Map<string, Statements>>();

function statementsOf(raw: RawDatabase, way: string): Statements {
  let ways = known.get(raw);
  if (!ways) known.set(raw, (ways = new Map()));
  let statements = ways.get(way);
  if (!statements) ways.set(way, (statements = new Map()));
  return statements;
}

/** A connection as a viewer reads on it: its queries may name what is visible (access/visible). */
export class ViewerConnection {
  private statements: Statements;

  constructor(
    readonly raw: RawDatabase,
    readonly viewer: Viewer,
    private isImporting: boolean,
  ) {
    this.statements = statementsOf(raw, `${viewer.hasGrants} ${isImporting}`);
  }

  private prepared(sql: string): BetterSqlite3.Statement {
    let statement = this.statements.get(sql);
    if (!statement) {
      statement = prepared(this.raw, queryFor(this.viewer, this.isImporting, sql));
      this.statements.set(sql, statement);
    }
    return statement;
  }

  /** Copying them would cost as much as a short query. */
  private asked(values: Values): Values {
    values.viewer = this.viewer.accountId;
    return values;
  }

  all<T>(sql: string, values: Values = {}): T[] {
    return this.prepared(sql).all(this.asked(values)) as T[];
  }

  first<T>(sql: string, values: Values = {}): T | undefined {
    return this.prepared(sql).get(this.asked(values)) as T | undefined;
  }

  /** The same for many rows of many columns: read as lists and named here, they take two thirds of the time. */
  many<T>(sql: string, values: Values = {}): T[] {
    const statement = this.prepared(`${sql} `);
    const names = statement.columns().map(({ name }) => name);
    return (statement.raw(true).all(this.asked(values)) as unknown[][]).map((list) => {
      const row: Record<string, unknown> = {};
      for (let index = 0; index < names.length; index += 1) row[names[index]!] = list[index];
      return row as T;
    });
  }

  /** Rows one by one, for queries that are broken off when enough was found. */
  each<T>(sql: string, values: Values = {}): IterableIterator<T> {
    return this.prepared(sql).iterate(this.asked(values)) as IterableIterator<T>;
  }

  /** Adds to a query builder's query that its rows of entries, called `row`, are visible; gives the query. */
  visible<Q extends { andWhere: (condition: string, values: object) => Q }>(query: Q, row = 'e'): Q {
    return onlyVisible(query, this.viewer, this.isImporting, row);
  }
}
