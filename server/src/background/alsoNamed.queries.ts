/** By hand: full text and whole accounts, read in a thread of its own that has no repositories. */

/** Documents whose lines hold a name of a script without spaces, which the index cuts otherwise than names are. */
export const HOLDING_UNSPACED = `
  SELECT DISTINCT b.documentId AS id FROM entries e JOIN blocks b ON b.documentId = e.id
  WHERE instr(b.words, @name) > 0 AND VISIBLE(e)`;

/** What pages are called, by title and other names; a page of no name is not looked for. */
export const NAMES = `
  SELECT e.id, e.name FROM entries e WHERE e.kind = 'page' AND e.day IS NULL AND e.name != '' AND VISIBLE(e)
  UNION ALL
  SELECT o.pageId, o.name FROM otherNames o JOIN entries e ON e.id = o.pageId WHERE VISIBLE(e)`;
