/** By hand: likeness reads across links, lines and full text, in a thread of its own that has no repositories. */

export const TITLE = `SELECT e.name, e.day FROM entries e WHERE e.id = @id AND VISIBLE(e)`;

export const NODES = `
  SELECT b.node FROM entries e CROSS JOIN blocks b ON b.documentId = e.id
  WHERE e.id = @id AND VISIBLE(e) ORDER BY b.position LIMIT @limit`;

export const TAGS = `
  SELECT DISTINCT t.tag FROM entries e CROSS JOIN tagUses t ON t.documentId = e.id WHERE e.id = @id AND VISIBLE(e)`;

/** What a page links to, and what links to it. */
export const LINKED = `
  SELECT COALESCE(b.documentId, l.target) AS id FROM links l LEFT JOIN blocks b ON b.id = l.target
  WHERE l.documentId = @id
  UNION SELECT l.documentId FROM links l CROSS JOIN entries e ON e.id = l.documentId
  WHERE l.target = @id AND VISIBLE(e)
  UNION SELECT l.documentId FROM blocks b CROSS JOIN links l ON l.target = b.id CROSS JOIN entries e ON e.id = l.documentId
  WHERE b.documentId = @id AND VISIBLE(e)`;

export const BY_WORDS = `
  SELECT e.id FROM findIndex f JOIN entries e ON e.row = f.rowid
  WHERE findIndex MATCH @match AND e.kind = 'page' AND e.day IS NULL AND VISIBLE(e)
  ORDER BY bm25(findIndex, 4, 1) LIMIT @limit`;

/** What links to the same, and what the same link to; what of it is visible is asked of each. */
export const BY_LINKS = `
  SELECT DISTINCT id FROM (
    SELECT id FROM (SELECT two.documentId AS id FROM links one JOIN links two ON two.target = one.target
      WHERE one.documentId = @id LIMIT 400)
    UNION ALL
    SELECT id FROM (SELECT two.target AS id FROM links one JOIN links two ON two.documentId = one.documentId
      WHERE one.target = @id LIMIT 400)
  ) LIMIT @limit`;

export const IS_KIN = `
  WITH RECURSIVE up(parentId, deletedAt) AS (
    SELECT e.parentId, e.deletedAt FROM entries e
    WHERE e.id = @id AND e.kind = 'page' AND e.day IS NULL AND VISIBLE(e)
    UNION SELECT e.parentId, e.deletedAt FROM entries e JOIN up ON e.id = up.parentId
  ) SELECT 1 FROM (SELECT COUNT(*) AS steps, COUNT(deletedAt) AS deleted FROM up) WHERE steps > 0 AND deleted = 0`;

/** Whether two pages link to each other, or to lines of each other. */
export const IS_LINKED = `
  SELECT 1 FROM links WHERE documentId = @pageId
    AND (target = @otherId OR target IN (SELECT id FROM blocks WHERE documentId = @otherId))
  UNION ALL
  SELECT 1 FROM links WHERE documentId = @otherId
    AND (target = @pageId OR target IN (SELECT id FROM blocks WHERE documentId = @pageId))`;

export const PAGES_COUNT = `SELECT COUNT(*) AS pages FROM entries e WHERE e.kind = 'page' AND VISIBLE(e)`;
export const LINKS_COUNT = `
  SELECT COUNT(*) AS count FROM links l CROSS JOIN entries e ON e.id = l.documentId WHERE l.target = @id AND VISIBLE(e)`;
export const TAGS_COUNT = `
  SELECT COUNT(DISTINCT t.documentId) AS count FROM tagUses t CROSS JOIN entries e ON e.id = t.documentId
  WHERE t.tag = @tag AND VISIBLE(e)`;
