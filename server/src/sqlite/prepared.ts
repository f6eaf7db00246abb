import type BetterSqlite3 from 'better-sqlite3';

/** A connection of better-sqlite3. */
export type RawDatabase = BetterSqlite3.Database;

const known = new WeakMap<RawDatabase, Map<string, BetterSqlite3.Statement>>();

/** A statement of a connection, prepared the first time it is asked for. For what is run once a row. */
export function prepared(connection: RawDatabase, sql: string): BetterSqlite3.Statement {
  let statements = known.get(connection);
  if (!statements) known.set(connection, (statements = new Map()));
  let statement = statements.get(sql);
  if (!statement) statements.set(sql, (statement = connection.prepare(sql)));
  return statement;
}
