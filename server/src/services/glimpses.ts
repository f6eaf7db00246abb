import { shownWords, type NodeJson } from '@glossarion/core/document';
import { foldWords } from '@glossarion/core/words';
import type { Glimpse, LinkableLine, Target } from '@glossarion/core/links';
import { shownIn } from '@glossarion/core/document';
import { visibleEntry, type Viewer } from '../access';
import type { Database } from '../database/database';
import { EntryEntity } from '../entities';
import { LINES, LINES_AROUND_ONE } from '../entities/block.queries';
import { dayBeginning } from './dayBeginnings';
import type { Entries } from './entries';
import { otherNamesOf } from './otherNames';

/** The lines of a page that a preview shows. */
const SHOWN = 8;
/** The lines that are shown where there is room, and how many of them stand before the one that was asked for. */
const AROUND = { before: 12, limit: 60 };
const OFFERED = 12;
/** So many lines that fit are looked for at most, headings among them. */
const LOOKED_FOR = OFFERED * 8;
const ALL = -1;

interface LineRow {
  id: string;
  kind: string;
  depth: number;
  node: string;
}

/** Pages as they are seen in passing: a preview of a link, the lines of a page to link to. */
export class Glimpses {
  constructor(
    private database: Database,
    private entries: Entries,
  ) {}

  async of(viewer: Viewer, id: string): Promise<Glimpse> {
    const { manager } = this.database;
    const reader = this.entries.reader(viewer);
    const target = reader.target(id);
    const nodes = target.state === 'gone' ? [] : await this.nodes(viewer, target);
    const isStored = this.entries.has(viewer, target.pageId);
    const entry = isStored ? await manager.findOneBy(EntryEntity, { id: target.pageId }) : null;
    const names = target.kind === 'page' && isStored ? otherNamesOf(this.database.reader, target.pageId) : [];
    return { target, names, nodes, targets: reader.targets(shownIn(nodes)), changedAt: entry?.changedAt ?? null };
  }

  /** The same with the lines around it, as they stand on its page. */
  async around(viewer: Viewer, id: string): Promise<Glimpse> {
    const glimpse = await this.of(viewer, id);
    const { target } = glimpse;
    if (target.kind !== 'block' && (target.kind !== 'page' || glimpse.nodes.length === 0)) return glimpse;
    const from = target.kind === 'block' ? (this.entries.block(viewer, target.id)?.blockId ?? null) : null;
    const asked = { id: target.pageId, from, before: AROUND.before, limit: AROUND.limit };
    const rows = this.database.reading(viewer).all<LineRow>(LINES_AROUND_ONE, asked);
    const nodes = rows.length > 0 ? rows.map(({ node }) => JSON.parse(node) as NodeJson) : glimpse.nodes;
    return { ...glimpse, nodes, targets: this.entries.reader(viewer).targets(shownIn(nodes)) };
  }

  private async nodes(viewer: Viewer, target: Target): Promise<NodeJson[]> {
    if (target.kind !== 'page' && target.kind !== 'block') return [];
    const from = target.kind === 'block' ? this.entries.block(viewer, target.id)?.blockId : null;
    const connection = this.database.reading(viewer);
    const rows = connection.all<LineRow>(LINES, { id: target.pageId, from: from ?? null, limit: SHOWN });
    if (rows.length === 0 && target.day !== null) {
      const { content } = await dayBeginning(this.database.manager, viewer, target.pageId, target.day);
      return content.slice(0, SHOWN);
    }
    // Of a line what stands beneath it; of a heading what comes after it.
    const isLine = target.kind === 'block' && rows[0]?.kind !== 'heading';
    const end = isLine ? rows.findIndex(({ depth }, index) => index > 0 && depth <= rows[0]!.depth) : -1;
    return rows.slice(0, end < 0 ? rows.length : end).map(({ node }) => JSON.parse(node) as NodeJson);
  }

  /** Lines of a page that hold what was typed, headings first; nothing typed gives all headings. */
  lines(viewer: Viewer, pageId: string, typed: string): LinkableLine[] {
    const connection = this.database.reading(viewer);
    visibleEntry(connection, pageId);
    const needle = foldWords(typed).trim();
    const reader = this.entries.reader(viewer);
    const titleOf = (id: string) => reader.title(id);
    const headings: LinkableLine[] = [];
    const others: LinkableLine[] = [];
    for (const { id, kind, node } of connection.each<LineRow>(LINES, {
      id: pageId,
      from: null,
      before: 0,
      limit: ALL,
    })) {
      if (needle === '' && kind !== 'heading') continue;
      const words = shownWords(JSON.parse(node) as NodeJson, titleOf).trim();
      if (words === '' || !foldWords(words).includes(needle)) continue;
      (kind === 'heading' ? headings : others).push({ blockId: id, words, kind });
      if (headings.length + others.length > LOOKED_FOR) break;
    }
    return [...headings, ...others].slice(0, OFFERED);
  }
}
