import type { EntityManager } from 'typeorm';
import * as Y from 'yjs';
import { emptyBody, namedId, type BodyJson } from '@glossarion/core/document';
import { checkPlace, MAX_NAME, mayHold, type Act, type ActKind, type Outline } from '@glossarion/core/outline';
import { overviewBody } from '@glossarion/core/overview';
import { firstLineId } from '@glossarion/core/parts';
import {
  accountOf,
  addEntry,
  entryIfVisible,
  sees,
  visibleEntry,
  writableEntry,
  type EntryRow,
  type Viewer,
  type ViewerConnection,
} from '../access';
import type { Database } from '../database/database';
import { EntryEntity } from '../entities';
import { KEY_AFTER, LAST_KEY } from '../entities/entry.queries';
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

/** What one act works with: one transaction of one viewer. */
export interface ActContext {
  manager: EntityManager;
  viewer: Viewer;
  /** The transaction as the viewer may see it. */
  connection: ViewerConnection;
  facts: FactWriter;
  outline: Outline;
  now: string;
  /** Documents that were changed, to be told to their windows once all is stored. */
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

/** Days stand in the journal, beneath nothing; they can't be moved, named or deleted. */
function writableButNoDay({ connection }: ActContext, id: string): EntryRow {
  const entry = writableEntry(connection, id);
  if (entry.day !== null) throw new Problem(400, 'A day stays in the journal; its lines can be moved and deleted.');
  return entry;
}

async function setPlace(context: ActContext, entry: EntryRow, place: { parentId: string | null; orderKey: string }) {
  const weight = entry.deletedAt === null ? weightOf(entry) : null;
  if (weight) adjustBeneath(context.connection.raw, entry.parentId, weight, -1);
  await context.manager.update(EntryEntity, { id: entry.id }, place);
  if (weight) adjustBeneath(context.connection.raw, place.parentId, weight, 1);
}

/** How each act is done; each gives the acts that take it back. */
const PERFORMERS: { [K in ActKind]: Performer<K> } = {
  make: async (act, context) => {
    const { manager, connection, documents, facts, viewer, now } = context;
    // Making what is there already changes nothing, so that it can be repeated.
    if (isMade(context, act.id)) return [];
    if (act.parentId !== null) writableButNoDay(context, act.parentId);
    const { orderKey } = await placeFor(context, act, act);
    const filled = act.from ? await fillTemplate(manager, connection, act, act.from) : null;
    const entry = {
      id: act.id,
      kind: act.kind,
      parentId: act.parentId,
      orderKey,
      name: filled?.title ?? act.name,
      pigment: act.pigment ?? (act.kind === 'notebook' ? ('lapis' as const) : null),
      ornament: act.ornament ?? null,
      description: act.description ?? '',
      begunAt: now,
      madeFrom: act.from?.templateId ?? null,
    };
    const row = addEntry(connection.raw, viewer, entry);
    if (act.kind === 'page') {
      documents.begin('page', { id: act.id, row, title: entry.name }, beginning(act, context, filled));
    } else {
      facts.writeName(row, act.name);
    }
    adjustBeneath(connection.raw, act.parentId, weightOf({ kind: act.kind, pagesBeneath: 0, sectionsBeneath: 0 }), 1);
    return [{ do: 'bin', id: act.id }];
  },

  name: async (act, context) => {
    const entry = writableButNoDay(context, act.id);
    if (entry.kind === 'page') {
      context.accepted.push(await context.documents.renameWithin(context.manager, context.viewer, act.id, act.name));
    } else {
      await context.manager.update(EntryEntity, { id: act.id }, { name: act.name, changedAt: context.now });
      context.facts.writeName(entry.row, act.name);
    }
    return [{ do: 'name', id: act.id, name: entry.name }];
  },

  describe: async (act, context) => {
    const { id, pigment, ornament, description, showsLeaves, isTemplate, templateId } = act;
    const entry = writableButNoDay(context, id);
    if (templateId) visibleEntry(context.connection, templateId);
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
    const entry = writableButNoDay(context, act.id);
    if (act.parentId !== null) writableButNoDay(context, act.parentId);
    await setPlace(context, entry, await placeFor(context, entry, act));
    return [{ do: 'putBack', id: entry.id, parentId: entry.parentId, orderKey: entry.orderKey }];
  },

  putBack: async (act, context) => {
    const entry = writableButNoDay(context, act.id);
    // What it stood in may be gone: that is said in its own words.
    if (act.parentId !== null && sees(context.connection, act.parentId)) writableButNoDay(context, act.parentId);
    checkPlace(context.outline, entry, act.parentId);
    await setPlace(context, entry, await spotAgain(context, entry, act));
    return [{ do: 'putBack', id: entry.id, parentId: entry.parentId, orderKey: entry.orderKey }];
  },

  season: async (act, context) => {
    const entry = writableButNoDay(context, act.id);
    await context.manager.update(EntryEntity, { id: act.id }, { season: act.season === 'now' ? null : act.season });
    return [{ do: 'season', id: act.id, season: entry.season ?? 'now' }];
  },

  bin: async (act, context) => {
    const entry = writableButNoDay(context, act.id);
    if (entry.deletedAt !== null) return [];
    adjustBeneath(context.connection.raw, entry.parentId, weightOf(entry), -1);
    await context.manager.update(EntryEntity, { id: act.id }, { deletedAt: context.now });
    return [{ do: 'unbin', id: act.id }];
  },

  unbin: async (act, context) => {
    const entry = writableButNoDay(context, act.id);
    if (entry.deletedAt === null) return [];
    // What held it may be gone for good by now.
    const holder = entry.parentId === null ? null : visibleEntry(context.connection, entry.parentId).kind;
    if (!mayHold(holder, entry.kind)) return context.perform({ do: 'restore', id: act.id });
    await context.manager.update(EntryEntity, { id: act.id }, { deletedAt: null });
    adjustBeneath(context.connection.raw, entry.parentId, weightOf(entry), 1);
    return [{ do: 'bin', id: act.id }];
  },

  restore: async (act, context) => {
    const entry = writableButNoDay(context, act.id);
    // Brought back, a page that was merged into another stands for itself again.
    const led = entry.mergedInto ? await context.perform({ do: 'leadTo', id: act.id, toId: null }) : [];
    const { place, unmake } = await nearestPlace(context, entry);
    const isMoved = place.parentId !== entry.parentId;
    if (entry.deletedAt === null && !isMoved) return led;
    if (entry.deletedAt === null) adjustBeneath(context.connection.raw, entry.parentId, weightOf(entry), -1);
    await context.manager.update(EntryEntity, { id: act.id }, { deletedAt: null, ...place });
    adjustBeneath(context.connection.raw, place.parentId, weightOf(entry), 1);
    const binned: Act[] = entry.deletedAt === null ? [] : [{ do: 'bin', id: act.id }];
    const moved: Act[] = isMoved
      ? [{ do: 'putBack', id: act.id, parentId: entry.parentId, orderKey: entry.orderKey }]
      : [];
    return [...binned, ...moved, ...led, ...unmake];
  },

  duplicate: async (act, context) => {
    const entry = writableButNoDay(context, act.id);
    // Asked for twice, it is the same as once.
    if (isMade(context, act.copyId)) return [];
    await duplicate(context, entry, act.copyId);
    return [{ do: 'bin', id: act.copyId }];
  },

  pin: (act, context) => {
    visibleEntry(context.connection, act.id);
    return pin(context, act.id, act.afterId);
  },

  unpin: (act, context) => unpin(context, act.id),

  ...parts,
  ...linking,
};

/**
 * Whether the viewer has something of this id already.
 *
 * @throws Problem when somebody else has
 */
function isMade({ connection }: ActContext, id: string): boolean {
  if (sees(connection, id)) return true;
  if (accountOf(connection.raw, id) !== undefined) throw notFound();
  return false;
}

/** What a page that is made begins with. */
function beginning(act: Extract<Act, { do: 'make' }>, context: ActContext, filled: FilledTemplate | null): BodyJson {
  if (filled) return filled.body;
  const first = firstLineId(act.id);
  if (!act.overviewOf) return emptyBody(first);
  visibleEntry(context.connection, act.overviewOf);
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

  async perform(viewer: Viewer, acts: readonly Act[]): Promise<ActResult> {
    const accepted: Accepted[] = [];
    const undo: Act[] = [];
    await this.database.write(async (manager) => {
      const connection = this.database.writing(viewer);
      const context: ActContext = {
        manager,
        viewer,
        connection,
        facts: this.facts,
        outline: outlineOf(connection),
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
}

/** The outline as the transaction sees it. */
const outlineOf = (connection: ViewerConnection): Outline => ({
  entry: (id) => entryIfVisible(connection, id),
  lastKey: (parentId) => connection.first<{ orderKey: string | null }>(LAST_KEY, { parentId })!.orderKey,
  keyAfter: (parentId, orderKey) =>
    connection.first<{ orderKey: string }>(KEY_AFTER, { parentId, orderKey: orderKey ?? '' })?.orderKey ?? null,
});
