/** By hand: likeness reads across links, lines and full text, in a thread of its own that has no repositories. */

/** What a page links to, and what links to it. */
export const LINKED = `
  SELECT COALESCE(b.documentId, l.target) AS id FROM links l LEFT JOIN blocks b ON b.id = l.target
  WHERE l.documentId = @id
  UNION SELECT l.documentId FROM links l CROSS JOIN entries e ON e.id = l.documentId
  WHERE l.target = @id AND VISIBLE(e)
  UNION SELECT l.documentId FROM blocks b CROSS JOIN links l ON l.target = b.id CROSS JOIN entries e ON e.id = l.documentId
  WHERE b.documentId = @id AND VISIBLE(e)`;

/** What links to the same, and what the same link to; what of it is visible is asked of each. */
export const BY_LINKS = `
  SELECT DISTINCT id FROM (
    SELECT id FROM (SELECT two.documentId AS id FROM links one JOIN links two ON two.target = one.target
      WHERE one.documentId = @id LIMIT 400)
    UNION ALL
    SELECT id FROM (SELECT two.target AS id FROM links one JOIN links two ON two.documentId = one.documentId
      WHERE one.target = @id LIMIT 400)
  ) LIMIT @limit`;

/** How many documents hold a link or a tag. */
export const HOLDING = (table: 'links' | 'tagUses', column: 'target' | 'tag') => `
  SELECT COUNT(DISTINCT f.documentId) AS count FROM ${table} f CROSS JOIN entries e ON e.id = f.documentId
  WHERE f.${column} = @value AND VISIBLE(e)`;
