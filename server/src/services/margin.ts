import type { NodeJson } from '@glossarion/core/document';
import { namedIn, type Gloss } from '@glossarion/core/margin';
import type { Database } from '../database/database';
import { STEP_COLUMNS, type Entries, type Step, type Target } from './entries';

/** Lines beneath a referring line that are shown with it. */
const CHILDREN = 12;

interface GlossRow extends Step {
  pageId: string;
  blockId: string;
  target: string;
  position: number;
  depth: number;
  node: string;
  changedAt: string;
  /** How deep the line after it stands; null at the end. */
  nextDepth: number | null;
}

/** CROSS JOIN keeps the order: from what this page is called by to the lines that link there, whatever the account holds. */
const REFERRING = `
  WITH here(id) AS (
    SELECT @pageId
    UNION ALL SELECT id FROM blocks WHERE pageId = @pageId
    UNION ALL SELECT formerId FROM formerIds WHERE pageId = @pageId
  )
  SELECT l.pageId, l.blockId, l.target, b.position, b.depth, b.node, e.changedAt, next.depth AS nextDepth, ${STEP_COLUMNS}
  FROM here CROSS JOIN links l ON l.target = here.id
  CROSS JOIN blocks b ON b.pageId = l.pageId AND b.id = l.blockId
  CROSS JOIN entries e ON e.id = l.pageId
  LEFT JOIN blocks next ON next.pageId = b.pageId AND next.position = b.position + 1
  WHERE e.ownerId = @ownerId`;

/** What points at a page, read for its Margin. */
export class Margin {
  constructor(
    private database: Database,
    private entries: Entries,
  ) {}

  /** One gloss for each line that links here or to a block here; newest first; nothing that is in the bin. */
  glosses(ownerId: string, pageId: string): { glosses: Gloss[]; targets: Target[] } {
    this.entries.own(ownerId, pageId);
    const rows = this.database.all<GlossRow>(REFERRING, { ownerId, pageId });
    const reading = this.entries.reading(ownerId, rows);
    const glosses = new Map<string, Gloss>();
    for (const row of rows) {
      const key = `${row.pageId}/${row.blockId}`;
      if (glosses.has(key)) continue;
      const place = reading.place(row.pageId);
      if (place.isDeleted) continue;
      const nodes = [JSON.parse(row.node) as NodeJson, ...this.children(row)];
      glosses.set(key, {
        blockId: row.blockId,
        pageId: row.pageId,
        pageTitle: place.title,
        trail: place.trail,
        pigment: place.pigment,
        day: place.day,
        changedAt: row.changedAt,
        targetBlockId: row.target === pageId ? null : (this.entries.block(ownerId, row.target)?.blockId ?? null),
        node: nodes[0]!,
        children: nodes.slice(1),
        ...namedIn(nodes),
      });
    }
    const moment = (gloss: Gloss) => gloss.day ?? gloss.changedAt;
    const sorted = [...glosses.values()].sort((one, other) => (moment(one) < moment(other) ? 1 : -1));
    const named = new Set(sorted.flatMap((gloss) => gloss.links));
    return { glosses: sorted, targets: reading.targets([...named]) };
  }

  private children(row: GlossRow): NodeJson[] {
    if (row.nextDepth === null || row.nextDepth <= row.depth) return [];
    const following = this.database
      .statement('SELECT depth, node FROM blocks WHERE pageId = ? AND position > ? ORDER BY position LIMIT ?')
      .iterate(row.pageId, row.position, CHILDREN) as IterableIterator<{ depth: number; node: string }>;
    const children: NodeJson[] = [];
    for (const { depth, node } of following) {
      if (depth <= row.depth) break;
      children.push(JSON.parse(node) as NodeJson);
    }
    return children;
  }
}
