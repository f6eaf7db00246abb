/** By hand: the guard is passed at every key and every act, and says what is visible, which no builder knows. */

/** All that services may know of an entry. */
export const ENTRY_COLUMNS = `e.row, e.id, e.kind, e.parentId, e.orderKey, e.name, e.pigment, e.ornament, e.description,
  e.day, e.period, e.jotting, e.comesBack, e.firstWords, e.wordCount, e.begunAt, e.changedAt, e.deletedAt, e.season, e.showsLeaves, e.pagesBeneath,
  e.sectionsBeneath, e.isTemplate, e.templateId, e.madeFrom, e.mergedInto`;

export const ENTRY = `SELECT ${ENTRY_COLUMNS} FROM entries e WHERE e.id = @id AND VISIBLE(e)`;

/** An entry of one's own, or one that stands in something that was granted to be written. */
export const MAY_WRITE = `
  WITH RECURSIVE up(id, parentId) AS (
    SELECT id, parentId FROM entries WHERE id = @id
    UNION SELECT e.id, e.parentId FROM entries e JOIN up ON e.id = up.parentId
  )
  SELECT 1 FROM entries e WHERE e.id = @id AND OWN(e)
  UNION ALL
  SELECT 1 FROM up JOIN grants g ON g.entryId = up.id WHERE g.accountId = @viewer AND g.mayWrite = 1`;

export const ACCOUNT = `
  SELECT ownerId FROM entries WHERE id = @id UNION ALL SELECT ownerId FROM tags WHERE id = @id`;

/** The tags that a viewer sees, which are their own and those worn in what was granted, and what these stand beneath. */
export const TAGS = `
  WITH RECURSIVE seen(id) AS (
    SELECT t.id FROM tags t WHERE VISIBLE(t)
    UNION SELECT u.tag FROM tagUses u JOIN entries e ON e.id = u.documentId WHERE @hasGrants AND VISIBLE(e)
    UNION SELECT t.parentId FROM seen JOIN tags t ON t.id = seen.id WHERE t.parentId IS NOT NULL
    UNION SELECT t.mergedInto FROM seen JOIN tags t ON t.id = seen.id WHERE t.mergedInto IS NOT NULL
  )
  SELECT t.id, t.parentId, t.name, t.pigment, t.mergedInto, t.deletedAt FROM seen JOIN tags t ON t.id = seen.id`;
