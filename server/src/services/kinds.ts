import type { KindTree } from '@glossarion/core/kinds';
import { ownKinds, type Viewer } from '../access';
import type { Database } from '../database/database';
import { EntryEntity, KindUseEntity } from '../entities';

/** The kinds of so many accounts are kept ready. */
const ACCOUNTS_KEPT = 8;

/** What pages may be of, and what each kind of page says of itself. */
export class Kinds {
  private trees = new Map<string, Promise<KindTree>>();
  /** Accounts whose kinds the transaction that is under way has changed. */
  private changed = new Set<string>();

  constructor(private database: Database) {
    database.onEnd(() => {
      for (const accountId of this.changed) this.trees.delete(accountId);
      this.changed.clear();
    });
  }

  /** The kinds that a viewer has, as they are stored. */
  tree(viewer: Viewer): Promise<KindTree> {
    const { accountId } = viewer;
    let tree = this.trees.get(accountId);
    if (!tree) {
      if (this.trees.size >= ACCOUNTS_KEPT) this.trees.delete(this.trees.keys().next().value!);
      tree = ownKinds(this.database.manager, viewer);
      this.trees.set(accountId, tree);
      tree.catch(() => this.trees.delete(accountId));
    }
    return tree;
  }

  /** What a page is called by its kinds. Whoever asks has seen it. */
  async namesOf(viewer: Viewer, documentId: string): Promise<string[]> {
    const where = { documentId };
    const uses = await this.database.manager.find(KindUseEntity, { where, order: { position: 'ASC' } });
    if (uses.length === 0) return [];
    return (await this.tree(viewer)).namesOf(uses.map(({ kind }) => kind));
  }

  /** The same of all pages that a viewer sees, by page; of those alone that are of kinds. */
  async allNames(viewer: Viewer): Promise<ReadonlyMap<string, string[]>> {
    const query = this.database.manager
      .createQueryBuilder(KindUseEntity, 'u')
      .select(['u.documentId AS "documentId"', 'u.kind AS kind'])
      .innerJoin(EntryEntity.options.name, 'e', 'e.id = u.documentId')
      .orderBy('u.documentId')
      .addOrderBy('u.position');
    const uses = await this.database.reading(viewer).visible(query).getRawMany<{ documentId: string; kind: string }>();
    const kinds = new Map<string, string[]>();
    for (const { documentId, kind } of uses) kinds.set(documentId, [...(kinds.get(documentId) ?? []), kind]);
    const tree = await this.tree(viewer);
    return new Map([...kinds].map(([id, own]) => [id, tree.namesOf(own)]));
  }

  /** Kinds of an account are changed by the transaction that is under way. */
  noteChange({ accountId }: Viewer): void {
    this.changed.add(accountId);
    this.trees.delete(accountId);
  }
}
