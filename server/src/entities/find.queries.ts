/**
 * By hand: full text is no entity's (core/words). The row of the index is the entry's; what is written in the files that a
 * page shows is in the row of its negative, so that no letter typed on a page writes a long file anew.
 */
import { STEP_COLUMNS } from './entry.queries';

/** A title counts this many times what the text does. */
const TITLE_WEIGHT = 8;

/** A limit keeps it a query by itself (https://www.sqlite.org/optoverview.html, 11.), whose order is the order of all. */
const RANKED = `(
  SELECT rowid, bm25(findIndex, ${TITLE_WEIGHT}, 1) AS fit FROM findIndex WHERE findIndex MATCH @match ORDER BY fit LIMIT -1
) f CROSS JOIN entries e ON e.row = abs(f.rowid) WHERE VISIBLE(e)`;
const MATCHING = 'findIndex f JOIN entries e ON e.row = abs(f.rowid) WHERE findIndex MATCH @match AND VISIBLE(e)';

/** In which order the first of what was found are taken: of what holds words as well, or of all. */
const ORDERS = {
  /** Best first, as the index ranks them: of what comes after the last that is taken no entry is looked up. */
  ranked: { from: RANKED, fit: 'f.fit', inFiles: 'f.rowid < 0', order: 'f.fit' },
  /** Newest first, as the index has them: what comes after the last that is taken is not looked at. */
  newest: { from: MATCHING, fit: '0', inFiles: 'f.rowid < 0', order: 'f.rowid DESC' },
  /** By what is written in files alone, newest first. */
  inFiles: {
    from: 'findIndex f JOIN entries e ON e.row = -f.rowid WHERE findIndex MATCH @match AND f.rowid < 0 AND VISIBLE(e)',
    fit: '0',
    inFiles: '1',
    order: 'f.rowid',
  },
  /** Without words: changed last first. */
  changed: { from: 'entries e WHERE VISIBLE(e)', fit: '0', inFiles: '1', order: 'e.changedAt DESC' },
} as const;

export type FindOrder = keyof typeof ORDERS;

/**
 * What holds words, or that for which a condition holds, with all that ranks it and how well it fits: less is better.
 * What ranks it is read of those alone that are taken. `inFiles` is 0 where all words are beside what is written in files.
 */
export const FOUND = (by: FindOrder, condition = '1') => {
  const { from, fit, inFiles, order } = ORDERS[by];
  return `
    SELECT ${STEP_COLUMNS}, e.changedAt, taken.fit, taken.inFiles,
      (SELECT v.visitedAt FROM visits v WHERE OWN(v) AND v.entryId = e.id) AS visitedAt,
      (SELECT group_concat(o.name, char(10)) FROM otherNames o WHERE o.pageId = e.id) AS names
    FROM (SELECT e.row AS row, ${fit} AS fit, ${inFiles} AS inFiles FROM ${from} AND ${condition} ORDER BY ${order} LIMIT @limit) taken
    CROSS JOIN entries e ON e.row = taken.row`;
};

/** Of the newest pages whose name holds words, those that most of what the viewer sees links to. */
export const NAMED_AND_LINKED = `
  SELECT id FROM (
    SELECT e.id, (
      SELECT COUNT(*) FROM links l JOIN entries h ON h.id = l.documentId WHERE l.target = e.id AND VISIBLE(h)
    ) AS links FROM ${MATCHING} ORDER BY f.rowid DESC LIMIT @considered
  ) WHERE links > 0 ORDER BY links DESC LIMIT @limit`;

/**
 * What lines of a document wear, what they and fields beside them lead to, and the files they show, by their names; with
 * what is written in these, if that is asked for. Files of somebody else are not shown.
 */
export const HELD_BY_LINES = `
  SELECT t.blockId, t.tag AS held, 'tag' AS what, NULL AS text, NULL AS words FROM tagUses t WHERE t.documentId = @documentId
  UNION ALL SELECT l.blockId, l.target, 'link', NULL, NULL FROM links l WHERE l.documentId = @documentId
  UNION ALL SELECT u.blockId, a.name, 'file', CASE WHEN @withTexts THEN x.text END, CASE WHEN @withTexts THEN x.words END
    FROM fileUses u JOIN entries e ON e.id = u.documentId
    JOIN attachments a ON a.id = u.fileId AND a.ownerId = e.ownerId LEFT JOIN attachmentTexts x ON x.fileId = a.id
    WHERE u.documentId = @documentId`;

export const WRITE_INDEX = 'INSERT OR REPLACE INTO findIndex (rowid, title, body) VALUES (?, ?, ?)';
/** What the index has of a row. */
export const INDEXED = 'SELECT title, body FROM findIndex WHERE rowid = ?';

/**
 * Says something to the index itself (https://www.sqlite.org/fts5.html, 6.9 and 6.14): from how many parts of a size on
 * they may be merged, and that so many of its pages are to be written at merging.
 */
export const TELL_INDEX = 'INSERT INTO findIndex (findIndex, rank) VALUES (?, ?)';

/** In how many parts the index was written (https://www.sqlite.org/fts5.html, "FTS5 Data Structures"). */
export const PARTS_OF_INDEX = 'SELECT COUNT(DISTINCT segid) AS parts FROM findIndex_idx';

/** Words of the index from one to before another, with how many rows hold each. */
export const WORDS_FROM = 'SELECT term, doc FROM findVocabulary WHERE term >= ? AND term < ?';

/*
 * Conditions by which what is found is narrowed down; each is given its values under names of its own.
 */

const listed = (name: string) => `(SELECT value FROM json_each(@${name}))`;

/** Rows of the index that hold words. */
export const HOLDS = (match: string) => `e.row IN (SELECT abs(rowid) FROM findIndex WHERE findIndex MATCH @${match})`;

/** The same for a row that is looked at already, and for what is written in its files. */
export const HOLDS_SOMEWHERE = (match: string) =>
  `EXISTS (SELECT 1 FROM findIndex WHERE findIndex MATCH @${match} AND rowid IN (e.row, -e.row))`;

/** What stands in one of these places, or is one; in the bin too. */
export const STANDS_IN = (places: string) => `e.id IN (
  WITH RECURSIVE within(id) AS (
    SELECT value FROM json_each(@${places}) UNION SELECT c.id FROM entries c JOIN within ON c.parentId = within.id
  ) SELECT id FROM within)`;

export const WEARS = (tags: string) =>
  `EXISTS (SELECT 1 FROM tagUses u WHERE u.documentId = e.id AND u.tag IN ${listed(tags)})`;

export const IS_OF = (kinds: string) =>
  `EXISTS (SELECT 1 FROM kindUses u WHERE u.documentId = e.id AND u.kind IN ${listed(kinds)})`;

/** What links to one of these pages, or to a line on one. */
export const LINKS_TO = (pages: string) => `EXISTS (SELECT 1 FROM links l WHERE l.documentId = e.id AND (
  l.target IN ${listed(pages)} OR l.target IN (SELECT b.id FROM blocks b WHERE b.documentId IN ${listed(pages)})))`;

export const HAS_OPEN_TASKS = `EXISTS (
  SELECT 1 FROM tasks t WHERE t.documentId = e.id AND t.state IN ('open', 'begun'))`;
export const HAS_FILES = 'EXISTS (SELECT 1 FROM fileUses f WHERE f.documentId = e.id)';

/** What was begun between two moments, or is the page of a day between two days. */
export const BEGUN_WITHIN = (days: string, moments: string) => `(CASE WHEN e.day IS NOT NULL
  THEN e.day BETWEEN @${days}From AND @${days}To ELSE e.begunAt >= @${moments}From AND e.begunAt < @${moments}To END)`;
export const CHANGED_WITHIN = (moments: string) => `(e.changedAt >= @${moments}From AND e.changedAt < @${moments}To)`;

/** What something in the bin holds, and that itself. */
export const IN_BIN = `e.id IN (
  WITH RECURSIVE binned(id) AS (
    SELECT d.id FROM entries d WHERE OWN(d) AND d.deletedAt IS NOT NULL
    UNION SELECT c.id FROM entries c JOIN binned ON c.parentId = binned.id
  ) SELECT id FROM binned)`;

/** Days, and the pages of weeks and months. */
export const IN_JOURNAL = '(e.day IS NOT NULL OR e.period IS NOT NULL)';
export const IN_TRAY = 'e.jotting IS NOT NULL';

/** What is of a season by itself, or by what it stands in. */
export const OF_SEASON = (season: string) => `e.id IN (
  WITH RECURSIVE carried(id) AS (
    SELECT s.id FROM entries s WHERE OWN(s) AND s.season = @${season}
    UNION SELECT c.id FROM entries c JOIN carried ON c.parentId = carried.id
  ) SELECT id FROM carried)`;

/** What holds one of these of a field: atoms, or the ids of choices and pages. */
export const FIELD_IS = (field: string, values: string) => `EXISTS (SELECT 1 FROM fieldValues v
  WHERE v.documentId = e.id AND v.field IN ${listed(field)} AND v.words IN ${listed(values)})`;
export const FIELD_BETWEEN = (field: string, amounts: string) => `EXISTS (SELECT 1 FROM fieldValues v
  WHERE v.documentId = e.id AND v.field IN ${listed(field)} AND v.amount BETWEEN @${amounts}From AND @${amounts}To)`;
/** Days are texts that are in order. */
export const FIELD_WITHIN = (field: string, days: string) => `EXISTS (SELECT 1 FROM fieldValues v
  WHERE v.documentId = e.id AND v.field IN ${listed(field)} AND v.words >= @${days}From AND v.words < @${days}To)`;
export const FIELD_HOLDS = (field: string, words: string) => `EXISTS (SELECT 1 FROM fieldValues v
  WHERE v.documentId = e.id AND v.field IN ${listed(field)} AND v.words LIKE @${words})`;
export const HAS_FIELD = (field: string) =>
  `EXISTS (SELECT 1 FROM fieldValues v WHERE v.documentId = e.id AND v.field IN ${listed(field)})`;
