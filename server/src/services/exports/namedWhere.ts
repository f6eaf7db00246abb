import type { IndexEntry } from '@glossarion/core/formats/book';
import type { EntryReader } from '../entries';
import type { PageOut } from './outgoing';

/** Gathers what is named on which pages, for the index of a book. */
export class NamedWhere {
  private where = new Map<string, string[]>();

  constructor(
    private reader: EntryReader,
    private pathOf: (id: string) => string | null,
    private titleOf: (id: string) => string,
    /** The pages in the order of the book. */
    private order: ReadonlyMap<string, number>,
  ) {}

  /** Notes what a page leads to and wears. */
  add({ entry, ids }: PageOut): void {
    const targets = new Set([...ids].map((id) => this.meant(id)));
    for (const target of targets) {
      if (target === null || target === entry.id) continue;
      const places = this.where.get(target);
      if (places) places.push(entry.id);
      else this.where.set(target, [entry.id]);
    }
  }

  /** A line is named as its page. */
  private meant(id: string): string | null {
    if (this.pathOf(id) !== null) return id;
    const { kind, pageId, state } = this.reader.target(id);
    if (kind === 'tag') return id;
    return state === 'gone' ? null : pageId;
  }

  entries(): IndexEntry[] {
    return [...this.where].flatMap(([id, places]): IndexEntry[] => {
      const own = this.titleOf(id);
      const { title: name, kind } = own ? { title: own, kind: 'page' } : this.reader.target(id);
      if (name === '') return [];
      // Pages are written side by side, and come in any order.
      const inOrder = [...places].sort((one, other) => this.order.get(one)! - this.order.get(other)!);
      const pages = inOrder.map((page) => ({ title: this.titleOf(page), path: this.pathOf(page)! }));
      return [{ name, path: this.pathOf(id), isTag: kind === 'tag', in: pages }];
    });
  }
}
