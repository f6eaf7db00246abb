/**
 * By hand: trails and places are read one entry at a time, some hundred times an answer, and what stands beneath
 * something is found by recursion.
 */

/** What is read of an entry to say what it is called, where it stands, and whether anything is written in it. */
export const STEP_COLUMNS = `e.id, e.parentId, e.kind, e.name, e.wordCount, e.pigment, e.day, e.period, e.jotting, e.deletedAt, e.season, e.mergedInto,
  CASE WHEN e.name = '' OR e.wordCount = 0 THEN e.firstWords ELSE '' END AS firstWords`;

export const STEP = `SELECT ${STEP_COLUMNS} FROM entries e WHERE e.id = @id AND VISIBLE(e)`;

/** What a level of the contents shows. */
export const CONTENTS_COLUMNS = [
  'id',
  'parentId',
  'kind',
  'name',
  'firstWords',
  'pigment',
  'ornament',
  'description',
  'changedAt',
  'wordCount',
  'season',
  'showsLeaves',
  'pagesBeneath',
  'sectionsBeneath',
].map((column) => `e.${column} AS ${column}`);

/** What stands in the contents: beside notebooks, days and jottings stand in nothing. */
const IN_CONTENTS = "(e.parentId IS NOT NULL OR e.kind = 'notebook')";

export const CHILDREN = `
  SELECT ${CONTENTS_COLUMNS.join(', ')} FROM entries e
  WHERE e.parentId IS @parentId AND ${IN_CONTENTS} AND e.deletedAt IS NULL AND VISIBLE(e) ORDER BY e.orderKey, e.row`;

/** Whether an entry holds at most so many; never counts further. */
export const HOLDS_FEW = `
  SELECT COUNT(*) <= @few AS isFew
  FROM (SELECT 1 FROM entries e WHERE e.parentId = @id AND VISIBLE(e) LIMIT @few + 1)`;

/**
 * An entry that the viewer was let at, with all that goes along with it. CROSS JOIN keeps the order of the walk: what
 * holds others comes before them, as their rows must.
 */
export const ALL_BENEATH = (columns: string) => `
  WITH RECURSIVE down(id) AS (
    SELECT @id
    UNION
    SELECT e.id FROM entries e JOIN down ON e.parentId = down.id WHERE e.deletedAt IS NULL
  ) SELECT ${columns} FROM down CROSS JOIN entries e ON e.id = down.id AND VISIBLE(e)`;

/** From an entry up to the notebook it stands in. */
export const UP = `
  WITH RECURSIVE up(id, kind, parentId, deletedAt, templateId, step) AS (
    SELECT e.id, e.kind, e.parentId, e.deletedAt, e.templateId, 0 FROM entries e WHERE e.id = @id AND VISIBLE(e)
    UNION ALL
    SELECT e.id, e.kind, e.parentId, e.deletedAt, e.templateId, up.step + 1
    FROM up JOIN entries e ON e.id = up.parentId AND up.step < 500 AND VISIBLE(e)
  ) SELECT id, kind, parentId, deletedAt, templateId FROM up ORDER BY step`;

/** What an entry was merged into, on and on; it may lead round. */
export const LED = `
  WITH RECURSIVE led(id, next, step) AS (
    SELECT e.id, e.mergedInto, 0 FROM entries e WHERE e.id = @id AND VISIBLE(e)
    UNION ALL
    SELECT e.id, e.mergedInto, led.step + 1 FROM led JOIN entries e ON e.id = led.next AND led.step < 500 AND VISIBLE(e)
  ) SELECT id, next FROM led ORDER BY step`;

/**
 * The greatest order key among what stands in something, and the least one after a key: or the same, when somebody else
 * than `exceptId` has it.
 */
export const LAST_KEY = `
  SELECT MAX(e.orderKey) AS orderKey FROM entries e WHERE e.parentId IS @parentId AND ${IN_CONTENTS} AND OWN(e)`;
export const KEY_AFTER = `
  SELECT e.orderKey FROM entries e
  WHERE e.parentId IS @parentId AND ${IN_CONTENTS} AND e.orderKey >= @orderKey AND OWN(e)
  AND (e.orderKey > @orderKey OR e.id != @exceptId) ORDER BY e.orderKey LIMIT 1`;

/** Counts pages and sections in or out of what they stand in; the walk goes on from what is returned. */
export const ADD_BENEATH = `
  UPDATE entries SET pagesBeneath = pagesBeneath + ?, sectionsBeneath = sectionsBeneath + ? WHERE id = ?
  RETURNING parentId, deletedAt`;

/** What is left of what was deleted for good; asked for each link that leads nowhere. */
export const TOMBSTONE = `SELECT t.title FROM tombstones t WHERE t.id = @id AND OWN(t)`;

/** All entries, to be found and linked to by name: of two named alike, the page comes before the section. */
export const ALL_STEPS = `SELECT ${STEP_COLUMNS} FROM entries e WHERE VISIBLE(e) ORDER BY e.kind, e.changedAt`;

/** That something stands in `e` which is not in the bin: a condition for the query builder. */
export const HOLDS_ANY = 'EXISTS (SELECT 1 FROM entries held WHERE held.parentId = e.id AND held.deletedAt IS NULL)';
