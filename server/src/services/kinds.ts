import type { KindTree } from '@glossarion/core/kinds';
import { ownKinds, type Viewer } from '../access';
import type { Database } from '../database/database';

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

  /** Kinds of an account are changed by the transaction that is under way. */
  noteChange({ accountId }: Viewer): void {
    this.changed.add(accountId);
    this.trees.delete(accountId);
  }
}
