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
