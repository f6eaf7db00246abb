import {
  nameKey,
  searchedText,
  textBlocks,
  type Mention,
  type Mentions,
  type NamedAt,
} from '@glossarion/core/alsoNamed';
import type { NodeJson } from '@glossarion/core/document';
import { namedIn } from '@glossarion/core/margin';
import { dayKey } from '../background/mentions';
import type { Database } from '../database/database';
import type { Target } from '@glossarion/core/links';
import { STEP_COLUMNS, type Entries, type Step } from './entries';

interface MentionRow extends Step {
  pageId: string;
  blockId: string;
  places: string;
  changedAt: string;
}

/** Lines that name a page by one of its names, but neither link it nor were left unlinked for good. */
const NAMING = `
  SELECT m.pageId, m.blockId, m.places, e.changedAt, ${STEP_COLUMNS}
  FROM mentions m CROSS JOIN entries e ON e.id = m.pageId
  WHERE m.name = @name AND m.pageId != @pageId AND e.ownerId = @ownerId
    AND NOT EXISTS (SELECT 1 FROM unlinked u WHERE u.targetId = @pageId AND u.pageId = m.pageId AND u.blockId = m.blockId)
    AND NOT EXISTS (
      SELECT 1 FROM links l WHERE l.pageId = m.pageId AND l.blockId = m.blockId
      AND (l.target = @pageId OR l.target IN (SELECT b.id FROM blocks b WHERE b.id = l.target AND b.pageId = @pageId)))`;

/** What names a page without a link. What stands in the tables was found in the background (background/mentions). */
export class AlsoNamed {
  constructor(
    private database: Database,
    private entries: Entries,
  ) {}

  /** The names by which a page is looked up among what texts name. */
  keysOf(ownerId: string, pageId: string): string[] {
    const day = this.entries.dayOf(ownerId, pageId);
    if (day) return [dayKey(day)];
    const { name } = this.entries.own(ownerId, pageId);
    const keys = [name, ...this.entries.otherNames(ownerId, pageId)].map(nameKey);
    return [...new Set(keys)].filter((key) => key !== null);
  }

  /** Lines that name a page, newest first, from the place `from` on. The count is of all. */
  list(ownerId: string, pageId: string, from: number, limit: number): Mentions {
    const rows = this.rows(ownerId, pageId);
    const reading = this.entries.reading(ownerId, rows);
    const living = rows.filter((row) => !reading.place(row.pageId).isDeleted);
    const moment = (row: MentionRow) => row.day ?? row.changedAt;
    living.sort((one, other) => (moment(one) < moment(other) ? 1 : -1));
    const mentions = living
      .slice(from, from + limit)
      .flatMap((row) => this.mention(row, reading.place(row.pageId)) ?? []);
    const named = new Set(mentions.flatMap(({ node }) => namedIn([node]).links));
    return { count: living.length, mentions, targets: reading.targets([...named]) };
  }

  private rows(ownerId: string, pageId: string): MentionRow[] {
    const found = new Map<string, MentionRow>();
    for (const name of this.keysOf(ownerId, pageId)) {
      for (const row of this.database.all<MentionRow>(NAMING, { name, pageId, ownerId })) {
        const key = `${row.pageId}/${row.blockId}`;
        const before = found.get(key);
        const places = [...(JSON.parse(before?.places ?? '[]') as NamedAt[]), ...(JSON.parse(row.places) as NamedAt[])];
        found.set(key, { ...row, places: JSON.stringify(places) });
      }
    }
    return [...found.values()];
  }

  private mention(row: MentionRow, place: Omit<Target, 'state'>): Mention | null {
    const { pageId, blockId, changedAt } = row;
    const stored = this.database.first<{ node: string }>(
      'SELECT node FROM blocks WHERE pageId = ? AND id = ?',
      pageId,
      blockId,
    );
    if (!stored) return null;
    const { title: pageTitle, trail, pigment, day } = place;
    const node = JSON.parse(stored.node) as NodeJson;
    const places = JSON.parse(row.places) as NamedAt[];
    return { pageId, blockId, pageTitle, trail, pigment, day, changedAt, node, places };
  }
}

/** Those of the places found earlier at which a name still stands in a block. */
export function standing(node: NodeJson, places: readonly NamedAt[], keys: ReadonlySet<string>): NamedAt[] {
  const texts = textBlocks(node).map(searchedText);
  return places.filter(([text, start, end]) => {
    const key = nameKey(texts[text]?.slice(start, end) ?? '');
    return key !== null && keys.has(key);
  });
}
