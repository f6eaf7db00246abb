/** By hand: days are read with their text and with how many lines point at them, in one go. */

/** The stored days of a span with at least so many words, newest first. */
const DAYS_IN = (order: 'ASC' | 'DESC') => `
  SELECT e.id AS pageId, e.day, e.wordCount, d.json,
    (SELECT COUNT(DISTINCT l.documentId || l.blockId) FROM links l CROSS JOIN entries linking ON linking.id = l.documentId
     WHERE l.target = e.id AND VISIBLE(linking)) AS pointing
  FROM entries e JOIN documents d ON d.id = e.id
  WHERE e.day BETWEEN @from AND @to AND e.wordCount >= @least AND OWN(e) AND VISIBLE(e)
  ORDER BY e.day ${order} LIMIT @limit`;

export const DAYS = DAYS_IN('DESC');
/** The same, the oldest first. */
export const DAYS_FORTH = DAYS_IN('ASC');
