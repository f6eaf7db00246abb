/** By hand: what today's page shows of tasks is read at every opening, by indexes that a planner must be held to. */

/** How often the present time of a task `t` was put off: a part of queries. */
export const PUT_OFFS = `(SELECT COUNT(*) FROM happenings p WHERE p.blockId = t.blockId AND p.what != 'words' AND p.what = 'putOff' AND p.isTakenBack = 0
  AND p.occurrence = CASE WHEN t.repeat IS NULL THEN '' ELSE COALESCE(substr(t.due, 1, 10), '') END)`;

const OPEN = "t.state IN ('open', 'begun')";

/** What is brought forward to a day that is today, or stands on one that is to come (core/tasks/brought). */
export const BROUGHT = `
  SELECT t.documentId AS pageId, t.blockId, t.state, t.due, t.forDay, t.priority, t.within, e.day AS writtenOn,
    b.node, b.position, b.depth, ${PUT_OFFS} AS putOffs
  FROM (
    SELECT t.documentId, t.blockId FROM tasks t INDEXED BY tasks_open_by_for
      WHERE ${OPEN} AND t.forDay IS NOT NULL AND @isToday AND t.forDay <= @day
    UNION SELECT t.documentId, t.blockId FROM tasks t INDEXED BY tasks_open_by_due
      WHERE ${OPEN} AND t.due IS NOT NULL AND @isToday AND t.due < @day || '~' AND t.forDay IS NULL
    UNION SELECT t.documentId, t.blockId FROM entries e CROSS JOIN tasks t INDEXED BY tasks_open
      WHERE t.documentId = e.id AND ${OPEN} AND @isToday AND e.day < @day AND t.forDay IS NULL AND VISIBLE(e)
    UNION SELECT t.documentId, t.blockId FROM tasks t INDEXED BY tasks_open_by_for
      WHERE ${OPEN} AND t.forDay IS NOT NULL AND NOT @isToday AND t.forDay = @day
    UNION SELECT t.documentId, t.blockId FROM tasks t INDEXED BY tasks_open_by_due
      WHERE ${OPEN} AND t.due IS NOT NULL AND NOT @isToday AND t.due >= @day AND t.due < @day || '~'
  ) s CROSS JOIN tasks t CROSS JOIN entries e CROSS JOIN blocks b
  WHERE t.documentId = s.documentId AND t.blockId = s.blockId AND e.id = t.documentId
  AND b.documentId = t.documentId AND b.id = t.blockId AND e.deletedAt IS NULL AND e.isTemplate = 0 AND e.day IS NOT @day AND VISIBLE(e)`;
