import type { Database } from '../database/database';
import { DROP_ROWS } from '../entities/fact.queries';
import { INDEXED, WRITE_INDEX } from '../entities/find.queries';
import { prepared } from '../sqlite/prepared';

/** What the index has of a row. */
export interface Indexed {
  title: string;
  body: string;
}

/** The index of words: what it has of each row, where what is written to many rows at once waits until all of it is. */
export class WordIndex {
  /** What waits to be written, by row; null while nothing waits. */
  private waiting: Map<number, Indexed> | null = null;

  constructor(private database: Pick<Database, 'writer'>) {}

  of(row: number): Indexed | undefined {
    return this.waiting?.get(row) ?? (prepared(this.database.writer, INDEXED).get(row) as Indexed | undefined);
  }

  write(row: number, indexed: Indexed): void {
    if (this.waiting) this.waiting.set(row, indexed);
    else prepared(this.database.writer, WRITE_INDEX).run(row, indexed.title, indexed.body);
  }

  drop(row: number): void {
    this.waiting?.delete(row);
    prepared(this.database.writer, DROP_ROWS('findIndex', 'rowid')).run(row);
  }

  /**
   * Writes at the end of `work` what it writes to the index. FTS5 brings what it gathers to the disk as a part of its own
   * before each other statement that can be taken back by itself (`fts5SavepointMethod`), and whenever a row comes before
   * the last (`sqlite3Fts5IndexBeginWrite`): so rows are written one after the other, in their order. All of it must be
   * within one transaction.
   */
  async atOnce<T>(work: () => Promise<T> | T): Promise<T> {
    const waiting = new Map<number, Indexed>();
    this.waiting = waiting;
    let done: T;
    try {
      done = await work();
    } finally {
      this.waiting = null;
    }
    for (const [row, indexed] of [...waiting].sort(([one], [other]) => one - other)) this.write(row, indexed);
    return done;
  }
}
