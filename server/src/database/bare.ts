import type { RawDatabase } from '../sqlite/prepared';

/** What is asked of a database before it is known to be one of ours. By hand: no entity may be trusted yet. */

/** The names of its tables. */
export const tablesIn = (database: RawDatabase): Set<string> =>
  new Set((database.pragma('table_list') as { name: string }[]).map(({ name }) => name));

/** The names of the migrations that it has; none when it has no list of them. */
export const migrationsIn = (database: RawDatabase): string[] =>
  tablesIn(database).has('migrations')
    ? (database.prepare('SELECT name FROM migrations').pluck().all() as string[])
    : [];

/** Whether there are accounts in it. */
export const hasAccountsIn = (database: RawDatabase): boolean =>
  tablesIn(database).has('accounts') && database.prepare('SELECT 1 FROM accounts').get() !== undefined;
