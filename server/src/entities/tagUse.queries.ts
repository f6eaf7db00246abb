import { IN_BIN } from './find.queries';

/** By hand: it reads all uses of an account, and what is in the bin is found once for all of them. */

/** How many lines wear each tag; nothing that is in the bin. */
export const USES = `
  SELECT u.tag, COUNT(DISTINCT u.documentId || ' ' || u.blockId) AS lines
  FROM entries e JOIN tagUses u ON u.documentId = e.id WHERE VISIBLE(e) AND NOT ${IN_BIN} GROUP BY u.tag`;
