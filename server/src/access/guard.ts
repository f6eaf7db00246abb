import type { EntityManager } from 'typeorm';
import { prepared, type RawDatabase } from '../sqlite/prepared';
import { EntryEntity, type Entry } from '../entities';
import { notFound, Problem } from '../problem';
import type { ViewerConnection } from './connection';
import { ACCOUNT, ENTRY, MAY_WRITE } from './guard.queries';

/** An entry as services know it: whose it is, is for this folder alone to know. */
export type EntryRow = Omit<Entry, 'ownerId' | 'importId'>;

/** An entry as one step of a trail. */
export type Step = Pick<
  EntryRow,
  | 'id'
  | 'parentId'
  | 'kind'
  | 'name'
  | 'firstWords'
  | 'wordCount'
  | 'pigment'
  | 'day'
  | 'period'
  | 'jotting'
  | 'deletedAt'
  | 'season'
  | 'mergedInto'
>;

/** An entry, in the bin or not, if the viewer may see it. */
export const entryIfVisible = (connection: ViewerConnection, id: string): EntryRow | undefined =>
  connection.first<EntryRow>(ENTRY, { id });

/** Whether the viewer may see such an entry; in the bin or not. */
export const sees = (connection: ViewerConnection, id: string): boolean => entryIfVisible(connection, id) !== undefined;

/**
 * An entry that the viewer may see, in the bin or not.
 *
 * @throws Problem (404) when it is not there, or not for them
 */
export function visibleEntry(connection: ViewerConnection, id: string): EntryRow {
  const entry = entryIfVisible(connection, id);
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

/** The account that an entry or a tag belongs to; undefined for none. For telling its windows, never a viewer. */
export const accountOf = (database: RawDatabase, id: string): string | undefined =>
  prepared(database, ACCOUNT).pluck().get({ id }) as string | undefined;

/** Whether an entry came in with an import. */
export const isOfImport = (manager: EntityManager, id: string, importId: string): Promise<boolean> =>
  manager.existsBy(EntryEntity, { id, importId });

/** Where everything stands, whoever has it. */
export const allPlaces = (manager: EntityManager): Promise<EntryPlaced[]> =>
  manager
    .createQueryBuilder(EntryEntity, 'e')
    .select(['e.id AS id', 'e.ownerId AS "accountId"', 'e.kind AS kind', 'e.parentId AS "parentId"'])
    .addSelect([
      'e.day AS day',
      'e.period AS period',
      'e.jotting AS jotting',
      'e.deletedAt AS "deletedAt"',
      'e.mergedInto AS "mergedInto"',
    ])
    .getRawMany<EntryPlaced>();

/** An entry as far as it matters where it stands, and whose it is. */
export type EntryPlaced = Pick<
  Entry,
  'id' | 'kind' | 'parentId' | 'day' | 'period' | 'jotting' | 'deletedAt' | 'mergedInto'
> & {
  accountId: string;
};
