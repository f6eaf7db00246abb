import type { EntityManager } from 'typeorm';
import {
  emptyBody,
  namedId,
  newId,
  typedTags,
  withTagIds,
  type BodyJson,
  type TagOf,
  type TypedTag,
} from '@glossarion/core/document';
import type { Pigment } from '@glossarion/core/outline';
import { foldTag, tagKey, tagPath, TagTree, writtenTag, type Tag } from '@glossarion/core/tags';
import { addTag, ownTag, ownTagPaths, visibleTags, writableTag, type Viewer, type ViewerConnection } from '../access';
import type { Database } from '../database/database';
import { prepared } from '../sqlite/prepared';
import { DocumentEntity, TagEntity } from '../entities';
import { ADD_DOCUMENT } from '../entities/document.queries';
import { Problem } from '../problem';
import type { FactWriter } from './facts';

/** The tags of so many accounts are kept ready. */
const ACCOUNTS_KEPT = 8;

const NAME_LENGTH = 200;

/** A tag at a path, and the import that made it. */
export interface TagAt {
  id: string;
  importId: string | null;
}

/** What of a tag may be changed. */
export interface TagChanges {
  /** Its name with those of what it stands beneath. */
  path?: string;
  pigment?: Pigment | null;
}

/** Tags: a row each, whose id lines hold. */
export class Tags {
  private trees = new Map<string, TagTree>();
  /** The tags of accounts by their paths, as the last transaction or the one under way has them. */
  private paths = new Map<string, Map<string, TagAt>>();
  /** Accounts whose tags the transaction that is under way has changed. */
  private changed = new Set<string>();

  constructor(
    private database: Database,
    private facts: FactWriter,
  ) {
    database.onEnd((isStored) => {
      for (const accountId of this.changed) {
        this.trees.delete(accountId);
        if (!isStored) this.paths.delete(accountId);
      }
      this.changed.clear();
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
    this.paths.delete(accountId);
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

  private async pathsOf(manager: EntityManager, viewer: Viewer): Promise<Map<string, TagAt>> {
    const { accountId } = viewer;
    let paths = this.paths.get(accountId);
    if (!paths) {
      if (this.paths.size >= ACCOUNTS_KEPT) this.paths.delete(this.paths.keys().next().value!);
      paths = await ownTagPaths(manager, viewer);
      this.paths.set(accountId, paths);
    }
    return paths;
  }

  /** The tag at a path, with all that it stands beneath; `wantedId` is the id of a new one, unless something has it. */
  private async atPath(
    manager: EntityManager,
    viewer: Viewer,
    path: readonly string[],
    wantedId: string | null,
    importId: string | null,
  ): Promise<string> {
    const paths = await this.pathsOf(manager, viewer);
    let parentId: string | null = null;
    for (const [index, name] of path.entries()) {
      const key = tagKey(path.slice(0, index + 1));
      const present = paths.get(key);
      if (present && present.importId !== null && present.importId !== importId) {
        // Somebody else uses it now: it stays, whatever becomes of the import.
        await manager.update(TagEntity, { id: present.id }, { importId: null });
        this.changed.add(viewer.accountId);
        paths.set(key, { id: present.id, importId: null });
      }
      const own = index === path.length - 1 ? wantedId : null;
      parentId = present?.id ?? (await this.make(manager, viewer, { parentId, name, wantedId: own, importId }));
      if (!present) paths.set(key, { id: parentId, importId });
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
    addTag(this.database.writer, viewer, { id, parentId, name, folded: foldTag(name), importId });
    // What describes it.
    const body = emptyBody(namedId(id, 'first'));
    prepared(this.database.writer, ADD_DOCUMENT).run(id, 'tag', JSON.stringify(body));
    this.facts.write({ id, holder: 'tag', row: null, indexed: '' }, '', body, null);
    this.changed.add(viewer.accountId);
    return id;
  }

  /**
   * Calls a tag otherwise, sets it beneath another, or gives it a pigment; lines that wear it stay as they are. Gives
   * the ids of all tags whose names changed by it.
   *
   * @throws Problem (404, 403) when the viewer may not, (400) when it can't be called so, (409) when another tag is
   */
  async change(viewer: Viewer, id: string, { path, pigment }: TagChanges): Promise<string[]> {
    return this.database.write(async (manager) => {
      const connection = this.database.writing(viewer);
      const present = await writableTag(manager, connection, id);
      const tree = visibleTags(connection);
      const beneath = tree.beneath(id);
      if (pigment !== undefined) await manager.update(TagEntity, { id }, { pigment });
      if (path !== undefined) {
        const names = tagPath(path);
        const name = names.at(-1);
        if (name === undefined) throw new Problem(400, 'A tag needs a name.');
        const above = names.slice(0, -1);
        if (above.some((_name, index) => tree.find(names.slice(0, index + 1)) === id)) {
          throw new Problem(400, 'A tag can’t stand beneath itself.');
        }
        const parentId = above.length > 0 ? await this.atPath(manager, viewer, above, null, null) : null;
        const other = (await this.pathsOf(manager, viewer)).get(tagKey(names));
        if (other && other.id !== id) throw new Problem(409, `There is a tag “${writtenTag(names)}” already.`);
        if (name.length > NAME_LENGTH) throw new Problem(400, `A tag has at most ${NAME_LENGTH} characters.`);
        await manager.update(TagEntity, { id }, { name, folded: foldTag(name), parentId });
        this.paths.delete(viewer.accountId);
      }
      this.changed.add(viewer.accountId);
      return path === undefined && pigment === present.pigment ? [] : beneath;
    });
  }
}

/** Takes out the tags that a broken import has made, and that nobody else came to use. Within a transaction. */
export const dropTagsOfImport = (manager: EntityManager, importId: string): Promise<unknown> =>
  manager.delete(TagEntity, { importId });
