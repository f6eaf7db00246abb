import type { EntityManager } from 'typeorm';
import * as Y from 'yjs';
import { emptyBody, namedId, type BodyJson } from '@glossarion/core/document';
import {
  checkPlace,
  MAX_NAME,
  mayHold,
  type Act,
  type ActKind,
  type Outline,
  type PlacedEntry,
} from '@glossarion/core/outline';
import { overviewBody } from '@glossarion/core/overview';
import { firstLineId } from '@glossarion/core/parts';
import type { Database } from '../database/database';
import { EntryEntity, type Entry } from '../entities';
import { notFound, Problem } from '../problem';
import { adjustBeneath, weightOf } from './beneath';
import type { Accepted, Documents } from './documents';
import { duplicate } from './duplicate';
import type { FactWriter } from './facts';
import { nearestPlace } from './nearestPlace';
import * as linking from './linking';
import * as parts from './parts';
import { placeFor, spotAgain } from './order';
import { pin, unpin } from './pins';
import { fillTemplate, type FilledTemplate } from './templates';

/** What one act works with: one transaction of one owner. */
export interface ActContext {
  manager: EntityManager;
  database: Database;
  facts: FactWriter;
  outline: Outline;
  ownerId: string;
  now: string;
  /** Pages whose documents were changed, to be told to their windows once all is stored. */
  accepted: Accepted[];
  documents: Documents;
  /** Does another act within the same transaction; gives what takes it back. */
  perform: (act: Act) => Promise<Act[]>;
}

export interface ActResult {
  /** What takes it all back, in the order to be done. */
  undo: Act[];
  /** Ids whose name, place or state changed. */
  touched: string[];
  accepted: Accepted[];
}

/** Does one kind of act; gives the acts that take it back. */
export type Performer<K extends ActKind> = (
  act: Extract<Act, { do: K }>,
  context: ActContext,
) => Promise<Act[]> | Act[];

const own = (context: ActContext, id: string): Entry => {
  const entry = context.database.writer
    .prepare('SELECT * FROM entries WHERE id = ? AND ownerId = ?')
    .get(id, context.ownerId) as Entry | undefined;
  if (!entry) throw notFound();
  return entry;
};

/** Days stand in the journal, beneath nothing; they can't be moved, named or deleted. */
const ownButNoDay = (context: ActContext, id: string): Entry => {
  const entry = own(context, id);
  if (entry.day !== null) throw new Problem(400, 'A day stays in the journal; its lines can be moved and deleted.');
  return entry;
};

async function setPlace(context: ActContext, entry: Entry, place: { parentId: string | null; orderKey: string }) {
  const weight = entry.deletedAt === null ? weightOf(entry) : null;
  if (weight) adjustBeneath(context.database.writer, entry.parentId, weight, -1);
  await context.manager.update(EntryEntity, { id: entry.id }, place);
  if (weight) adjustBeneath(context.database.writer, place.parentId, weight, 1);
}

/** How each act is done; each gives the acts that take it back. */
const PERFORMERS: { [K in ActKind]: Performer<K> } = {
  make: async (act, context) => {
    const { manager, database, facts, ownerId, now } = context;
    const present = await manager.findOneBy(EntryEntity, { id: act.id });
    // Making what is there already changes nothing, so that it can be repeated.
    if (present?.ownerId === ownerId) return [];
    if (present) throw notFound();
    if (act.parentId !== null) ownButNoDay(context, act.parentId);
    const { orderKey } = placeFor(context, act, act);
    const filled = act.from ? fillTemplate(database.writer, ownerId, act, act.from) : null;
    const entry = {
      id: act.id,
      ownerId,
      kind: act.kind,
      parentId: act.parentId,
      orderKey,
      name: filled?.title ?? act.name,
      pigment: act.pigment ?? (act.kind === 'notebook' ? ('lapis' as const) : null),
      ornament: act.ornament ?? null,
      description: act.description ?? '',
      day: null,
      firstWords: '',
      wordCount: 0,
      begunAt: now,
      changedAt: now,
      deletedAt: null,
      season: null,
      showsLeaves: 0 as const,
      isTemplate: 0 as const,
      madeFrom: act.from?.templateId ?? null,
      pagesBeneath: 0,
      sectionsBeneath: 0,
    };
    await manager.insert(EntryEntity, entry);
    const { row } = await manager.findOneByOrFail(EntryEntity, { id: act.id });
    if (act.kind === 'page') {
      const body = beginning(act, context, filled);
      database.writer.prepare('INSERT INTO bodies (pageId, json) VALUES (?, ?)').run(act.id, JSON.stringify(body));
      facts.write({ row, id: act.id, indexed: null }, entry.name, body, null);
    } else {
      facts.writeName(row, act.name);
    }
    adjustBeneath(database.writer, act.parentId, weightOf(entry), 1);
    return [{ do: 'bin', id: act.id }];
  },

  name: async (act, context) => {
    const entry = ownButNoDay(context, act.id);
    if (entry.kind === 'page') {
      context.accepted.push(await context.documents.renameWithin(context.manager, context.ownerId, act.id, act.name));
    } else {
      await context.manager.update(EntryEntity, { id: act.id }, { name: act.name, changedAt: context.now });
      context.facts.writeName(entry.row, act.name);
    }
    return [{ do: 'name', id: act.id, name: entry.name }];
  },

  describe: async (act, context) => {
    const { id, pigment, ornament, description, showsLeaves, isTemplate, templateId } = act;
    const entry = ownButNoDay(context, id);
    if (templateId) own(context, templateId);
    const changes = {
      ...(pigment !== undefined && { pigment }),
      ...(ornament !== undefined && { ornament }),
      ...(description !== undefined && { description }),
      ...(showsLeaves !== undefined && { showsLeaves: showsLeaves ? (1 as const) : (0 as const) }),
      ...(isTemplate !== undefined && { isTemplate: isTemplate ? (1 as const) : (0 as const) }),
      ...(templateId !== undefined && { templateId }),
    };
    if (Object.keys(changes).length === 0) throw new Problem(400, 'Nothing was asked to be changed.');
    await context.manager.update(EntryEntity, { id }, changes);
    return [
      {
        do: 'describe',
        id,
        ...(pigment !== undefined && entry.pigment && { pigment: entry.pigment }),
        ...(ornament !== undefined && { ornament: entry.ornament }),
        ...(description !== undefined && { description: entry.description }),
        ...(showsLeaves !== undefined && { showsLeaves: entry.showsLeaves === 1 }),
        ...(isTemplate !== undefined && { isTemplate: entry.isTemplate === 1 }),
        ...(templateId !== undefined && { templateId: entry.templateId }),
      },
    ];
  },

  place: async (act, context) => {
    const entry = ownButNoDay(context, act.id);
    if (act.parentId !== null) ownButNoDay(context, act.parentId);
    await setPlace(context, entry, placeFor(context, entry, act));
    return [{ do: 'putBack', id: entry.id, parentId: entry.parentId, orderKey: entry.orderKey }];
  },

  putBack: async (act, context) => {
    const entry = ownButNoDay(context, act.id);
    checkPlace(context.outline, entry, act.parentId);
    await setPlace(context, entry, spotAgain(context, entry, act));
    return [{ do: 'putBack', id: entry.id, parentId: entry.parentId, orderKey: entry.orderKey }];
  },

  season: async (act, context) => {
    const entry = ownButNoDay(context, act.id);
    await context.manager.update(EntryEntity, { id: act.id }, { season: act.season === 'now' ? null : act.season });
    return [{ do: 'season', id: act.id, season: entry.season ?? 'now' }];
  },

  bin: async (act, context) => {
    const entry = ownButNoDay(context, act.id);
    if (entry.deletedAt !== null) return [];
    adjustBeneath(context.database.writer, entry.parentId, weightOf(entry), -1);
    await context.manager.update(EntryEntity, { id: act.id }, { deletedAt: context.now });
    return [{ do: 'unbin', id: act.id }];
  },

  unbin: async (act, context) => {
    const entry = ownButNoDay(context, act.id);
    if (entry.deletedAt === null) return [];
    // What held it may be gone for good by now.
    const holder = entry.parentId === null ? null : own(context, entry.parentId).kind;
    if (!mayHold(holder, entry.kind)) return context.perform({ do: 'restore', id: act.id });
    await context.manager.update(EntryEntity, { id: act.id }, { deletedAt: null });
    adjustBeneath(context.database.writer, entry.parentId, weightOf(entry), 1);
    return [{ do: 'bin', id: act.id }];
  },

  restore: async (act, context) => {
    const entry = ownButNoDay(context, act.id);
    // Brought back, a page that was merged into another stands for itself again.
    const led = entry.mergedInto ? await context.perform({ do: 'leadTo', id: act.id, toId: null }) : [];
    const { place, unmake } = await nearestPlace(context, entry);
    const isMoved = place.parentId !== entry.parentId;
    if (entry.deletedAt === null && !isMoved) return led;
    if (entry.deletedAt === null) adjustBeneath(context.database.writer, entry.parentId, weightOf(entry), -1);
    await context.manager.update(EntryEntity, { id: act.id }, { deletedAt: null, ...place });
    adjustBeneath(context.database.writer, place.parentId, weightOf(entry), 1);
    const binned: Act[] = entry.deletedAt === null ? [] : [{ do: 'bin', id: act.id }];
    const moved: Act[] = isMoved
      ? [{ do: 'putBack', id: act.id, parentId: entry.parentId, orderKey: entry.orderKey }]
      : [];
    return [...binned, ...moved, ...led, ...unmake];
  },

  duplicate: async (act, context) => {
    const entry = ownButNoDay(context, act.id);
    const present = context.database.writer.prepare('SELECT ownerId FROM entries WHERE id = ?').get(act.copyId) as
      Pick<Entry, 'ownerId'> | undefined;
    // Asked for twice, it is the same as once.
    if (present?.ownerId === context.ownerId) return [];
    if (present) throw notFound();
    await duplicate(context, entry, act.copyId);
    return [{ do: 'bin', id: act.copyId }];
  },

  pin: (act, context) => {
    own(context, act.id);
    return pin(context, act.id, act.afterId);
  },

  unpin: (act, context) => unpin(context, act.id),

  ...parts,
  ...linking,
};

/** What a page that is made begins with. */
function beginning(act: Extract<Act, { do: 'make' }>, context: ActContext, filled: FilledTemplate | null): BodyJson {
  if (filled) return filled.body;
  const first = firstLineId(act.id);
  if (!act.overviewOf) return emptyBody(first);
  own(context, act.overviewOf);
  return overviewBody(namedId(act.id, 'overview'), first, act.overviewOf);
}

/** What was accepted of each page, as one: its windows take it in at once. */
function oneForEachPage(accepted: readonly Accepted[]): Accepted[] {
  const pages = new Map<string, Accepted[]>();
  for (const each of accepted) pages.set(each.pageId, [...(pages.get(each.pageId) ?? []), each]);
  return [...pages.values()].map((parts) => ({
    ...parts[0]!,
    mended: Y.mergeUpdates(parts.flatMap(({ mended }) => mended ?? [])),
    changed: [...new Set(parts.flatMap(({ changed }) => changed))],
  }));
}

/** The entries an act is about. */
function idsOf(act: Act): string[] {
  if (act.do === 'duplicate') return [act.copyId];
  if (act.do === 'lift') return [act.id, act.pageId];
  if (act.do === 'send') return [act.id, act.toId];
  if (act.do === 'merge') return [act.id, act.intoId];
  return [act.id];
}

/** Does structural acts: all of a list in one transaction, or none. */
export class Acts {
  constructor(
    private database: Database,
    private documents: Documents,
    private facts: FactWriter,
  ) {}

  async perform(ownerId: string, acts: readonly Act[]): Promise<ActResult> {
    const accepted: Accepted[] = [];
    const undo: Act[] = [];
    await this.database.write(async (manager) => {
      const context: ActContext = {
        manager,
        database: this.database,
        facts: this.facts,
        outline: this.outlineOf(ownerId),
        ownerId,
        now: new Date().toISOString(),
        accepted,
        documents: this.documents,
        perform: async (act) => {
          if ('name' in act && act.name.length > MAX_NAME) throw new Problem(400, 'That name is too long.');
          return (PERFORMERS[act.do] as Performer<ActKind>)(act as never, context);
        },
      };
      for (const act of acts) undo.unshift(...(await context.perform(act)));
    });
    for (const each of oneForEachPage(accepted)) this.documents.tell(each);
    const touched = [...new Set(acts.flatMap(idsOf).concat(accepted.map(({ pageId }) => pageId)))];
    return { undo, touched, accepted };
  }

  /** The outline of one owner as the transaction sees it. */
  private outlineOf(ownerId: string): Outline {
    const { writer } = this.database;
    const entry = writer.prepare('SELECT id, kind, parentId, orderKey FROM entries WHERE id = ? AND ownerId = ?');
    const last = writer.prepare(
      'SELECT MAX(orderKey) AS orderKey FROM entries WHERE ownerId = ? AND parentId IS ? AND day IS NULL',
    );
    const after = writer.prepare(
      `SELECT orderKey FROM entries WHERE ownerId = ? AND parentId IS ? AND day IS NULL AND orderKey > ?
       ORDER BY orderKey LIMIT 1`,
    );
    return {
      entry: (id) => entry.get(id, ownerId) as PlacedEntry | undefined,
      lastKey: (parentId) => (last.get(ownerId, parentId) as { orderKey: string | null }).orderKey,
      keyAfter: (parentId, orderKey) =>
        (after.get(ownerId, parentId, orderKey ?? '') as { orderKey: string } | undefined)?.orderKey ?? null,
    };
  }
}
