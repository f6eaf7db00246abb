import * as Y from 'yjs';
import {
  checkNesting,
  bodyFacts,
  checkRoots,
  readBody,
  readTitle,
  putBack,
  receiveUpdate,
  removalsOf,
  typedTags,
  repairBody,
  seedDocument,
  setBlockAttributes,
  ShapeError,
  writeBody,
  writeTagIds,
  writeTitle,
  type BodyFacts,
  type BodyJson,
  type Range,
  type Received,
  type Removal,
  type Rescue,
} from '@glossarion/core/document';
import { dayId } from '@glossarion/core/journal';
import { orderBetween } from '@glossarion/core/outline';
import type { EntityManager } from 'typeorm';
import { accountOf, addEntry, ownView, sees, type Viewer, type ViewerConnection } from '../access';
import type { Database } from '../database/database';
import { prepared } from '../sqlite/prepared';
import {
  DayBeginningEntity,
  DocumentEntity,
  EntryEntity,
  RemovalEntity,
  UpdateEntity,
  type StoredDocument,
} from '../entities';
import { HELD_ELSEWHERE } from '../entities/block.queries';
import { ADD_DOCUMENT, DOCUMENT, REMOVAL, UPDATES, WRITE_DOCUMENT } from '../entities/document.queries';
import { PUT_ROW } from '../entities/fact.queries';
import { notFound } from '../problem';
import { changedBetween, linkedBetween } from './changedBetween';
import { dayBeginning, rememberBeginning } from './dayBeginnings';
import type { FactWriter } from './facts';
import type { HappeningWriter } from './happenings';
import { HOLDERS, type HeldDocument, type HolderKind } from './holders';
import type { Tags } from './tags';
import type { Changed } from '@glossarion/core/notices';

const ADD_UPDATE = PUT_ROW('updates', ['data']);
/** Updates that are kept apart before they are folded into one state. */
const COMPACT_AFTER = 200;
/** Rows that one statement stores. */
const ROWS_AT_ONCE = 500;
/** Pages kept ready in memory. */
const KEPT_READY = 60;

/** A document as the server holds it, with what its rows in the fact tables say. */
interface LiveDocument extends HeldDocument {
  holder: HolderKind;
  epoch: number;
  /** gc is off: what was deleted stays readable, so that words typed beneath it can be rescued. */
  document: Y.Doc;
  facts: BodyFacts;
  pendingUpdates: number;
}

/** A change of a document in memory, before it is checked for what honest windows can cause. */
interface Change {
  /** As it came from a window; null when the server itself changed the document. */
  update: Uint8Array | null;
  /** The state the server's own change began at. */
  editedSince?: Uint8Array | undefined;
  /** The body as the document shows it. */
  shown: BodyJson;
  /** The body as it should be; `shown` itself when nothing was rescued. */
  body: BodyJson;
  /** What it removed. */
  removals: readonly Removal[];
}

/** What an accepted update changed, for those who look at the page. */
export interface Accepted {
  pageId: string;
  /** The account it belongs to. */
  accountId: string;
  epoch: number;
  /** To be sent to every window but the one it came from. */
  update: Uint8Array | null;
  /** The window that sent the update; what the server mended is told there by whoever took it in. */
  from?: object | undefined;
  /** To be sent to every other window: what the server mended. */
  mended: Uint8Array | null;
  /** What others show of this page and has to be asked for again. */
  changed: Changed[];
  /** What its links led to, or lead to now, when what others show of them changed. */
  linked: string[];
}

/** The update was made for a document that has been built anew since; the client has to fetch it afresh. */
export class StaleEpoch extends Error {
  constructor(readonly epoch: number) {
    super('This page was built anew since it was opened.');
  }
}

export type Listener = (accepted: Accepted) => void;

/**
 * The documents. Every change of a body goes through here, is checked, and is stored before it counts.
 */
export class Documents {
  private live = new Map<string, LiveDocument>();
  private listeners = new Set<Listener>();
  /** Documents that were read or changed within the transaction that is under way. */
  private bound = new Set<string>();

  constructor(
    private database: Database,
    private facts: FactWriter,
    private tags: Tags,
    private happenings: HappeningWriter,
  ) {
    // Whatever throws takes back what was stored, so that nothing of it may be left in memory.
    database.onEnd((isStored) => {
      if (!isStored) for (const id of this.bound) this.live.delete(id);
      this.bound.clear();
    });
  }

  onAccepted(listener: Listener): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  /** The state a window needs, beyond what its state vector says it has. A day not yet written is given as its seed. */
  async open(
    viewer: Viewer,
    id: string,
    day: string | null,
    vector: Uint8Array | null,
  ): Promise<{ epoch: number; update: Uint8Array; vector: Uint8Array }> {
    // Reading waits for nobody, unless the page is being changed at this very moment.
    const stored = this.bound.has(id) ? null : this.read(this.database.reading(viewer), id);
    if (stored) return stateOf(stored, vector);
    // All of it within the transaction: the next one may change the document before it is stored.
    return this.database.write(async (manager) => {
      if (this.isUnwrittenDay(viewer, id, day)) {
        const body = await dayBeginning(manager, viewer, id, day!);
        await rememberBeginning(manager, viewer, id, body);
        const update = seedDocument(id, '', body);
        return { epoch: 1, update, vector: Y.encodeStateVectorFromUpdate(update) };
      }
      return stateOf(this.load(viewer, id), vector);
    });
  }

  /**
   * Whether this is the page of a day on which the viewer sees nothing stored yet: an import that is under way may have
   * something for it. Within a transaction.
   */
  private isUnwrittenDay(viewer: Viewer, id: string, day: string | null): boolean {
    if (day === null || dayId(viewer.accountId, day) !== id) return false;
    const account = accountOf(this.database.writer, id);
    return account === undefined || (account === viewer.accountId && !sees(this.database.writing(viewer), id));
  }

  /** Takes in an update `from` a window. Resolves when it is stored; rejects with a ShapeError when it is refused. */
  async receive(
    viewer: Viewer,
    id: string,
    epoch: number,
    update: Uint8Array,
    day: string | null,
    from?: object,
  ): Promise<Accepted> {
    this.database.noteWriting();
    let elsewhere: Rescue[] = [];
    const receiving = (live: LiveDocument): Change => {
      if (live.epoch !== epoch) throw new StaleEpoch(live.epoch);
      const recall = (client: number, clock: number): Range[] | undefined => {
        const row = prepared(this.database.writer, REMOVAL).get(id, client, clock) as { ranges: string } | undefined;
        return row ? (JSON.parse(row.ranges) as Range[]) : undefined;
      };
      const isElsewhere = (blockId: string) => this.elsewhere(live, blockId) !== undefined;
      let received: Received;
      try {
        checkNesting(update);
        received = receiveUpdate(live.document, update, recall, isElsewhere);
      } catch (error) {
        if (isTooDeep(error)) throw tooDeep();
        if (error instanceof ShapeError) throw error;
        throw new ShapeError(`What was sent is not an update of a page: ${(error as Error).message}`);
      }
      checkRoots(live.document);
      elsewhere = received.elsewhere;
      return { update, ...received };
    };
    return this.store(async (manager) => {
      if (this.isUnwrittenDay(viewer, id, day)) {
        await this.makeDay(manager, viewer, id, day!, await dayBeginning(manager, viewer, id, day!));
      }
      const accepted: Accepted[] = [{ ...(await this.storeWithin(manager, viewer, id, receiving)), from }];
      const live = this.live.get(id)!;
      for (const each of elsewhere) {
        const other = this.elsewhere(live, each.blockId!)!;
        const body = putBack(this.bodyWithin(viewer, other), [each]);
        accepted.push(await this.rewriteWithin(manager, viewer, other, body));
      }
      return accepted;
    });
  }

  /** Changes a document within a transaction of somebody else's, who tells the windows once it is through. */
  editWithin(manager: EntityManager, viewer: Viewer, id: string, change: (document: Y.Doc) => void): Promise<Accepted> {
    return this.storeWithin(manager, viewer, id, edited(change));
  }

  /** Changes a title within a transaction of somebody else's, who tells the windows once it is through. */
  renameWithin(manager: EntityManager, viewer: Viewer, id: string, title: string): Promise<Accepted> {
    return this.editWithin(manager, viewer, id, (document) => writeTitle(document, title));
  }

  /** A body as the transaction sees it. */
  bodyWithin(viewer: Viewer, id: string): BodyJson {
    return readBody(this.load(viewer, id).document);
  }

  /** Gives a document other blocks within a transaction of somebody else's. */
  rewriteWithin(manager: EntityManager, viewer: Viewer, id: string, body: BodyJson): Promise<Accepted> {
    return this.editWithin(manager, viewer, id, (document) => writeBody(document, body));
  }

  /** Gives a line other attributes within a transaction of somebody else's. */
  setAttributesWithin(
    manager: EntityManager,
    viewer: Viewer,
    id: string,
    blockId: string,
    values: Readonly<Record<string, unknown>>,
  ): Promise<Accepted> {
    return this.editWithin(manager, viewer, id, (document) => void setBlockAttributes(document, blockId, values));
  }

  /** The one way in which the server itself changes a document; open windows see it at once. */
  async edit(viewer: Viewer, id: string, change: (document: Y.Doc) => void): Promise<Accepted> {
    return this.store(async (manager) => [await this.storeWithin(manager, viewer, id, edited(change))]);
  }

  /** Tells those who listen what was accepted. */
  tell(accepted: Accepted): void {
    for (const listener of this.listeners) listener(accepted);
  }

  /** Lets go of what is in memory of a document that is gone. Within a transaction. */
  forget(id: string): void {
    this.live.delete(id);
  }

  /** Stores what `work` changes in one transaction, and tells of all of it; gives the first. */
  private async store(work: (manager: EntityManager) => Promise<Accepted[]>): Promise<Accepted> {
    try {
      const accepted = await this.database.write(work);
      accepted.forEach((each) => this.tell(each));
      return accepted[0]!;
    } catch (error) {
      throw isTooDeep(error) ? tooDeep() : error;
    }
  }

  private async storeWithin(
    manager: EntityManager,
    viewer: Viewer,
    id: string,
    change: (live: LiveDocument) => Change,
  ): Promise<Accepted> {
    const live = this.load(viewer, id);
    HOLDERS[live.holder].guard(this.database.writing(viewer), id);
    const present = live.document;
    const { update, shown, body, editedSince, removals } = change(live);
    await noteRemovals(manager, id, removals);
    const beforeMending = editedSince ?? Y.encodeStateVector(present);
    const known = new Set(live.facts.blocks.map((block) => block.id));
    const isTaken = (blockId: string) => !known.has(blockId) && this.elsewhere(live, blockId) !== undefined;
    const { body: repaired } = repairBody(body, isTaken);
    const isRepaired = repaired !== shown;
    if (isRepaired) {
      const alsoRemoved = removalsOf(present, () => writeBody(present, repaired));
      await noteRemovals(manager, id, alsoRemoved);
    }
    const isNamed = await this.nameTags(manager, live, repaired);
    const isMended = isRepaired || isNamed || editedSince !== undefined;
    const mended = isMended ? Y.encodeStateAsUpdate(present, beforeMending) : null;
    const final = isRepaired || isNamed ? readBody(present) : shown;
    const title = readTitle(present);
    await this.append(manager, live, [update, mended]);
    const before = { title: live.title, facts: live.facts };
    const changed = this.writeRows(live, title, final);
    await this.happenings.note(manager, live, before.facts, live.facts, update !== null);
    const linked = changed.includes('links') ? linkedBetween(before, { title, facts: live.facts }) : [];
    return { pageId: id, accountId: live.accountId, epoch: live.epoch, update, mended, changed, linked };
  }

  /** Gives typed tags the ids of stored ones; whether there were any. */
  private async nameTags(manager: EntityManager, live: LiveDocument, { content }: BodyJson): Promise<boolean> {
    const typed = typedTags(content);
    if (typed.length === 0) return false;
    writeTagIds(live.document, await this.tags.store(manager, ownView(live.accountId), typed));
    return true;
  }

  private writeRows(live: LiveDocument, title: string, body: BodyJson): Changed[] {
    const { id, holder, row, facts: previous } = live;
    this.writeStored(id, { json: JSON.stringify(body) });
    const of = { id, holder, row, indexed: live.title, at: new Date().toISOString() };
    live.facts = this.facts.write(of, title, body, previous);
    const changed = changedBetween({ title: live.title, facts: previous }, { title, facts: live.facts });
    live.title = title;
    return changed;
  }

  private async append(manager: EntityManager, live: LiveDocument, updates: (Uint8Array | null)[]): Promise<void> {
    const { writer } = this.database;
    for (const update of updates) {
      if (!update) continue;
      prepared(writer, ADD_UPDATE).run(live.id, Buffer.from(update));
      live.pendingUpdates += 1;
    }
    if (live.pendingUpdates > COMPACT_AFTER) {
      this.writeStored(live.id, { state: Y.encodeStateAsUpdate(live.document) });
      await manager.delete(UpdateEntity, { documentId: live.id });
      live.pendingUpdates = 0;
    }
  }

  /** Stores another body, or another state, of a document. */
  private writeStored(id: string, { json, state }: { json?: string; state?: Uint8Array }): void {
    prepared(this.database.writer, WRITE_DOCUMENT).run(json ?? null, state ? Buffer.from(state) : null, id);
  }

  /** Another document of the same account that holds a block: nothing is told of those of others. */
  private elsewhere({ id: documentId, accountId }: HeldDocument, blockId: string): string | undefined {
    const own = this.database.writing(ownView(accountId));
    return own.first<{ documentId: string }>(HELD_ELSEWHERE, { id: blockId, documentId })?.documentId;
  }

  /** Stores a body under something of the viewer's that has none yet, with all that is known of it. Within a transaction. */
  async begin(
    manager: EntityManager,
    viewer: Viewer,
    holder: HolderKind,
    of: { id: string; row: number | null; title: string },
    typed: BodyJson,
    { importId = null, isTyped = false }: { importId?: string | null; isTyped?: boolean } = {},
  ): Promise<BodyFacts> {
    const body = await this.tags.named(manager, viewer, typed, importId);
    prepared(this.database.writer, ADD_DOCUMENT).run(of.id, holder, JSON.stringify(body));
    const facts = this.facts.write({ id: of.id, holder, row: of.row, indexed: null }, of.title, body, null);
    const account = { id: of.id, accountId: viewer.accountId, day: null };
    await this.happenings.note(manager, account, { tasks: [], wordCount: 0 }, facts, isTyped);
    return facts;
  }

  /** Makes a day's page with this body. Within a transaction. */
  async makeDay(
    manager: EntityManager,
    viewer: Viewer,
    id: string,
    day: string,
    body: BodyJson,
    at = new Date().toISOString(),
    importId: string | null = null,
    changedAt = at,
  ): Promise<BodyFacts> {
    // What an import under way has for the day makes room, and comes to its end with the last piece.
    if (importId === null) {
      await this.dropEntry(manager, id);
      await manager.delete(DayBeginningEntity, { pageId: id });
    }
    const orderKey = orderBetween(null, null);
    const entry = { id, kind: 'page' as const, parentId: null, orderKey, day, begunAt: at, changedAt, importId };
    const row = addEntry(this.database.writer, viewer, entry);
    return this.begin(manager, viewer, 'page', { id, row, title: '' }, body, { importId });
  }

  private async dropEntry(manager: EntityManager, id: string): Promise<void> {
    const present = await manager.findOneBy(EntryEntity, { id });
    if (!present) return;
    this.facts.drop(present);
    await manager.delete(EntryEntity, { id });
  }

  /** Reads a document into memory, turning its JSON into one when nobody has edited it yet. Within a transaction. */
  private load(viewer: Viewer, id: string): LiveDocument {
    this.bound.add(id);
    const connection = this.database.writing(viewer);
    const ready = this.live.get(id);
    if (ready) {
      if (!HOLDERS[ready.holder].sees(connection, id)) throw notFound();
      this.live.delete(id);
      this.live.set(id, ready);
      return ready;
    }
    const stored = readStored(connection, id);
    if (!stored) throw notFound();
    const { live, seed } = stored;
    if (seed) this.writeStored(id, { state: seed });
    this.live.set(id, live);
    if (this.live.size > KEPT_READY) this.live.delete(this.live.keys().next().value!);
    return live;
  }

  /** A document as it is stored, without keeping it in memory; null when there is none for this viewer. */
  private read(connection: ViewerConnection, id: string): Pick<LiveDocument, 'epoch' | 'document'> | null {
    const ready = this.live.get(id);
    if (ready) return HOLDERS[ready.holder].sees(connection, id) ? ready : null;
    return readStored(connection, id)?.live ?? null;
  }

  /** Builds a document anew from its JSON; windows that have it open must fetch it afresh. */
  async rebuild(viewer: Viewer, id: string): Promise<void> {
    await this.database.write(async (manager) => {
      HOLDERS[this.load(viewer, id).holder].guard(this.database.writing(viewer), id);
      await manager.update(DocumentEntity, { id }, { state: null });
      await manager.increment(DocumentEntity, { id }, 'epoch', 1);
      await manager.delete(UpdateEntity, { documentId: id });
      await manager.delete(RemovalEntity, { documentId: id });
      this.live.delete(id);
    });
  }
}

/**
 * Reads a document as a connection sees it, if its viewer may; `seed` is the state that its JSON was turned into just
 * now, null when it has one already.
 */
function readStored(connection: ViewerConnection, id: string): { live: LiveDocument; seed: Uint8Array | null } | null {
  const stored = prepared(connection.raw, DOCUMENT).get(id) as Omit<StoredDocument, 'id'> | undefined;
  if (!stored) return null;
  const holder = stored.holder as HolderKind;
  const held = HOLDERS[holder].read(connection, id);
  if (!held) return null;
  const document = new Y.Doc({ gc: false });
  const json = JSON.parse(stored.json) as BodyJson;
  const seed = stored.state ? null : seedDocument(id, held.title, json);
  Y.applyUpdate(document, stored.state ?? seed!);
  const updates = prepared(connection.raw, UPDATES).all(id) as { data: Buffer }[];
  for (const { data } of updates) Y.applyUpdate(document, data);
  const { epoch } = stored;
  const live = { ...held, holder, epoch, document, facts: bodyFacts(json), pendingUpdates: updates.length };
  return { live, seed };
}

/** Keeps what was visible in blocks that were taken out, for words that are on their way to them. */
async function noteRemovals(manager: EntityManager, documentId: string, removals: readonly Removal[]): Promise<void> {
  if (removals.length === 0) return;
  const rows = removals.map(({ client, clock, ranges }) => ({
    documentId,
    client,
    clock,
    ranges: JSON.stringify(ranges),
  }));
  for (let from = 0; from < rows.length; from += ROWS_AT_ONCE) {
    await manager.upsert(RemovalEntity, rows.slice(from, from + ROWS_AT_ONCE), ['documentId', 'client', 'clock']);
  }
}

const stateOf = ({ epoch, document }: Pick<LiveDocument, 'epoch' | 'document'>, vector: Uint8Array | null) => ({
  epoch,
  update: Y.encodeStateAsUpdate(document, vector ?? undefined),
  vector: Y.encodeStateVector(document),
});

/** Nodes within nodes, deeper than can be followed: no window makes such. */
const isTooDeep = (error: unknown): boolean => error instanceof RangeError && /call stack/u.test(error.message);
const tooDeep = () => new ShapeError('What was sent is nested deeper than anything on a page can be.');

/** A change that the server makes in a document. */
const edited =
  (change: (document: Y.Doc) => void) =>
  ({ document }: LiveDocument): Change => {
    const editedSince = Y.encodeStateVector(document);
    const removals = removalsOf(document, () => change(document));
    const shown = readBody(document);
    return { update: null, editedSince, shown, body: shown, removals };
  };
