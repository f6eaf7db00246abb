import { In } from 'typeorm';
import { besideOf, type BodyJson } from '@glossarion/core/document';
import {
  likelyKind,
  shippedKindId,
  type HeldOfField,
  type KnownKinds,
  type Likely,
  type PageOfKind,
  type PagesOfKind,
} from '@glossarion/core/kinds';
import type { Viewer } from '../access';
import type { Database } from '../database/database';
import { DocumentEntity, EntryEntity, FieldValueEntity, KindUseEntity } from '../entities';
import { notFound } from '../problem';
import type { Entries } from './entries';
import type { Kinds } from './kinds';

/** A page as its document is stored. */
interface StoredPage {
  id: string;
  json: string;
}

/** So many pages are proposed for one kind at once. */
const LIKELY_MOST = 200;
/** Ids that one statement names. */
const AT_ONCE = 500;

/** What pages are of which kind, and what they hold of a field. */
export class PagesOfKinds {
  constructor(
    private database: Database,
    private entries: Entries,
    private kinds: Kinds,
  ) {}

  /** All kinds with their fields. */
  async known(viewer: Viewer): Promise<KnownKinds> {
    const tree = await this.kinds.tree(viewer);
    const query = this.database.manager
      .createQueryBuilder(EntryEntity, 'e')
      .innerJoin(KindUseEntity.options.name, 'u', 'u.documentId = e.id')
      .select(['u.kind AS kind', 'COUNT(*) AS pages'])
      .where('e.deletedAt IS NULL')
      .groupBy('u.kind');
    const counted = await this.database.reading(viewer).visible(query).getRawMany<{ kind: string; pages: number }>();
    const counts: Record<string, number> = Object.fromEntries(counted.map(({ kind, pages }) => [kind, pages]));
    for (const { kind } of await this.usesInBin(viewer)) counts[kind] = counts[kind]! - 1;
    const { kinds, fields } = tree.everything();
    const named = kinds.flatMap(({ templateId, placeId, homeId }) => [templateId, placeId, homeId]);
    return {
      kinds,
      fields,
      counts,
      targets: this.entries.targets(viewer, [...new Set(named.filter((id) => id !== null))]),
    };
  }

  /** The kinds of pages that stand beneath something in the bin, and are not in it by themselves. */
  private async usesInBin(viewer: Viewer): Promise<{ kind: string }[]> {
    const roots = await this.database
      .reading(viewer)
      .visible(this.database.manager.createQueryBuilder(EntryEntity, 'e').select('e.id', 'id'))
      .andWhere('e.deletedAt IS NOT NULL')
      .getRawMany<{ id: string }>();
    const reader = this.entries.reader(viewer);
    const beneath = [...new Set(roots.flatMap(({ id }) => reader.beneath(id)))];
    const uses: { kind: string }[] = [];
    for (let at = 0; at < beneath.length; at += AT_ONCE) {
      const query = this.database.manager
        .createQueryBuilder(EntryEntity, 'e')
        .innerJoin(KindUseEntity.options.name, 'u', 'u.documentId = e.id')
        .select('u.kind', 'kind')
        .where('e.deletedAt IS NULL AND e.id IN (:...ids)', { ids: beneath.slice(at, at + AT_ONCE) });
      uses.push(...(await this.database.reading(viewer).visible(query).getRawMany<{ kind: string }>()));
    }
    return uses;
  }

  /**
   * The pages of a kind, and of those that take its fields over, by title.
   *
   * @throws Problem (404) when the viewer has no such kind
   */
  async of(viewer: Viewer, kindId: string, from: number, limit: number): Promise<PagesOfKind> {
    const tree = await this.kinds.tree(viewer);
    if (!tree.get(kindId)) throw notFound();
    const query = this.database.manager
      .createQueryBuilder(EntryEntity, 'e')
      .innerJoin(KindUseEntity.options.name, 'u', 'u.documentId = e.id AND u.kind IN (:...kinds)', {
        kinds: tree.narrower(kindId),
      })
      .select('DISTINCT e.id', 'id')
      .where('e.deletedAt IS NULL AND e.isTemplate = 0');
    const reader = this.entries.reader(viewer);
    const rows = await this.database.reading(viewer).visible(query).getRawMany<{ id: string }>();
    const there = rows
      .map(({ id }) => reader.place(id))
      .filter(({ isDeleted }) => !isDeleted)
      .sort((one, other) => one.title.localeCompare(other.title) || (one.id < other.id ? -1 : 1))
      .map(({ id }) => id);
    const pages = await this.read(there.slice(from, from + limit));
    const named = pages.flatMap(({ id, fields }) => [id, ...Object.values(fields).flatMap((held) => held.pages ?? [])]);
    return { count: there.length, pages, targets: reader.targets([...new Set(named)]) };
  }

  /** Pages of no kind that look like those of one, by what they stand in; nothing of the journal, the Tray or the bin. */
  async likely(viewer: Viewer): Promise<Likely> {
    const tree = await this.kinds.tree(viewer);
    const query = this.database.manager
      .createQueryBuilder(EntryEntity, 'e')
      .leftJoin(KindUseEntity.options.name, 'u', 'u.documentId = e.id')
      .select('e.id', 'id')
      .where("e.kind = 'page' AND e.deletedAt IS NULL AND e.isTemplate = 0 AND u.kind IS NULL")
      .andWhere('e.day IS NULL AND e.period IS NULL AND e.jotting IS NULL');
    const rows = await this.database.reading(viewer).visible(query).getRawMany<{ id: string }>();
    const reader = this.entries.reader(viewer);
    const found = new Map<string, string[]>();
    for (const { id } of rows) {
      const { trail, isDeleted } = reader.place(id);
      const name = isDeleted ? null : likelyKind(trail.filter(({ kind }) => kind !== 'page').map((step) => step.name));
      const kind = name === null ? undefined : tree.get(shippedKindId(viewer.accountId, name));
      // What stands beneath a page is of what that is about.
      if (kind && !kind.isDeleted && trail.at(-1)?.kind !== 'page')
        found.set(kind.id, [...(found.get(kind.id) ?? []), id]);
    }
    const likely = [...found].map(([kindId, pageIds]) => ({ kindId, pageIds: pageIds.slice(0, LIKELY_MOST) }));
    return { likely, targets: reader.targets(likely.flatMap(({ pageIds }) => pageIds)) };
  }

  /** What pages hold of a field, in the bin or not: to be told before it changes. */
  async held(viewer: Viewer, fieldId: string): Promise<HeldOfField> {
    const query = this.database.manager
      .createQueryBuilder(EntryEntity, 'e')
      .innerJoin(FieldValueEntity.options.name, 'v', 'v.documentId = e.id AND v.field = :fieldId', { fieldId })
      .select('DISTINCT e.id', 'id');
    const rows = await this.database.reading(viewer).visible(query).getRawMany<{ id: string }>();
    const pages = await this.read(rows.map(({ id }) => id));
    const held = pages.map(({ id, fields }) => ({ pageId: id, content: fields[fieldId] ?? {} }));
    const named = held.flatMap(({ pageId, content }) => [pageId, ...(content.pages ?? [])]);
    return { held, targets: this.entries.targets(viewer, [...new Set(named)]) };
  }

  /** Pages with what they hold, in the order of their ids. */
  private async read(ids: readonly string[]): Promise<PageOfKind[]> {
    const stored = new Map<string, string>();
    for (let at = 0; at < ids.length; at += AT_ONCE) {
      const rows: StoredPage[] = await this.database.manager.find(DocumentEntity, {
        select: { id: true, json: true },
        where: { id: In(ids.slice(at, at + AT_ONCE)) },
      });
      for (const { id, json } of rows) stored.set(id, json);
    }
    return ids.flatMap((id) => {
      const json = stored.get(id);
      return json === undefined ? [] : { id, ...besideOf(JSON.parse(json) as BodyJson) };
    });
  }
}
