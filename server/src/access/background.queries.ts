/** By hand: background work and checks go through all accounts, and are told whose each thing is. */

/** What is due to be looked through, longest first; nothing of an import that is not whole yet. */
export const DUE = `
  SELECT due.documentId, due.number, e.ownerId AS accountId
  FROM alsoNamedDue due CROSS JOIN entries e ON e.id = due.documentId
  WHERE e.importId IS NULL OR e.importId NOT IN (SELECT id FROM importsUnderWay)
  ORDER BY due.number LIMIT ?`;

/** Names that came or went, longest first. */
export const NAMES_DUE = `
  SELECT due.number, due.pageId, due.name, e.ownerId AS accountId
  FROM namesDue due LEFT JOIN entries e ON e.id = due.pageId
  WHERE e.importId IS NULL OR e.importId NOT IN (SELECT id FROM importsUnderWay) ORDER BY due.number LIMIT ?`;

/** What was looked through and has not changed since. */
export const NOT_DUE = `
  SELECT e.id, e.ownerId AS accountId FROM entries e
  WHERE e.kind = 'page' AND NOT EXISTS (SELECT 1 FROM alsoNamedDue due WHERE due.documentId = e.id)
  AND (e.importId IS NULL OR e.importId NOT IN (SELECT id FROM importsUnderWay))`;

/** Where everything stands, whoever has it. */
export const ALL_PLACES = `
  SELECT id, ownerId AS accountId, kind, parentId, day, deletedAt, mergedInto FROM entries`;
