import { shownWords, type NodeJson } from '@glossarion/core/document';
import { kinOf, tellingStems, type Kin, type KinPage, type Rarity } from '@glossarion/core/kin';
import type { RawDatabase } from '../database/database';

const CANDIDATES = 80;
const STEMS = 14;
const SHOWN = 5;
/** More lines than these of a page say no more about what it is about. */
const LINES = 400;

/** Finds the pages that are most like one. Reads only. */
export class KinSearch {
  constructor(private database: RawDatabase) {}

  find(ownerId: string, pageId: string): Kin[] {
    const page = this.page(pageId);
    if (!page) return [];
    const rarity = this.rarity(ownerId);
    const stems = tellingStems(page, rarity, STEMS);
    const linked = new Set(this.linked(pageId));
    const candidates = new Set([...this.byWords(ownerId, stems), ...this.byLinks(pageId)]);
    const others = [...candidates]
      .filter((id) => id !== pageId && !linked.has(id))
      .flatMap((id) => (this.isShown(ownerId, id) ? (this.page(id) ?? []) : []));
    return kinOf(page, others, rarity, SHOWN);
  }

  private page(id: string): KinPage | null {
    const entry = this.database.prepare('SELECT name FROM entries WHERE id = ?').get(id) as
      { name: string } | undefined;
    if (!entry) return null;
    const nodes = this.database
      .prepare('SELECT node FROM blocks WHERE pageId = ? ORDER BY position LIMIT ?')
      .all(id, LINES) as { node: string }[];
    const titleOf = (target: string) =>
      (
        this.database.prepare('SELECT name FROM entries WHERE id = ? AND day IS NULL').get(target) as
          { name: string } | undefined
      )?.name ?? '';
    const tags = this.database.prepare('SELECT DISTINCT tag FROM tags WHERE pageId = ?').all(id) as { tag: string }[];
    return {
      id,
      title: entry.name,
      words: nodes.map(({ node }) => shownWords(JSON.parse(node) as NodeJson, titleOf)).join('\n'),
      links: this.linked(id),
      tags: tags.map(({ tag }) => tag),
    };
  }

  /** Pages that this one links to, and those that link to it. */
  private linked(pageId: string): string[] {
    const rows = this.database
      .prepare(
        `SELECT COALESCE(b.pageId, l.target) AS id FROM links l LEFT JOIN blocks b ON b.id = l.target WHERE l.pageId = @id
         UNION SELECT pageId FROM links WHERE target = @id
         UNION SELECT l.pageId FROM blocks b JOIN links l ON l.target = b.id WHERE b.pageId = @id`,
      )
      .all({ id: pageId }) as { id: string }[];
    return rows.map(({ id }) => id).filter((id) => id !== pageId);
  }

  private byWords(ownerId: string, stems: readonly string[]): string[] {
    if (stems.length === 0) return [];
    const match = stems.map((stem) => `"${stem.replaceAll('"', '')}"*`).join(' OR ');
    const rows = this.database
      .prepare(
        `SELECT e.id FROM findIndex f JOIN entries e ON e.row = f.rowid
         WHERE findIndex MATCH ? AND e.ownerId = ? AND e.kind = 'page' AND e.day IS NULL
         ORDER BY bm25(findIndex, 4, 1) LIMIT ?`,
      )
      .all(match, ownerId, CANDIDATES) as { id: string }[];
    return rows.map(({ id }) => id);
  }

  /** Pages that link to the same, and pages that the same link to. */
  private byLinks(pageId: string): string[] {
    const rows = this.database
      .prepare(
        `SELECT DISTINCT id FROM (
           SELECT id FROM (SELECT two.pageId AS id FROM links one JOIN links two ON two.target = one.target
             WHERE one.pageId = @id LIMIT 400)
           UNION ALL
           SELECT id FROM (SELECT two.target AS id FROM links one JOIN links two ON two.pageId = one.pageId
             WHERE one.target = @id LIMIT 400)
         ) LIMIT @most`,
      )
      .all({ id: pageId, most: CANDIDATES }) as { id: string }[];
    return rows.map(({ id }) => id);
  }

  /** Whether it is a page of this owner's, no day, not in the bin. */
  private isShown(ownerId: string, id: string): boolean {
    const row = this.database
      .prepare(
        `WITH RECURSIVE up(id, parentId, deletedAt) AS (
           SELECT id, parentId, deletedAt FROM entries WHERE id = ? AND ownerId = ? AND kind = 'page' AND day IS NULL
           UNION SELECT e.id, e.parentId, e.deletedAt FROM entries e JOIN up ON e.id = up.parentId
         ) SELECT COUNT(*) AS steps, COUNT(deletedAt) AS deleted FROM up`,
      )
      .get(id, ownerId) as { steps: number; deleted: number };
    return row.steps > 0 && row.deleted === 0;
  }

  private rarity(ownerId: string): Rarity {
    const { pages } = this.database
      .prepare("SELECT COUNT(*) AS pages FROM entries WHERE ownerId = ? AND kind = 'page'")
      .get(ownerId) as { pages: number };
    const words = this.database.prepare('SELECT SUM(doc) AS count FROM findVocabulary WHERE term >= ? AND term < ?');
    const links = this.database.prepare('SELECT COUNT(*) AS count FROM links WHERE target = ?');
    const tags = this.database.prepare('SELECT COUNT(DISTINCT pageId) AS count FROM tags WHERE tag = ?');
    const kept = new Map<string, number>();
    const once = (key: string, count: () => unknown): number => {
      let known = kept.get(key);
      if (known === undefined) {
        known = Math.min(pages, (count() as { count: number | null }).count ?? 0);
        kept.set(key, known);
      }
      return known;
    };
    return {
      pages,
      // The index holds words, not stems: those that begin with the stem stand for it.
      ofWord: (stem) => once(`w${stem}`, () => words.get(stem, `${stem}\uFFFF`)),
      ofLink: (id) => once(`l${id}`, () => links.get(id)),
      ofTag: (tag) => once(`t${tag}`, () => tags.get(tag)),
    };
  }
}
