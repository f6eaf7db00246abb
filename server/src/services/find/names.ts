import { NameIndex } from '@glossarion/core/names';
import type { Target } from '@glossarion/core/links';
import { sees, visibleEntry, type Step, type Viewer } from '../../access';
import type { Database } from '../../database/database';
import { ALL_STEPS } from '../../entities/entry.queries';
import { entryTitle, type Entries } from '../entries';
import type { Kinds } from '../kinds';
import { allOtherNames, otherNamesOf } from '../otherNames';

/** The names of so many accounts are kept ready. */
const ACCOUNTS_KEPT = 8;

/** The names of an account, with those that changed since they were taken in. */
interface KnownNames {
  index: Promise<NameIndex>;
  changed: Set<string>;
}

/** Finding by name. */
export class Names {
  /** By account: what it was granted is not among them, and is found by words. */
  private names = new Map<string, KnownNames>();

  constructor(
    private database: Database,
    private entries: Entries,
    private kinds: Kinds,
  ) {}

  /** Pages, sections and notebooks whose name is like what was typed. */
  async byName(viewer: Viewer, typed: string, limit: number): Promise<Target[]> {
    const index = await this.namesOf(viewer);
    return this.entries.reader(viewer).present(index.search(typed, limit * 3), limit);
  }

  async namesOf(viewer: Viewer): Promise<NameIndex> {
    let known = this.names.get(viewer.accountId);
    if (!known) {
      if (this.names.size >= ACCOUNTS_KEPT) this.names.delete(this.names.keys().next().value!);
      // What changes while they are read is read again.
      known = { index: this.readNames(viewer), changed: new Set() };
      this.names.set(viewer.accountId, known);
    }
    const index = await known.index;
    const connection = this.database.reading(viewer);
    for (const id of known.changed) {
      // First: what changes while it is read is read again.
      known.changed.delete(id);
      const others = otherNamesOf(this.database.reader, id);
      const kinds = await this.kinds.namesOf(viewer, id);
      if (!sees(connection, id)) index.delete(id);
      else {
        const entry = visibleEntry(connection, id);
        index.set(id, entryTitle(entry), entry.parentId, others, kinds);
      }
    }
    return index;
  }

  private async readNames(viewer: Viewer): Promise<NameIndex> {
    const others = await allOtherNames(this.database, viewer);
    const kinds = await this.kinds.allNames(viewer);
    const index = new NameIndex();
    for (const row of this.database.reading(viewer).all<Step>(ALL_STEPS)) {
      index.set(row.id, entryTitle(row), row.parentId, others.get(row.id), kinds.get(row.id));
    }
    return index;
  }

  /** Keeps the names in line with what was changed. */
  note(accountId: string, id: string): void {
    this.names.get(accountId)?.changed.add(id);
  }

  forget(accountId: string): void {
    this.names.delete(accountId);
  }
}
