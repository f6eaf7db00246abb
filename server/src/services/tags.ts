import { In, type EntityManager } from 'typeorm';
import {
  checkBody,
  emptyBody,
  namedId,
  newId,
  repairBody,
  ShapeError,
  typedTags,
  withTagIds,
  type BodyJson,
  type TagOf,
  type TypedTag,
} from '@glossarion/core/document';
import type { PortableTag } from '@glossarion/core/formats/account';
import { foldTag, tagPath, TagTree, type Tag } from '@glossarion/core/tags';
import { addTag, guardTag, ownTag, ownTags, visibleTags, type Viewer, type ViewerConnection } from '../access';
import type { Database } from '../database/database';
import { prepared } from '../sqlite/prepared';
import { DocumentEntity, TagEntity, type Tag as TagRow } from '../entities';
import { ADD_DOCUMENT } from '../entities/document.queries';
import { notFound } from '../problem';
import type { FactWriter } from './facts';

/** The tags of so many accounts are kept ready. */
const ACCOUNTS_KEPT = 8;
/** Tags that are taken in in one piece, and ids that one statement asks for. */
const TAKEN_AT_ONCE = 50;
const ASKED_AT_ONCE = 500;

/** A tag that is typed so, and the import that made it. */
export interface TagAt {
  id: string;
  importId: string | null;
}

/** Tags: a row each, whose id lines hold. */
export class Tags {
  private trees = new Map<string, TagTree>();
  /** The tags of accounts by their names, as the last transaction or the one under way has them. */
  private names = new Map<string, Map<string, TagAt>>();
  /** Accounts whose tags the transaction that is under way has changed. */
  private changed = new Set<string>();

  constructor(
    private database: Database,
    private facts: FactWriter,
    /** Called when tags of an account came, went, or are called otherwise. */
    private tell?: (accountId: string) => void,
  ) {
    database.onEnd((isStored) => {
      const changed = [...this.changed];
      this.changed.clear();
      for (const accountId of changed) {
        this.trees.delete(accountId);
        if (!isStored) this.names.delete(accountId);
        else this.tell?.(accountId);
      }
    });
  }

  /** The tags that a viewer sees, as they are stored. */
  tree(connection: ViewerConnection): TagTree {
    const { accountId, hasGrants } = connection.viewer;
    // What was granted may be taken back, and what an import brings is seen at its end.
    if (hasGrants || this.database.importing.size > 0) return visibleTags(connection);
    let tree = this.trees.get(accountId);
    if (!tree) {
      if (this.trees.size >= ACCOUNTS_KEPT) this.trees.delete(this.trees.keys().next().value!);
      this.trees.set(accountId, (tree = visibleTags(connection)));
    }
    return tree;
  }

  /** Lets go of what is known of an account's tags, which were changed by somebody else. */
  forget(accountId: string): void {
    this.trees.delete(accountId);
    this.names.delete(accountId);
  }

  /** All tags that a viewer sees, by their names. */
  list(viewer: Viewer): (Tag & { path: string })[] {
    return this.tree(this.database.reading(viewer)).all();
  }

  /**
   * The body with the ids of tags in place of names that were typed: the tag of each is found by its path, or made.
   * Within a transaction.
   *
   * @param importId the import that the body comes in with; what it makes is seen once it is whole
   */
  async named(
    manager: EntityManager,
    viewer: Viewer,
    body: BodyJson,
    importId: string | null = null,
  ): Promise<BodyJson> {
    const typed = typedTags(body.content);
    if (typed.length === 0) return body;
    const tagOf = await this.store(manager, viewer, typed, importId);
    return { ...body, content: withTagIds(body.content, tagOf) };
  }

  /** The stored tag of each of these, found or made. Within a transaction. */
  async store(
    manager: EntityManager,
    viewer: Viewer,
    typed: readonly TypedTag[],
    importId: string | null = null,
  ): Promise<TagOf> {
    const stored = new Map<string, string>();
    const keyOf = ({ tag, name }: TypedTag) => `${tag ?? ''} ${name}`;
    for (const each of typed) {
      if (!stored.has(keyOf(each))) stored.set(keyOf(each), await this.storeOne(manager, viewer, each, importId));
    }
    return (each) => stored.get(keyOf(each))!;
  }

  private async storeOne(
    manager: EntityManager,
    viewer: Viewer,
    { tag, name }: TypedTag,
    importId: string | null,
  ): Promise<string> {
    if (tag !== null && (await ownTag(manager, viewer, tag))) return tag;
    return this.atPath(manager, viewer, tagPath(name), tag, importId);
  }

  private async namesOf(manager: EntityManager, viewer: Viewer): Promise<Map<string, TagAt>> {
    const { accountId } = viewer;
    let names = this.names.get(accountId);
    if (!names) {
      if (this.names.size >= ACCOUNTS_KEPT) this.names.delete(this.names.keys().next().value!);
      names = namesIn(await ownTags(manager, viewer));
      this.names.set(accountId, names);
    }
    return names;
  }

  /** The tag at a path, with all that it stands beneath; `wantedId` is the id of a new one, unless something has it. */
  private async atPath(
    manager: EntityManager,
    viewer: Viewer,
    path: readonly string[],
    wantedId: string | null,
    importId: string | null,
  ): Promise<string> {
    const names = await this.namesOf(manager, viewer);
    let parentId: string | null = null;
    for (const [index, name] of path.entries()) {
      const key = keyWithin(parentId, name);
      const present = names.get(key);
      if (present && present.importId !== null && present.importId !== importId) {
        // Somebody else uses it now: it stays, whatever becomes of the import.
        await manager.update(TagEntity, { id: present.id }, { importId: null });
        this.changed.add(viewer.accountId);
        names.set(key, { id: present.id, importId: null });
      }
      const own = index === path.length - 1 ? wantedId : null;
      parentId = present?.id ?? (await this.make(manager, viewer, { parentId, name, wantedId: own, importId }));
      if (!present) names.set(key, { id: parentId, importId });
    }
    return parentId!;
  }

  private async make(
    manager: EntityManager,
    viewer: Viewer,
    {
      parentId,
      name,
      wantedId,
      importId,
    }: { parentId: string | null; name: string; wantedId: string | null; importId: string | null },
  ): Promise<string> {
    const isFree = wantedId !== null && !(await manager.existsBy(DocumentEntity, { id: wantedId }));
    const id = isFree ? wantedId : newId();
    this.begin(viewer, { id, parentId, name, importId });
    return id;
  }

  /**
   * Takes in tags with what is said of them. One that is called like one that is there is that one. Gives what those are
   * called here that have another id. In pieces, of which each is answered with the transaction of the next.
   */
  async *takeIn(
    viewer: Viewer,
    tags: readonly PortableTag[],
    importId: string | null,
  ): AsyncGenerator<void, Map<string, string>, EntityManager> {
    let manager = yield;
    const names = await this.namesOf(manager, viewer);
    const own = new Set((await ownTags(manager, viewer)).map(({ id }) => id));
    const isTaken = await documentsAmong(
      manager,
      tags.map(({ id }) => id),
    );
    let count = 0;
    const renamed = new Map<string, string>();
    const begun = new Map<string, string>();
    for (const {
      id: wanted,
      parentId: above,
      name,
      pigment = null,
      mergedInto,
      deletedAt = null,
      body,
    } of outermostFirst(tags)) {
      if (own.has(wanted)) continue;
      if ((count += 1) % TAKEN_AT_ONCE === 0) manager = yield;
      const parentId = above === null ? null : (renamed.get(above) ?? above);
      const isOwn = mergedInto === undefined && deletedAt === null;
      const key = keyWithin(parentId, name);
      const present = isOwn ? names.get(key) : undefined;
      if (present) {
        renamed.set(wanted, present.id);
        continue;
      }
      const isFree = !isTaken.has(wanted);
      const id = isFree ? wanted : newId();
      if (!isFree) renamed.set(wanted, id);
      begun.set(wanted, id);
      this.begin(viewer, { id, parentId, name, importId }, described(body));
      if (pigment !== null || deletedAt !== null) await manager.update(TagEntity, { id }, { pigment, deletedAt });
      if (isOwn) names.set(key, { id, importId });
    }
    const rows = new Map((await ownTags(manager, viewer)).map((row) => [row.id, row]));
    for (const { id: wanted, mergedInto } of tags) {
      const id = begun.get(wanted);
      if (mergedInto === undefined || id === undefined) continue;
      const into = rows.get(renamed.get(mergedInto) ?? mergedInto);
      // What would lead to itself leads nowhere.
      const isRound = !into || leadsTo(rows, into.id, id);
      const said = isRound ? { deletedAt: new Date().toISOString() } : { mergedInto: into.id };
      Object.assign(rows.get(id)!, said);
      await manager.update(TagEntity, { id }, said);
    }
    this.names.delete(viewer.accountId);
    return renamed;
  }

  /** Adds a tag, with the document that describes it. */
  private begin(
    viewer: Viewer,
    tag: Pick<TagRow, 'id' | 'parentId' | 'name' | 'importId'>,
    body = emptyBody(namedId(tag.id, 'first')),
  ): void {
    const { id, name } = tag;
    addTag(this.database.writer, viewer, { ...tag, folded: foldTag(name) });
    prepared(this.database.writer, ADD_DOCUMENT).run(id, 'tag', JSON.stringify(body));
    this.facts.write({ id, holder: 'tag', row: null, indexed: '' }, '', body, null);
    this.changed.add(viewer.accountId);
  }

  /**
   * Stores what is said of a tag; lines that wear it stay as they are. One that is not there is made. Within a
   * transaction.
   *
   * @throws Problem (404, 403) when the viewer may not
   */
  async put(manager: EntityManager, viewer: Viewer, { id, ...said }: Tag): Promise<void> {
    const isThere = await guardTag(manager, this.database.writing(viewer), id);
    if (!isThere && (await manager.existsBy(DocumentEntity, { id }))) throw notFound();
    if (!isThere) this.begin(viewer, { id, ...said, importId: null });
    await manager.update(TagEntity, { id }, { ...said, folded: foldTag(said.name) });
    this.changed.add(viewer.accountId);
    this.names.delete(viewer.accountId);
  }
}

/** What a tag stands for, when it is a text that the schema takes. */
function described(body: BodyJson | undefined): BodyJson | undefined {
  try {
    return body && repairBody(checkBody(body), () => false).body;
  } catch (error) {
    if (error instanceof ShapeError) return undefined;
    throw error;
  }
}

/** Whether a tag stands beneath another, or was merged into it, by however many steps. */
function leadsTo(rows: ReadonlyMap<string, TagRow>, from: string, to: string): boolean {
  const seen = new Set<string>();
  const waiting = [from];
  for (let id = waiting.pop(); id !== undefined; id = waiting.pop()) {
    if (id === to) return true;
    const row = rows.get(id);
    if (!row || seen.has(id)) continue;
    seen.add(id);
    waiting.push(...[row.parentId, row.mergedInto].filter((each) => each !== null));
  }
  return false;
}

/** Tags after those that they stand beneath; what stands beneath something that is not there stands beneath nothing. */
function outermostFirst(tags: readonly PortableTag[]): PortableTag[] {
  const byId = new Map(tags.map((tag) => [tag.id, tag]));
  const sorted = new Map<string, PortableTag>();
  const add = (tag: PortableTag, above: ReadonlySet<string>): void => {
    if (sorted.has(tag.id)) return;
    const parent = tag.parentId === null || above.has(tag.parentId) ? undefined : byId.get(tag.parentId);
    if (parent) add(parent, new Set([...above, tag.id]));
    sorted.set(tag.id, { ...tag, parentId: parent?.id ?? null });
  };
  for (const tag of tags) add(tag, new Set());
  return [...sorted.values()];
}

/** Those of these ids that a document has, of whomever. */
async function documentsAmong(manager: EntityManager, ids: readonly string[]): Promise<Set<string>> {
  const found = new Set<string>();
  for (let from = 0; from < ids.length; from += ASKED_AT_ONCE) {
    const where = { id: In(ids.slice(from, from + ASKED_AT_ONCE)) };
    for (const { id } of await manager.find(DocumentEntity, { select: { id: true }, where })) found.add(id);
  }
  return found;
}

/** How a tag is known among those beneath the same. */
const keyWithin = (parentId: string | null, name: string): string => `${parentId ?? ''} ${foldTag(name)}`;

/** By what they stand beneath and are called, the tags that are typed so: names of merged ones lead to what stands for them. */
function namesIn(rows: readonly TagRow[]): Map<string, TagAt> {
  const tree = new TagTree(rows);
  const importOf = new Map(rows.map(({ id, importId }) => [id, importId]));
  const names = new Map<string, TagAt>();
  const isOwn = ({ mergedInto }: Tag) => mergedInto === null;
  for (const row of [...rows.filter((each) => !isOwn(each)), ...rows.filter(isOwn)]) {
    const above = row.parentId === null ? null : tree.present(row.parentId)!.id;
    const { id } = tree.present(row.id)!;
    if (!tree.isGone(row.id) && !(above !== null && tree.isGone(above)))
      names.set(keyWithin(above, row.name), { id, importId: importOf.get(id) ?? null });
  }
  return names;
}

/** Takes out the tags that a broken import has made, and that nobody else came to use. Within a transaction. */
export const dropTagsOfImport = (manager: EntityManager, importId: string): Promise<unknown> =>
  manager.delete(TagEntity, { importId });
