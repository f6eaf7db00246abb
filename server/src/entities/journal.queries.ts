/** By hand: days are read with their text and with how many lines point at them, in one go. */

const DAYS = `
  SELECT e.id AS pageId, e.day, e.wordCount, d.json,
    (SELECT COUNT(DISTINCT l.documentId || l.blockId) FROM links l CROSS JOIN entries linking ON linking.id = l.documentId
     WHERE l.target = e.id AND VISIBLE(linking)) AS pointing
  FROM entries e JOIN documents d ON d.id = e.id`;

export const DAY = `${DAYS} WHERE e.day = @day AND OWN(e) AND VISIBLE(e)`;

/** Written days before a day, newest first. */
export const DAYS_BEFORE = `${DAYS}
  WHERE e.day < @day AND e.deletedAt IS NULL AND e.wordCount > 0 AND OWN(e) AND VISIBLE(e)
  ORDER BY e.day DESC LIMIT @limit`;
