import { shownWords, type NodeJson } from '@glossarion/core/document';
import { foldWords } from '@glossarion/core/find';
import { namedIn } from '@glossarion/core/margin';
import type { Database } from '../database/database';
import { dayBeginning } from './dayBeginnings';
import type { Glimpse, LinkableLine, Target } from '@glossarion/core/links';
import type { Entries } from './entries';

/** The lines of a page that a preview shows. */
const SHOWN = 8;
const LINES = 12;

/** Pages as they are seen in passing: a preview of a link, the lines of a page to link to. */
export class Glimpses {
  constructor(
    private database: Database,
    private entries: Entries,
  ) {}

  of(ownerId: string, id: string): Glimpse {
    const target = this.entries.targets(ownerId, [id])[0]!;
    const nodes = target.state === 'gone' ? [] : this.nodes(ownerId, target);
    const changed = this.database.first<{ changedAt: string }>(
      'SELECT changedAt FROM entries WHERE id = ? AND ownerId = ?',
      target.pageId,
      ownerId,
    );
    const names = target.kind === 'page' ? this.entries.otherNames(ownerId, target.pageId) : [];
    const targets = this.entries.targets(ownerId, namedIn(nodes).links);
    return { target, names, nodes, targets, changedAt: changed?.changedAt ?? null };
  }

  private nodes(ownerId: string, target: Target): NodeJson[] {
    if (target.kind === 'notebook' || target.kind === 'section') return [];
    const from = target.kind === 'block' ? this.position(ownerId, target.id) : 0;
    const rows = this.database.all<{ node: string; depth: number }>(
      'SELECT node, depth FROM blocks WHERE pageId = ? AND position >= ? ORDER BY position LIMIT ?',
      target.pageId,
      from,
      SHOWN,
    );
    if (rows.length === 0 && target.day !== null) {
      return dayBeginning(this.database.reader, ownerId, target.pageId, target.day).content.slice(0, SHOWN);
    }
    // Of a line what stands beneath it; of a heading what comes after it.
    const first = rows[0] && (JSON.parse(rows[0].node) as NodeJson);
    const isHeading = first?.attrs?.kind === 'heading';
    const end =
      target.kind === 'block' && !isHeading
        ? rows.findIndex(({ depth }, index) => index > 0 && depth <= rows[0]!.depth)
        : -1;
    return rows.slice(0, end < 0 ? rows.length : end).map(({ node }) => JSON.parse(node) as NodeJson);
  }

  private position(ownerId: string, id: string): number {
    const block = this.entries.block(ownerId, id);
    const row = this.database.first<{ position: number }>('SELECT position FROM blocks WHERE id = ?', block?.blockId);
    return row?.position ?? 0;
  }

  /** Lines of a page that hold what was typed, headings first; nothing typed gives all headings. */
  lines(ownerId: string, pageId: string, typed: string): LinkableLine[] {
    this.entries.own(ownerId, pageId);
    const needle = foldWords(typed).trim();
    const rows = this.database.all<{ id: string; kind: string; node: string }>(
      'SELECT id, kind, node FROM blocks WHERE pageId = ? ORDER BY position',
      pageId,
    );
    const reading = this.entries.reading(ownerId);
    const titleOf = (id: string) => reading.targets([id])[0]!.title;
    const headings: LinkableLine[] = [];
    const others: LinkableLine[] = [];
    for (const { id, kind, node } of rows) {
      if (needle === '' && kind !== 'heading') continue;
      const words = shownWords(JSON.parse(node) as NodeJson, titleOf).trim();
      if (words === '' || !foldWords(words).includes(needle)) continue;
      (kind === 'heading' ? headings : others).push({ blockId: id, words, kind });
      if (headings.length + others.length > LINES * 8) break;
    }
    return [...headings, ...others].slice(0, LINES);
  }
}
