/** By hand: facts are written at every key, as few rows as differ; prepared once. */

export const PUT_BLOCK = `
  INSERT OR REPLACE INTO blocks (documentId, id, parentId, headingId, position, depth, kind, state, words, node)
  VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`;

/** One row of a table whose rows belong to documents, by the column that tells those of a document apart. */
export const DROP_ROW = (table: string, column: string) =>
  `DELETE FROM ${table} WHERE documentId = ? AND ${column} = ?`;

export const DROP_ROWS = (table: string, column = 'documentId') => `DELETE FROM ${table} WHERE ${column} = ?`;

/** A row of a table whose rows belong to documents. */
export const PUT_ROW = (table: string, columns: readonly string[]) =>
  `INSERT OR REPLACE INTO ${table} (documentId, ${columns.join(', ')}) VALUES (?${', ?'.repeat(columns.length)})`;

export const OTHER_NAMES = 'SELECT name FROM otherNames WHERE pageId = ? ORDER BY position';

/** A page is called so from now on, or not any more; days are found by their dates. */
export const NOTE_NAME = `
  INSERT INTO namesDue (pageId, name) SELECT id, @name FROM entries WHERE id = @id AND day IS NULL`;

/** What is known of a page by its document; it is not said to be changed when no moment is given. */
export const WRITE_KNOWN = `
  UPDATE entries SET name = ?, firstWords = ?, wordCount = ?, changedAt = COALESCE(?, changedAt) WHERE id = ?`;
