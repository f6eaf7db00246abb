/** By hand: read when a page is opened and written at every key. */

export const DOCUMENT = 'SELECT holder, json, state, epoch FROM documents WHERE id = ?';
export const UPDATES = 'SELECT data FROM updates WHERE documentId = ? ORDER BY number';

export const ADD_DOCUMENT = 'INSERT INTO documents (id, holder, json) VALUES (?, ?, ?)';
export const WRITE_JSON = 'UPDATE documents SET json = ? WHERE id = ?';
export const WRITE_STATE = 'UPDATE documents SET state = ? WHERE id = ?';
export const ADD_UPDATE = 'INSERT INTO updates (documentId, data) VALUES (?, ?)';
export const DROP_UPDATES = 'DELETE FROM updates WHERE documentId = ?';

export const REMOVAL = 'SELECT ranges FROM removals WHERE documentId = ? AND client = ? AND clock = ?';
export const PUT_REMOVAL = 'INSERT OR REPLACE INTO removals (documentId, client, clock, ranges) VALUES (?, ?, ?, ?)';
