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
  repairBody,
  seedDocument,
  ShapeError,
  writeBody,
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
import type { Database, RawDatabase } from '../database/database';
import { dayBeginning, rememberBeginning } from './dayBeginnings';
import { EntryEntity, type Entry } from '../entities';
import { notFound } from '../problem';
import type { EntityManager } from 'typeorm';
import type { Entries } from './entries';
import type { FactWriter } from './facts';
import { changedBetween } from './changedBetween';
import type { Changed } from './notices';

/** Updates that are kept apart before they are folded into one state. */
const COMPACT_AFTER = 200;
/** Pages kept ready in memory. */
const KEPT_READY = 60;

/** A page's document as the server holds it, with what its rows in the fact tables say. */
interface LivePage {
  row: number;
  id: string;
  ownerId: string;
  epoch: number;
  /** gc is off: what was deleted stays readable, so that words typed beneath it can be rescued. */
  document: Y.Doc;
  facts: BodyFacts;
  title: string;
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
  ownerId: string;
  epoch: number;
  /** To be sent to every window but the one it came from. */
  update: Uint8Array | null;
  /** To be sent to every window: what the server mended. */
  mended: Uint8Array | null;
  /** What others show of this page and has to be asked for again. */
  changed: Changed[];
}

/** The update was made for a document that has been built anew since; the client has to fetch it afresh. */
export class StaleEpoch extends Error {
  constructor(readonly epoch: number) {
    super('This page was built anew since it was opened.');
  }
}

export type Listener = (accepted: Accepted) => void;

/**
 * The pages' documents. Every change of a body goes through here, is checked, and is stored before it counts.
 */
export class Documents {
  private live = new Map<string, LivePage>();
  private listeners = new Set<Listener>();
  /** Pages that were read or changed within the transaction that is under way. */
  private bound = new Set<string>();

  constructor(
    private database: Database,
    private entries: Entries,
    private facts: FactWriter,
  ) {
    // Whatever throws takes back what was stored, so that nothing of it may be left in memory.
    database.onEnd((isStored) => {
      if (!isStored) for (const pageId of this.bound) this.live.delete(pageId);
      this.bound.clear();
    });
  }

  onAccepted(listener: Listener): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  /** The state a window needs, beyond what its state vector says it has. A day not yet written is given as its seed. */
  async open(
    ownerId: string,
    pageId: string,
    day: string | null,
    vector: Uint8Array | null,
  ): Promise<{ epoch: number; update: Uint8Array; vector: Uint8Array }> {
    // Reading waits for nobody, unless the page is being changed at this very moment.
    const stored = this.bound.has(pageId) ? null : this.stored(ownerId, pageId);
    if (stored) return stateOf(stored, vector);
    // All of it within the transaction: the next one may change the document before it is stored.
    return this.database.write(() => {
      const { writer } = this.database;
      if (day !== null && dayId(ownerId, day) === pageId && !this.isThere(pageId)) {
        const body = dayBeginning(writer, ownerId, pageId, day);
        rememberBeginning(writer, ownerId, pageId, body);
        const update = seedDocument(pageId, '', body);
        return { epoch: 1, update, vector: Y.encodeStateVectorFromUpdate(update) };
      }
      return stateOf(this.load(ownerId, pageId), vector);
    });
  }

  /** A page's document as it is stored, without keeping it in memory; null when there is none of this owner's. */
  private stored(ownerId: string, pageId: string): Pick<LivePage, 'epoch' | 'document'> | null {
    const ready = this.live.get(pageId);
    if (ready) return ready.ownerId === ownerId ? ready : null;
    return this.read(this.database.reader, ownerId, pageId);
  }

  private isThere(pageId: string): boolean {
    return this.database.writer.prepare('SELECT 1 FROM entries WHERE id = ?').get(pageId) !== undefined;
  }

  /** Takes in an update from a window. Resolves when it is stored; rejects with a ShapeError when it is refused. */
  async receive(
    ownerId: string,
    pageId: string,
    epoch: number,
    update: Uint8Array,
    day: string | null,
  ): Promise<Accepted> {
    let elsewhere: Rescue[] = [];
    const receiving = (page: LivePage): Change => {
      if (page.epoch !== epoch) throw new StaleEpoch(page.epoch);
      const recall = (client: number, clock: number): Range[] | undefined => {
        const row = this.database.writer
          .prepare('SELECT ranges FROM removals WHERE pageId = ? AND client = ? AND clock = ?')
          .get(pageId, client, clock) as { ranges: string } | undefined;
        return row ? (JSON.parse(row.ranges) as Range[]) : undefined;
      };
      const isElsewhere = (id: string) => this.isElsewhere(ownerId, pageId, id);
      let received: Received;
      try {
        checkNesting(update);
        received = receiveUpdate(page.document, update, recall, isElsewhere);
      } catch (error) {
        if (isTooDeep(error)) throw tooDeep();
        if (error instanceof ShapeError) throw error;
        throw new ShapeError(`What was sent is not an update of a page: ${(error as Error).message}`);
      }
      checkRoots(page.document);
      elsewhere = received.elsewhere;
      return { update, ...received };
    };
    return this.store(async (manager) => {
      const here = await this.storeWithin(manager, ownerId, pageId, day, receiving);
      const followed: Accepted[] = [];
      for (const each of elsewhere) {
        const other = this.pageOf(ownerId, each.blockId!)!;
        followed.push(
          await this.rewriteWithin(manager, ownerId, other, putBack(this.bodyWithin(ownerId, other), [each])),
        );
      }
      return [here, ...followed];
    });
  }

  /** Changes a page's title within a transaction of somebody else's, who tells the windows once it is through. */
  async renameWithin(manager: EntityManager, ownerId: string, pageId: string, title: string): Promise<Accepted> {
    return this.storeWithin(
      manager,
      ownerId,
      pageId,
      null,
      edited((document) => writeTitle(document, title)),
    );
  }

  /** A page's body as the transaction sees it. */
  bodyWithin(ownerId: string, pageId: string): BodyJson {
    return readBody(this.load(ownerId, pageId).document);
  }

  /** Gives a page another body within a transaction of somebody else's. */
  async rewriteWithin(manager: EntityManager, ownerId: string, pageId: string, body: BodyJson): Promise<Accepted> {
    return this.storeWithin(
      manager,
      ownerId,
      pageId,
      null,
      edited((document) => writeBody(document, body)),
    );
  }

  /** The one way in which the server itself changes a page; open windows see it at once. */
  async edit(ownerId: string, pageId: string, change: (document: Y.Doc) => void): Promise<Accepted> {
    return this.store(async (manager) => [await this.storeWithin(manager, ownerId, pageId, null, edited(change))]);
  }

  /** Tells those who listen what was accepted. */
  tell(accepted: Accepted): void {
    for (const listener of this.listeners) listener(accepted);
  }

  /** Lets go of what is in memory of a page that is gone. Within a transaction. */
  forget(pageId: string): void {
    this.live.delete(pageId);
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
    ownerId: string,
    pageId: string,
    day: string | null,
    change: (page: LivePage) => Change,
  ): Promise<Accepted> {
    if (day !== null && dayId(ownerId, day) === pageId) await this.makeDay(ownerId, pageId, day);
    const page = this.load(ownerId, pageId);
    const present = page.document;
    const { update, shown, body, editedSince, removals } = change(page);
    this.noteRemovals(pageId, removals);
    const beforeMending = editedSince ?? Y.encodeStateVector(present);
    const known = new Set(page.facts.blocks.map((block) => block.id));
    const isTaken = (id: string) => !known.has(id) && this.isElsewhere(ownerId, pageId, id);
    const { body: repaired } = repairBody(body, isTaken);
    const isRepaired = repaired !== shown;
    if (isRepaired) {
      const alsoRemoved = removalsOf(present, () => writeBody(present, repaired));
      this.noteRemovals(pageId, alsoRemoved);
    }
    const isMended = isRepaired || editedSince !== undefined;
    const mended = isMended ? Y.encodeStateAsUpdate(present, beforeMending) : null;
    const final = isRepaired ? readBody(present) : shown;
    const title = readTitle(present);
    this.append(page, [update, mended]);
    const changed = this.writeRows(page, title, final);
    await manager.update(EntryEntity, { id: pageId }, { name: title, changedAt: new Date().toISOString() });
    return { pageId, ownerId, epoch: page.epoch, update, mended, changed };
  }

  private writeRows(page: LivePage, title: string, body: BodyJson): Changed[] {
    const previous = page.facts;
    this.database.writer.prepare('UPDATE bodies SET json = ? WHERE pageId = ?').run(JSON.stringify(body), page.id);
    page.facts = this.facts.write({ row: page.row, id: page.id, indexed: page.title }, title, body, previous);
    const changed = changedBetween({ title: page.title, facts: previous }, { title, facts: page.facts });
    page.title = title;
    return changed;
  }

  private append(page: LivePage, updates: (Uint8Array | null)[]): void {
    const { writer } = this.database;
    const add = writer.prepare('INSERT INTO updates (pageId, data) VALUES (?, ?)');
    for (const update of updates) {
      if (!update) continue;
      add.run(page.id, Buffer.from(update));
      page.pendingUpdates += 1;
    }
    if (page.pendingUpdates > COMPACT_AFTER) {
      const state = Buffer.from(Y.encodeStateAsUpdate(page.document));
      writer.prepare('UPDATE bodies SET state = ? WHERE pageId = ?').run(state, page.id);
      writer.prepare('DELETE FROM updates WHERE pageId = ?').run(page.id);
      page.pendingUpdates = 0;
    }
  }

  /** The page of this account that holds a block: nothing is told of those of others. */
  private pageOf(ownerId: string, blockId: string): string | undefined {
    return this.database.writer
      .prepare('SELECT b.pageId FROM blocks b JOIN entries e ON e.id = b.pageId WHERE b.id = ? AND e.ownerId = ?')
      .pluck()
      .get(blockId, ownerId) as string | undefined;
  }

  private isElsewhere(ownerId: string, pageId: string, blockId: string): boolean {
    return (this.pageOf(ownerId, blockId) ?? pageId) !== pageId;
  }

  private noteRemovals(pageId: string, removals: readonly Removal[]): void {
    if (removals.length === 0) return;
    const note = this.database.writer.prepare(
      'INSERT OR REPLACE INTO removals (pageId, client, clock, ranges) VALUES (?, ?, ?, ?)',
    );
    for (const { client, clock, ranges } of removals) note.run(pageId, client, clock, JSON.stringify(ranges));
  }

  /** Makes the row and the seed of a day that is written for the first time. Within a transaction. */
  private async makeDay(ownerId: string, pageId: string, day: string): Promise<void> {
    const { writer } = this.database;
    if (this.isThere(pageId)) return;
    this.makeDayRow(ownerId, pageId, day, dayBeginning(writer, ownerId, pageId, day));
  }

  /** Makes a day's page with this body. Within a transaction. */
  makeDayRow(ownerId: string, pageId: string, day: string, body: BodyJson, at = new Date().toISOString()): BodyFacts {
    const { writer } = this.database;
    const { lastInsertRowid } = writer
      .prepare(
        `INSERT INTO entries (id, ownerId, kind, parentId, orderKey, name, day, begunAt, changedAt)
         VALUES (?, ?, 'page', NULL, ?, '', ?, ?, ?)`,
      )
      .run(pageId, ownerId, orderBetween(null, null), day, at, at);
    writer.prepare('INSERT INTO bodies (pageId, json) VALUES (?, ?)').run(pageId, JSON.stringify(body));
    writer.prepare('DELETE FROM daySeeds WHERE pageId = ?').run(pageId);
    return this.facts.write({ row: Number(lastInsertRowid), id: pageId, indexed: null }, '', body, null);
  }

  /** Reads a page into memory, turning its JSON into a document when nobody has edited it yet. Within a transaction. */
  private load(ownerId: string, pageId: string): LivePage {
    this.bound.add(pageId);
    const ready = this.live.get(pageId);
    if (ready) {
      if (ready.ownerId !== ownerId) throw notFound();
      this.live.delete(pageId);
      this.live.set(pageId, ready);
      return ready;
    }
    const { writer } = this.database;
    const page = this.read(writer, ownerId, pageId);
    if (!page) throw notFound();
    if (page.seed) writer.prepare('UPDATE bodies SET state = ? WHERE pageId = ?').run(Buffer.from(page.seed), pageId);
    this.live.set(pageId, page);
    if (this.live.size > KEPT_READY) this.live.delete(this.live.keys().next().value!);
    return page;
  }

  /** Reads a page as a connection sees it; `seed` is the state that its JSON was turned into just now. */
  private read(
    database: RawDatabase,
    ownerId: string,
    pageId: string,
  ): (LivePage & { seed: Uint8Array | null }) | null {
    const entry = database.prepare('SELECT * FROM entries WHERE id = ? AND ownerId = ?').get(pageId, ownerId) as
      Entry | undefined;
    const stored = database.prepare('SELECT json, state, epoch FROM bodies WHERE pageId = ?').get(pageId) as
      { json: string; state: Buffer | null; epoch: number } | undefined;
    if (!entry || !stored) return null;
    const document = new Y.Doc({ gc: false });
    const json = JSON.parse(stored.json) as BodyJson;
    const seed = stored.state ? null : seedDocument(pageId, entry.name, json);
    Y.applyUpdate(document, stored.state ?? seed!);
    const updates = database.prepare('SELECT data FROM updates WHERE pageId = ? ORDER BY number').all(pageId) as {
      data: Buffer;
    }[];
    for (const { data } of updates) Y.applyUpdate(document, data);
    return {
      row: entry.row,
      id: pageId,
      ownerId,
      epoch: stored.epoch,
      document,
      facts: bodyFacts(json),
      title: entry.name,
      pendingUpdates: updates.length,
      seed,
    };
  }

  /** Builds a page's document anew from its JSON; windows that have it open must fetch it afresh. */
  async rebuild(ownerId: string, pageId: string): Promise<void> {
    this.entries.own(ownerId, pageId);
    await this.database.write(() => {
      const { writer } = this.database;
      writer.prepare('UPDATE bodies SET state = NULL, epoch = epoch + 1 WHERE pageId = ?').run(pageId);
      writer.prepare('DELETE FROM updates WHERE pageId = ?').run(pageId);
      writer.prepare('DELETE FROM removals WHERE pageId = ?').run(pageId);
      this.live.delete(pageId);
    });
  }
}

const stateOf = ({ epoch, document }: Pick<LivePage, 'epoch' | 'document'>, vector: Uint8Array | null) => ({
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
  (page: LivePage): Change => {
    const editedSince = Y.encodeStateVector(page.document);
    const removals = removalsOf(page.document, () => change(page.document));
    const shown = readBody(page.document);
    return { update: null, editedSince, shown, body: shown, removals };
  };
