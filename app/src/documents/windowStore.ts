import { isOfOne, joined, type KeptCopy, type KeptHere, type OutboxItem, type StoredPage } from './localStore';

/** What a window keeps by itself where its browser keeps nothing for it: gone with the window, like all it shows. */
export class WindowStore implements KeptHere {
  private pages = new Map<string, StoredPage>();
  private items = new Map<number, OutboxItem>();
  private copies = new Map<number, KeptCopy>();
  private last = 0;

  async page(pageId: string): Promise<StoredPage | undefined> {
    return this.pages.get(pageId);
  }

  async allPages(): Promise<StoredPage[]> {
    return [...this.pages.values()];
  }

  async putPage(page: StoredPage): Promise<void> {
    this.pages.set(page.pageId, page);
  }

  async dropPage(pageId: string): Promise<void> {
    this.pages.delete(pageId);
  }

  async addToOutbox(item: OutboxItem): Promise<number> {
    this.items.set(++this.last, item);
    return this.last;
  }

  async outbox(pageId?: string): Promise<{ key: number; item: OutboxItem }[]> {
    const all = [...this.items].map(([key, item]) => ({ key, item }));
    return pageId === undefined ? all : all.filter(({ item }) => item.pageId === pageId);
  }

  async takeFromOutbox(keys: readonly number[]): Promise<void> {
    for (const key of keys) this.items.delete(key);
  }

  async keptCopies(): Promise<KeptCopy[]> {
    return [...this.copies.values()];
  }

  async keep(copy: KeptCopy): Promise<void> {
    const same = [...this.copies.values()].find((each) => isOfOne(each, copy));
    const id = same?.id ?? ++this.last;
    this.copies.set(id, same ? joined(same, copy) : { ...copy, id });
  }

  async dropKept(id: number): Promise<void> {
    this.copies.delete(id);
  }

  close(): void {
    this.pages.clear();
  }
}
