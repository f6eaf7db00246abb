import type { RawDatabase } from '../database/database';
import { prepared } from '../database/prepared';
import type { Entry } from '../entities';
import { notFound, Problem } from '../problem';
import type { ViewerConnection } from './connection';
import { ACCOUNT, ENTRY, MAY_WRITE, OF_IMPORT, SEEN } from './guard.queries';

/** An entry as services know it: whose it is, is for this folder alone to know. */
export type EntryRow = Omit<Entry, 'ownerId' | 'importId'>;

/** Whether the viewer may see such an entry; in the bin or not. */
export const sees = (connection: ViewerConnection, id: string): boolean => connection.first(SEEN, { id }) !== undefined;

/**
 * An entry that the viewer may see, in the bin or not.
 *
 * @throws Problem (404) when it is not there, or not for them
 */
export function visibleEntry(connection: ViewerConnection, id: string): EntryRow {
  const entry = connection.first<EntryRow>(ENTRY, { id });
  if (!entry) throw notFound();
  return entry;
}

/**
 * The guard that every change of an entry, and of what hangs under it, passes.
 *
 * @throws Problem (404) when the viewer may not see it, (403) when they may only read it
 */
export function writableEntry(connection: ViewerConnection, id: string): EntryRow {
  const entry = visibleEntry(connection, id);
  if (connection.viewer.hasGrants && !connection.first(MAY_WRITE, { id })) {
    throw new Problem(403, 'This was shared with you to read. It was not changed.');
  }
  return entry;
}

/** The account an entry belongs to; undefined when there is no such entry. For telling its windows, never a viewer. */
export const accountOf = (database: RawDatabase, id: string): string | undefined =>
  prepared(database, ACCOUNT).pluck().get(id) as string | undefined;

/** Whether an entry came in with an import. */
export const isOfImport = (database: RawDatabase, id: string, importId: string): boolean =>
  prepared(database, OF_IMPORT).get(id, importId) !== undefined;
