import type { Viewer } from './viewer';

/**
 * What of the entries a viewer may see. Queries say it by name, and it is put in their place here:
 *
 * - `VISIBLE(e)`: a row of `entries AS e` is the viewer's own or was granted to them, and has come in whole; of tags, it
 *   is their own alone (access/tags);
 * - `OWN(x)`: a row of `x` is the viewer's own, whether it has come in whole or not.
 *
 * Both leave the parameter `@viewer` to be given.
 */

/** What was granted, with all beneath it; nothing that is in the bin, by itself or with what it stands in. */
const GRANTED = `
  WITH RECURSIVE above(root, parentId, deletedAt) AS (
    SELECT g.entryId, e.parentId, e.deletedAt FROM grants g JOIN entries e ON e.id = g.entryId
    WHERE g.accountId = @viewer
    UNION
    SELECT above.root, e.parentId, e.deletedAt FROM above JOIN entries e ON e.id = above.parentId
  ), granted(id) AS (
    SELECT root FROM above GROUP BY root HAVING COUNT(deletedAt) = 0
    UNION
    SELECT e.id FROM entries e JOIN granted ON e.parentId = granted.id WHERE e.deletedAt IS NULL
  ) SELECT id FROM granted`;

const own = (row: string): string => `${row}.ownerId = @viewer`;

const visible = (row: string, { hasGrants }: Viewer, isImporting: boolean): string => {
  const reached = hasGrants ? `(${own(row)} OR ${row}.id IN (${GRANTED}))` : own(row);
  if (!isImporting) return reached;
  return `${reached} AND (${row}.importId IS NULL OR ${row}.importId NOT IN (SELECT id FROM importsUnderWay))`;
};

const PLACES = /\b(VISIBLE|OWN)\((\w+)\)/gu;

/**
 * A query for a viewer.
 *
 * @param isImporting whether an import is under way, of which nothing is seen; when none is, it need not be asked of rows
 */
export const queryFor = (viewer: Viewer, isImporting: boolean, sql: string): string =>
  sql.replace(PLACES, (_whole, what: string, row: string) =>
    what === 'OWN' ? own(row) : visible(row, viewer, isImporting),
  );

/** The condition of a query builder's query that a row of entries is visible; gives the query. */
export function onlyVisible<Q extends { andWhere: (condition: string, values: object) => Q }>(
  query: Q,
  viewer: Viewer,
  isImporting: boolean,
  row: string,
): Q {
  const condition = queryFor(viewer, isImporting, `VISIBLE(${row})`).replaceAll('@viewer', ':viewer');
  return query.andWhere(condition, { viewer: viewer.accountId });
}
