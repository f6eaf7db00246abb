import type { Viewer } from '../access';
import type { Database } from '../database/database';

/** What was read is kept for so many accounts. */
const ACCOUNTS_KEPT = 8;

/** What was read for accounts, kept until anything is stored. */
export class KeptUntilStored<T> {
  private kept = new Map<string, T>();

  constructor(
    database: Pick<Database, 'onEnd'>,
    private read: (viewer: Viewer) => T,
  ) {
    database.onEnd((isStored) => {
      if (isStored) this.kept.clear();
    });
  }

  of(viewer: Viewer): T {
    const known = this.kept.get(viewer.accountId);
    if (known !== undefined) return known;
    if (this.kept.size >= ACCOUNTS_KEPT) this.kept.delete(this.kept.keys().next().value!);
    const read = this.read(viewer);
    this.kept.set(viewer.accountId, read);
    return read;
  }

  /** Lets go of what was read for an account, if it is still this. */
  forget({ accountId }: Viewer, read: T): void {
    if (this.kept.get(accountId) === read) this.kept.delete(accountId);
  }
}
