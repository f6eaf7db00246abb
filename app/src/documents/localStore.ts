import { openDB, wrap, type DBSchema, type IDBPDatabase } from 'idb';

/** What this browser keeps of an account: its own copy of each opened page, and what has not reached the server yet. */

export interface StoredPage {
  pageId: string;
  epoch: number;
  state: Uint8Array;
}

/** One update that was typed here and is not yet acknowledged. */
export interface OutboxItem {
  pageId: string;
  epoch: number;
  day: string | null;
  update: Uint8Array;
}

/** Text that the server would not take. It stays until the person has dealt with it. */
export interface KeptCopy {
  id?: number;
  pageId: string;
  title: string;
  text: string;
  reason: string;
  at: string;
}

interface Schema extends DBSchema {
  pages: { key: string; value: StoredPage };
  outbox: { key: number; value: OutboxItem; indexes: { pageId: string } };
  kept: { key: number; value: KeptCopy };
}

const databaseName = (accountId: string) => `glossarion-${accountId}`;

/** A browser's store that has not answered after so many milliseconds does not answer at all. */
const ANSWERS_WITHIN = 4_000;

/**
 * Opens what this browser keeps of an account; makes it when there is nothing yet.
 *
 * @throws Error when the browser keeps nothing for this address, or does not answer
 */
export async function openDatabase(accountId: string): Promise<IDBPDatabase<Schema>> {
  const opening = openDB<Schema>(databaseName(accountId), 1, {
    upgrade(created) {
      created.createObjectStore('pages', { keyPath: 'pageId' });
      created.createObjectStore('outbox', { autoIncrement: true }).createIndex('pageId', 'pageId');
      created.createObjectStore('kept', { keyPath: 'id', autoIncrement: true });
    },
  });
  let late: ReturnType<typeof setTimeout> | undefined;
  const silent = new Promise<null>((resolve) => (late = setTimeout(() => resolve(null), ANSWERS_WITHIN)));
  const database = await Promise.race([opening, silent]).finally(() => clearTimeout(late));
  if (database) return database;
  void opening.then((each) => each.close()).catch(() => undefined);
  throw new Error('The store of this browser does not answer.');
}

/** Whether two copies are of one page, for one reason. */
export const isOfOne = (one: KeptCopy, other: KeptCopy): boolean =>
  one.pageId === other.pageId && one.reason === other.reason;

/** A copy with what belongs to it and was set aside later. */
export const joined = (copy: KeptCopy, more: KeptCopy): KeptCopy => ({
  ...copy,
  text: `${copy.text}${more.text}`,
  at: more.at,
});

/** What keeps pages and what is written until the server has it. */
export type KeptHere = Pick<LocalStore, keyof LocalStore>;

export class LocalStore {
  constructor(private database: IDBPDatabase<Schema>) {}

  static async open(accountId: string): Promise<LocalStore> {
    return new LocalStore(await openDatabase(accountId));
  }

  /** The store in a database that is open already. */
  static in(database: IDBDatabase): LocalStore {
    return new LocalStore(wrap(database) as unknown as IDBPDatabase<Schema>);
  }

  page(pageId: string): Promise<StoredPage | undefined> {
    return this.database.get('pages', pageId);
  }

  /** The copies of all pages. */
  allPages(): Promise<StoredPage[]> {
    return this.database.getAll('pages');
  }

  async putPage(page: StoredPage): Promise<void> {
    await this.database.put('pages', page);
  }

  async dropPage(pageId: string): Promise<void> {
    await this.database.delete('pages', pageId);
  }

  addToOutbox(item: OutboxItem): Promise<number> {
    return this.database.add('outbox', item);
  }

  /** What waits to be sent, a page's or all, in the order it was typed, with the keys to take it out again. */
  async outbox(pageId?: string): Promise<{ key: number; item: OutboxItem }[]> {
    const transaction = this.database.transaction('outbox');
    const source = pageId === undefined ? transaction.store : transaction.store.index('pageId');
    const found: { key: number; item: OutboxItem }[] = [];
    let cursor = await source.openCursor(pageId === undefined ? undefined : IDBKeyRange.only(pageId));
    while (cursor) {
      found.push({ key: cursor.primaryKey, item: cursor.value });
      cursor = await cursor.continue();
    }
    return found.sort((one, other) => one.key - other.key);
  }

  async takeFromOutbox(keys: readonly number[]): Promise<void> {
    const transaction = this.database.transaction('outbox', 'readwrite');
    await Promise.all([...keys.map((key) => transaction.store.delete(key)), transaction.done]);
  }

  keptCopies(): Promise<KeptCopy[]> {
    return this.database.getAll('kept');
  }

  /** Sets a copy aside; what belongs to one that is there already is added to it. */
  async keep(copy: KeptCopy): Promise<void> {
    const transaction = this.database.transaction('kept', 'readwrite');
    const kept = await transaction.store.getAll();
    const same = kept.find((each) => isOfOne(each, copy));
    await transaction.store.put(same ? joined(same, copy) : copy);
    await transaction.done;
  }

  async dropKept(id: number): Promise<void> {
    await this.database.delete('kept', id);
  }

  close(): void {
    this.database.close();
  }

  /**
   * Empties what this browser holds of an account whose session was ended elsewhere, for whoever signs in next. Only
   * what has not reached the server stays, until the same person is back.
   */
  static async retire(accountId: string): Promise<void> {
    const store = await LocalStore.open(accountId);
    const { database } = store;
    await database.clear('pages');
    const left = (await database.count('outbox')) + (await database.count('kept'));
    store.close();
    if (left === 0) await LocalStore.wipe(accountId);
  }

  /** Deletes everything this browser holds of an account. */
  static async wipe(accountId: string): Promise<void> {
    await new Promise<void>((resolve) => {
      setTimeout(resolve, ANSWERS_WITHIN);
      try {
        const request = indexedDB.deleteDatabase(databaseName(accountId));
        request.onsuccess = request.onerror = request.onblocked = () => resolve();
      } catch {
        // A browser that keeps nothing for this address has nothing to delete.
        resolve();
      }
    });
  }
}
