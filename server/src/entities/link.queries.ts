import { STEP_COLUMNS } from './entry.queries';

/**
 * By hand: the Margin and the Desk read across several tables in an order that no planner finds by itself (CROSS JOIN
 * keeps it), so that they cost the same however large the account is.
 */

/** Pages without text that are linked, with how often; most first. */
export const UNWRITTEN = `
  SELECT e.id, COUNT(*) AS links
  FROM entries e CROSS JOIN links l ON l.target = e.id CROSS JOIN entries linking ON linking.id = l.documentId
  WHERE e.kind = 'page' AND e.wordCount = 0 AND e.firstWords = '' AND e.day IS NULL AND e.deletedAt IS NULL
  AND VISIBLE(e) AND VISIBLE(linking)
  GROUP BY e.id ORDER BY links DESC, e.row LIMIT @limit`;

/**
 * The lines of pages that link to a page, or to something on it: by all that it is called by, which is itself, what was
 * merged into it, its blocks, and blocks that were joined to those. With where each stands in the Margin, if that is known.
 */
export const REFERRING = `
  WITH RECURSIVE pages(id) AS (
    SELECT @pageId UNION SELECT e.id FROM entries e JOIN pages ON e.mergedInto = pages.id
  ), here(id) AS (
    SELECT id FROM pages
    UNION ALL SELECT id FROM blocks WHERE documentId = @pageId
    UNION ALL SELECT formerId FROM formerIds WHERE documentId = @pageId
  )
  SELECT l.blockId, l.ofField, NULLIF(l.target, @pageId) AS target, l.position, e.changedAt, p.lineId, p.score, ${STEP_COLUMNS}
  FROM here CROSS JOIN links l ON l.target = here.id CROSS JOIN entries e ON e.id = l.documentId
  LEFT JOIN glossPlaces p ON p.targetId = @pageId AND p.documentId = l.documentId AND p.blockId = l.blockId
  WHERE VISIBLE(e)`;

const LINE_COLUMNS = 'b.parentId AS parentBlockId, b.headingId, b.position, b.depth, b.node';

/*
 * The queries from here on read on in documents that the viewer was found to see.
 */

const wholeLines = (columns: string, joins: string) => `
  SELECT asked.key AS place, ${LINE_COLUMNS}, next.depth AS nextDepth, ${columns}
    CASE WHEN b.headingId IS NOT NULL
      AND NOT EXISTS (SELECT 1 FROM links hl WHERE hl.documentId = b.documentId AND hl.blockId = b.headingId)
      THEN heading.words END AS headingWords
  FROM json_each(@asked) asked
  CROSS JOIN blocks b ON b.documentId = asked.value ->> 0 AND b.id = asked.value ->> 1
  LEFT JOIN blocks next ON next.documentId = b.documentId AND next.position = b.position + 1
  LEFT JOIN blocks heading ON heading.documentId = b.documentId AND heading.id = b.headingId ${joins}`;

/** Lines with all that their glosses show; asked for as a list of documents and lines in turn. */
export const WHOLE_LINES = wholeLines('', '');

/** The same with the lines around each, by which glosses are placed. */
export const LINES_AROUND = wholeLines(
  'before.node AS beforeNode, next.node AS nextNode, heading.node AS headingNode,',
  'LEFT JOIN blocks before ON before.documentId = b.documentId AND before.position = b.position - 1',
);

/** What follows a line, for what stands beneath it. */
export const FOLLOWING = `
  SELECT b.depth, b.node FROM blocks b
  WHERE b.documentId = @documentId AND b.position > @position ORDER BY b.position LIMIT @limit`;

/** The tags that a line wears, or all lines of a document (null). */
export const TAGS_OF = `
  SELECT t.blockId, t.tag FROM tagUses t WHERE t.documentId = @documentId AND (@blockId IS NULL OR t.blockId = @blockId)`;
