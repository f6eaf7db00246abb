import type { FactTable } from '../entities/fact.queries';

/** By hand: all of the data is gone through, over one connection that reads alone, with nothing else open. */

const WHOLE = '(e.importId IS NULL OR e.importId NOT IN (SELECT id FROM importsUnderWay))';

export const DOCUMENTS = `
  SELECT e.row, e.id, e.name, e.firstWords, e.wordCount, d.json, d.state
  FROM entries e LEFT JOIN documents d ON d.id = e.id WHERE e.kind = 'page' AND ${WHOLE}`;

export const BLOCKS = `
  SELECT id, parentId, headingId, position, depth, kind, state, words, node FROM blocks WHERE documentId = ?
  ORDER BY position`;

/** The facts of a document by the first of these columns. */
export const FACTS = (table: FactTable, columns: readonly string[]) =>
  `SELECT ${columns.join(', ')} FROM ${table} WHERE documentId = ? ORDER BY ${columns[0]}`;

export const INDEXED = 'SELECT title, body FROM findIndex WHERE rowid = ?';

/** A circle in what stands in what ends after so many steps; it is reported by itself. */
const MOST_STEPS = 50_000_000;

export const WRONGLY_COUNTED = `
  WITH RECURSIVE beneath(root, kind) AS (
    SELECT e.parentId, e.kind FROM entries e WHERE e.parentId IS NOT NULL AND e.deletedAt IS NULL AND ${WHOLE}
    UNION ALL
    SELECT e.parentId, b.kind FROM beneath b JOIN entries e ON e.id = b.root
    WHERE e.parentId IS NOT NULL AND e.deletedAt IS NULL
    LIMIT ${MOST_STEPS}
  ), counted AS (
    SELECT root, SUM(kind = 'page') AS pages, SUM(kind = 'section') AS sections FROM beneath GROUP BY root
  )
  SELECT e.id FROM entries e LEFT JOIN counted c ON c.root = e.id
  WHERE (e.pagesBeneath != COALESCE(c.pages, 0) OR e.sectionsBeneath != COALESCE(c.sections, 0)) AND ${WHOLE}`;

export const NAMES = `
  SELECT e.id, e.name, f.title FROM entries e LEFT JOIN findIndex f ON f.rowid = e.row
  WHERE e.kind != 'page' AND ${WHOLE}`;

export const ANY_NAME_DUE = 'SELECT 1 FROM namesDue';
