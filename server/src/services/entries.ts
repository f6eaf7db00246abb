import type { EntityManager } from 'typeorm';
import { emptyBody, namedId, newId } from '@glossarion/core/document';
import { linkState, type LinkState } from '@glossarion/core/links';
import { dayTitleWithYear } from '@glossarion/core/journal';
import {
  mayHold,
  orderBetween,
  shownTitle,
  type EntryKind,
  type Ornament,
  type Pigment,
  type TrailStep,
} from '@glossarion/core/outline';
import type { Database } from '../database/database';
import { EntryEntity, type Entry } from '../entities';
import { notFound, Problem } from '../problem';
import { FactWriter } from './facts';

export interface NewEntry {
  id?: string;
  kind: EntryKind;
  parentId: string | null;
  /** The sibling it stands after; null puts it first, undefined last. */
  afterId?: string | null;
  name: string;
  pigment?: Pigment | null;
  ornament?: Ornament | null;
  description?: string;
}

/** An entry as the contents show it. */
export interface ContentsEntry {
  id: string;
  parentId: string | null;
  kind: EntryKind;
  name: string;
  pigment: Pigment | null;
  ornament: Ornament | null;
  description: string;
  changedAt: string;
  wordCount: number;
  childCount: number;
  /** How many pages it holds at any depth; for notebooks. */
  pageCount?: number;
  sectionCount?: number;
}

/** What a link shows of its target. */
export interface Target {
  id: string;
  kind: EntryKind | 'block';
  /** The page a block stands on; the entry itself otherwise. */
  pageId: string;
  title: string;
  state: LinkState;
  trail: TrailStep[];
  pigment: Pigment | null;
  day: string | null;
}

/** Rows a contents reads at one time; deeper levels are asked for when opened. */
const CONTENTS_LEVELS = 12;
const CONTENTS_ROWS = 3_000;

const ANCESTORS = `
  WITH RECURSIVE up(id, parentId, kind, name, firstWords, pigment, day, deletedAt, distance) AS (
    SELECT id, parentId, kind, name, firstWords, pigment, day, deletedAt, 0 FROM entries WHERE id = ? AND ownerId = ?
    UNION ALL
    SELECT e.id, e.parentId, e.kind, e.name, e.firstWords, e.pigment, e.day, e.deletedAt, up.distance + 1
    FROM entries e JOIN up ON e.id = up.parentId
  ) SELECT * FROM up ORDER BY distance DESC`;

type Ancestor = Pick<Entry, 'id' | 'parentId' | 'kind' | 'name' | 'firstWords' | 'pigment' | 'day' | 'deletedAt'>;

/** The outline of an account: notebooks, sections and pages, where they stand and what they are called. */
export class Entries {
  readonly facts: FactWriter;

  constructor(private database: Database) {
    this.facts = new FactWriter(database.writer);
  }

  /** The entry, if it is this owner's; in the bin or not. The one place where access to entries is decided. */
  own(ownerId: string, id: string): Entry {
    const entry = this.database.first<Entry>('SELECT * FROM entries WHERE id = ? AND ownerId = ?', id, ownerId);
    if (!entry) throw notFound();
    return entry;
  }

  exists(id: string): boolean {
    return this.database.first('SELECT 1 FROM entries WHERE id = ?', id) !== undefined;
  }

  /** From the notebook down to the entry itself. */
  private line(ownerId: string, id: string): Ancestor[] {
    return this.database.all<Ancestor>(ANCESTORS, id, ownerId);
  }

  /** Where an entry stands, what it is called, and whether it or anything above it is in the bin. */
  place(ownerId: string, id: string): Omit<Target, 'state'> & { isDeleted: boolean; kind: EntryKind } {
    const line = this.line(ownerId, id);
    const self = line[line.length - 1];
    if (!self) throw notFound();
    return {
      id,
      kind: self.kind,
      pageId: id,
      title: entryTitle(self),
      trail: line.slice(0, -1).map((step) => ({ id: step.id, kind: step.kind, name: entryTitle(step) })),
      pigment: line[0]!.pigment,
      day: self.day,
      isDeleted: line.some((step) => step.deletedAt !== null),
    };
  }

  /** What links show of these ids, whether they name entries or blocks. Unknown ids are gone. */
  targets(ownerId: string, ids: readonly string[]): Target[] {
    return ids.map((id) => this.target(ownerId, id));
  }

  private target(ownerId: string, id: string): Target {
    const entry = this.database.first<Entry>('SELECT * FROM entries WHERE id = ? AND ownerId = ?', id, ownerId);
    if (entry) {
      const { isDeleted, ...place } = this.place(ownerId, id);
      return { ...place, state: linkState({ isDeleted, wordCount: entry.wordCount, kind: entry.kind }) };
    }
    const block = this.block(ownerId, id);
    if (block) {
      const { isDeleted, ...place } = this.place(ownerId, block.pageId);
      const state = linkState({ isDeleted, wordCount: 1, kind: 'block' });
      return { ...place, id, kind: 'block', title: shownTitle(block.words, place.title), state };
    }
    return { id, kind: 'page', pageId: id, title: '', state: 'gone', trail: [], pigment: null, day: null };
  }

  /** The block an id names, now or formerly. */
  block(ownerId: string, id: string): { pageId: string; blockId: string; words: string } | undefined {
    const find = (blockId: string) =>
      this.database.first<{ pageId: string; blockId: string; words: string }>(
        `SELECT b.pageId, b.id AS blockId, b.words FROM blocks b JOIN entries e ON e.id = b.pageId
         WHERE b.id = ? AND e.ownerId = ?`,
        blockId,
        ownerId,
      );
    const standing = find(id);
    if (standing) return standing;
    const former = this.database.first<{ blockId: string }>(
      `SELECT f.blockId FROM formerIds f JOIN entries e ON e.id = f.pageId WHERE f.formerId = ? AND e.ownerId = ?`,
      id,
      ownerId,
    );
    return former ? find(former.blockId) : undefined;
  }

  notebooks(ownerId: string): ContentsEntry[] {
    const notebooks = this.children(ownerId, null);
    const count = `
      WITH RECURSIVE down(id, kind) AS (
        SELECT id, kind FROM entries WHERE parentId = ? AND deletedAt IS NULL
        UNION ALL
        SELECT e.id, e.kind FROM entries e JOIN down ON e.parentId = down.id WHERE e.deletedAt IS NULL
      ) SELECT SUM(kind = 'page') AS pageCount, SUM(kind = 'section') AS sectionCount FROM down`;
    return notebooks.map((notebook) => {
      const counts = this.database.first<{ pageCount: number | null; sectionCount: number | null }>(count, notebook.id);
      return { ...notebook, pageCount: counts?.pageCount ?? 0, sectionCount: counts?.sectionCount ?? 0 };
    });
  }

  private children(ownerId: string, parentId: string | null): ContentsEntry[] {
    return this.database.all<ContentsEntry>(
      `SELECT id, parentId, kind, name, firstWords, pigment, ornament, description, changedAt, wordCount,
         (SELECT COUNT(*) FROM entries c WHERE c.parentId = e.id AND c.deletedAt IS NULL) AS childCount
       FROM entries e WHERE ownerId = ? AND parentId IS ? AND day IS NULL AND deletedAt IS NULL ORDER BY orderKey, row`,
      ownerId,
      parentId,
    );
  }

  /** What stands beneath an entry, a few levels down, parents before children, siblings in order. */
  contents(ownerId: string, id: string): ContentsEntry[] {
    this.own(ownerId, id);
    const found: ContentsEntry[] = [];
    let level = [id];
    for (let depth = 0; depth < CONTENTS_LEVELS && level.length > 0 && found.length < CONTENTS_ROWS; depth += 1) {
      const next: string[] = [];
      for (const parentId of level) {
        const children = this.children(ownerId, parentId);
        found.push(...children);
        next.push(...children.filter((child) => child.childCount > 0).map((child) => child.id));
      }
      level = next;
    }
    return found;
  }

  async make(ownerId: string, wish: NewEntry): Promise<Entry> {
    return this.database.write((manager) => this.makeWithin(manager, ownerId, wish));
  }

  /** Makes an entry within a transaction. Making one that is there already changes nothing, so that it can be repeated. */
  async makeWithin(manager: EntityManager, ownerId: string, wish: NewEntry): Promise<Entry> {
    const id = wish.id ?? newId();
    const present = await manager.findOneBy(EntryEntity, { id });
    if (present) {
      if (present.ownerId !== ownerId) throw notFound();
      return present;
    }
    const parent = wish.parentId === null ? null : await manager.findOneBy(EntryEntity, { id: wish.parentId, ownerId });
    if (wish.parentId !== null && (!parent || parent.day !== null)) {
      throw new Problem(404, 'The place this was to stand in is not there any more.');
    }
    if (!mayHold(parent?.kind ?? null, wish.kind)) {
      throw new Problem(400, `A ${wish.kind} can't stand in ${parent ? `a ${parent.kind}` : 'no notebook'}.`);
    }
    const now = new Date().toISOString();
    const orderKey = await this.orderFor(manager, ownerId, wish.parentId, wish.afterId);
    await manager.insert(EntryEntity, {
      id,
      ownerId,
      kind: wish.kind,
      parentId: wish.parentId,
      orderKey,
      name: wish.name,
      pigment: wish.pigment ?? (wish.kind === 'notebook' ? 'lapis' : null),
      ornament: wish.ornament ?? null,
      description: wish.description ?? '',
      day: null,
      firstWords: '',
      wordCount: 0,
      begunAt: now,
      changedAt: now,
      deletedAt: null,
    });
    const entry = await manager.findOneByOrFail(EntryEntity, { id });
    if (wish.kind === 'page') this.giveBody(entry);
    else this.facts.writeName(entry.row, entry.name);
    return entry;
  }

  /** Gives a new page its first body, empty. */
  private giveBody(entry: Entry): void {
    const body = emptyBody(namedId(entry.id, 'first'));
    this.database.writer.prepare('INSERT INTO bodies (pageId, json) VALUES (?, ?)').run(entry.id, JSON.stringify(body));
    this.facts.write({ row: entry.row, id: entry.id, indexed: null }, entry.name, body, null);
  }

  private async orderFor(
    manager: EntityManager,
    ownerId: string,
    parentId: string | null,
    afterId: string | null | undefined,
  ): Promise<string> {
    const keys = (await manager.query(
      'SELECT id, orderKey FROM entries WHERE ownerId = ? AND parentId IS ? AND day IS NULL ORDER BY orderKey, row',
      [ownerId, parentId],
    )) as { id: string; orderKey: string }[];
    const place = afterId === null ? -1 : afterId ? keys.findIndex((key) => key.id === afterId) : keys.length - 1;
    const before = keys[place < 0 && afterId ? keys.length - 1 : place]?.orderKey ?? null;
    const after = keys.find((key) => before === null || key.orderKey > before)?.orderKey ?? null;
    return orderBetween(before, after);
  }

  async change(
    ownerId: string,
    id: string,
    changes: Partial<Pick<Entry, 'name' | 'pigment' | 'ornament' | 'description'>>,
  ): Promise<void> {
    await this.database.write(async (manager) => {
      const entry = await manager.findOneBy(EntryEntity, { id, ownerId });
      if (!entry) throw notFound();
      await manager.update(EntryEntity, { id }, { ...changes, changedAt: new Date().toISOString() });
      if (changes.name !== undefined) this.facts.writeName(entry.row, changes.name);
    });
  }

  /** Puts an entry into the bin with everything beneath it, or takes it out again. */
  async setDeleted(ownerId: string, id: string, isDeleted: boolean): Promise<void> {
    await this.database.write(async (manager) => {
      const entry = await manager.findOneBy(EntryEntity, { id, ownerId });
      if (!entry) throw notFound();
      if (entry.day) throw new Problem(400, 'A day stays in the journal; its lines can be deleted.');
      await manager.update(EntryEntity, { id }, { deletedAt: isDeleted ? new Date().toISOString() : null });
    });
  }

  recent(ownerId: string, limit: number): Target[] {
    const rows = this.database.all<{ id: string }>(
      `SELECT id FROM entries WHERE ownerId = ? AND kind = 'page' AND deletedAt IS NULL
       ORDER BY changedAt DESC, row DESC LIMIT ?`,
      ownerId,
      limit * 2,
    );
    return this.targets(
      ownerId,
      rows.map((row) => row.id),
    )
      .filter((target) => target.state !== 'binned')
      .slice(0, limit);
  }
}

export const entryTitle = (entry: Pick<Entry, 'name' | 'firstWords' | 'day' | 'kind'>): string =>
  entry.day ? dayTitleWithYear(entry.day) : shownTitle(entry.name, entry.firstWords);
