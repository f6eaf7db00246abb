/** By hand: lines are read by the hundred for one answer, by their page or by their id alone. */

/** The block that an id names, now or formerly, whichever document it stands in. */
export const BLOCK = `
  SELECT b.documentId AS pageId, b.id AS blockId, b.node FROM blocks b CROSS JOIN entries e ON e.id = b.documentId
  WHERE b.id IN (@id, (SELECT f.blockId FROM formerIds f WHERE f.formerId = @id)) AND VISIBLE(e)
  ORDER BY b.id = @id DESC LIMIT 1`;

const linesFrom = (before: string) => `
  SELECT b.id, b.kind, b.depth, b.words, b.node FROM entries e CROSS JOIN blocks b ON b.documentId = e.id
  WHERE e.id = @id AND VISIBLE(e)
  AND b.position >= COALESCE((SELECT position FROM blocks WHERE documentId = @id AND id = @from), 0) - ${before}
  ORDER BY b.position LIMIT @limit`;

/** Lines of a document from a place on. */
export const LINES = linesFrom('0');
/** The same with so many lines before it. */
export const LINES_AROUND_ONE = linesFrom('@before');

/** Another document of the viewer's that holds a block of this id, whether it has come in whole or not. */
export const HELD_ELSEWHERE = `
  SELECT b.documentId FROM blocks b JOIN entries e ON e.id = b.documentId
  WHERE b.id = @id AND b.documentId != @documentId AND OWN(e)`;

/*
 * These read on in a document that the viewer was found to see.
 */

/** The lines of a document, with or without those that have no words, for the one that holds what is looked for. */
export const LINES_TO_FIND = `
  SELECT b.id, b.words FROM blocks b WHERE b.documentId = @documentId
  AND (b.words != '' OR @withWordless) ORDER BY b.position`;
