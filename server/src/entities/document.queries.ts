/** By hand: read when a page is opened and written at every key. */

export const DOCUMENT = 'SELECT holder, json, state, epoch FROM documents WHERE id = ?';
export const UPDATES = 'SELECT data FROM updates WHERE documentId = ? ORDER BY number';

export const ADD_DOCUMENT = 'INSERT INTO documents (id, holder, json) VALUES (?, ?, ?)';
/** What is not given stays as it is. */
export const WRITE_DOCUMENT = 'UPDATE documents SET json = COALESCE(?, json), state = COALESCE(?, state) WHERE id = ?';

export const REMOVAL = 'SELECT ranges FROM removals WHERE documentId = ? AND client = ? AND clock = ?';
