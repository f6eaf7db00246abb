/** By hand: looked through for every Margin, and in the background for every page that changes. */

import { STEP_COLUMNS } from './entry.queries';

/** Lines that name a page by one of its names, but neither link it nor were left unlinked for good. */
export const NAMING = `
  SELECT n.blockId, n.places, e.changedAt, ${STEP_COLUMNS}
  FROM alsoNamed n CROSS JOIN entries e ON e.id = n.documentId
  WHERE n.name = @name AND n.documentId != @pageId AND VISIBLE(e)
    AND NOT EXISTS (
      SELECT 1 FROM unlinked u WHERE u.targetId = @pageId AND u.documentId = n.documentId AND u.blockId = n.blockId)
    AND NOT EXISTS (
      SELECT 1 FROM links l WHERE l.documentId = n.documentId AND l.blockId = n.blockId
      AND (l.target = @pageId OR l.target IN (SELECT b.id FROM blocks b WHERE b.id = l.target AND b.documentId = @pageId)))`;

/** Marks a document to be looked through (again). */
export const MAKE_DUE = `
  INSERT OR REPLACE INTO alsoNamedDue (documentId, number)
  SELECT id, (SELECT COALESCE(MAX(number), 0) + 1 FROM alsoNamedDue) FROM documents WHERE id = ?`;
