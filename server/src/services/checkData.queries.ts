/** By hand: a count by recursion. */

const WHOLE = '(e.importId IS NULL OR e.importId NOT IN (SELECT id FROM importsUnderWay))';

/** A circle in what stands in what ends after so many steps; it is reported by itself. */
const MOST_STEPS = 50_000_000;

export const WRONGLY_COUNTED = `
  WITH RECURSIVE beneath(root, kind) AS (
    SELECT e.parentId, e.kind FROM entries e WHERE e.parentId IS NOT NULL AND e.deletedAt IS NULL AND ${WHOLE}
    UNION ALL
    SELECT e.parentId, b.kind FROM beneath b JOIN entries e ON e.id = b.root
    WHERE e.parentId IS NOT NULL AND e.deletedAt IS NULL
    LIMIT ${MOST_STEPS}
  ), counted AS (
    SELECT root, SUM(kind = 'page') AS pages, SUM(kind = 'section') AS sections FROM beneath GROUP BY root
  )
  SELECT e.id FROM entries e LEFT JOIN counted c ON c.root = e.id
  WHERE (e.pagesBeneath != COALESCE(c.pages, 0) OR e.sectionsBeneath != COALESCE(c.sections, 0)) AND ${WHOLE}`;
