/** By hand: full text is no entity's; the row of the index is the entry's, or none (core/words). */

/** A title counts this many times what the text does. */
const TITLE_WEIGHT = 8;

const MATCHING = 'findIndex f JOIN entries e ON e.row = f.rowid WHERE findIndex MATCH @match AND VISIBLE(e)';

/** What holds words, best first. */
export const RANKED = `SELECT e.id FROM ${MATCHING} ORDER BY bm25(findIndex, ${TITLE_WEIGHT}, 1) LIMIT @limit`;

/** What holds words, newest first. */
export const UNRANKED = `SELECT e.id FROM ${MATCHING} ORDER BY f.rowid DESC LIMIT @limit`;

export const WRITE_INDEX = 'INSERT OR REPLACE INTO findIndex (rowid, title, body) VALUES (?, ?, ?)';
/** What the index has of a row. */
export const INDEXED = 'SELECT title, body FROM findIndex WHERE rowid = ?';
export const DROP_INDEX = 'DELETE FROM findIndex WHERE rowid = ?';

/** Words of the index from one to before another, with how many rows hold each. */
export const WORDS_FROM = 'SELECT term, doc FROM findVocabulary WHERE term >= ? AND term < ?';
