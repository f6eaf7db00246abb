/** By hand: full text and whole accounts, read in a thread of its own that has no repositories. */

export const PAGE_IDS = `SELECT e.id FROM entries e WHERE e.kind = 'page' AND VISIBLE(e)`;

/** Documents whose lines hold a name of a script without spaces, which the index cuts otherwise than names are. */
export const HOLDING = `
  SELECT DISTINCT b.documentId AS id FROM entries e JOIN blocks b ON b.documentId = e.id
  WHERE instr(b.words, @name) > 0 AND VISIBLE(e)`;

export const HOLDING_WORDS = `
  SELECT e.id FROM findIndex f JOIN entries e ON e.row = f.rowid WHERE findIndex MATCH @match AND VISIBLE(e)`;

/** What pages are called, by title and other names; a page of no name is not looked for. */
export const NAMES = `
  SELECT e.id, e.name FROM entries e WHERE e.kind = 'page' AND e.day IS NULL AND e.name != '' AND VISIBLE(e)
  UNION ALL
  SELECT o.pageId, o.name FROM otherNames o JOIN entries e ON e.id = o.pageId WHERE VISIBLE(e)`;

export const NAMES_OF = `
  SELECT e.name FROM entries e WHERE e.id = @pageId AND e.day IS NULL AND e.name != '' AND VISIBLE(e)
  UNION ALL
  SELECT o.name FROM otherNames o JOIN entries e ON e.id = o.pageId WHERE o.pageId = @pageId AND VISIBLE(e)`;

export const BODY = `
  SELECT e.day, d.json FROM entries e JOIN documents d ON d.id = e.id WHERE e.id = @documentId AND VISIBLE(e)`;
