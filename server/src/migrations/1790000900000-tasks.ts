import type { MigrationInterface, QueryRunner } from 'typeorm';

const OPEN = "state IN ('open', 'begun')";

const STATEMENTS = [
  `CREATE TABLE tasks (
    documentId TEXT NOT NULL REFERENCES documents(id) ON DELETE CASCADE, blockId TEXT NOT NULL,
    state TEXT NOT NULL, priority TEXT, due TEXT, forDay TEXT, repeat TEXT, doneOn TEXT, within TEXT,
    PRIMARY KEY (documentId, blockId)
  ) STRICT, WITHOUT ROWID`,
  `CREATE INDEX tasks_open ON tasks(documentId) WHERE ${OPEN}`,
  `CREATE INDEX tasks_open_by_due ON tasks(due) WHERE ${OPEN} AND due IS NOT NULL`,
  `CREATE INDEX tasks_open_by_for ON tasks(forDay) WHERE ${OPEN} AND forDay IS NOT NULL`,
  `CREATE INDEX tasks_by_block ON tasks(blockId)`,
  `DROP INDEX blocks_open_tasks`,
  `CREATE INDEX entries_by_beginning ON entries(ownerId, begunAt)`,
  `CREATE INDEX attachments_by_making ON attachments(ownerId, madeAt)`,
  `INSERT OR IGNORE INTO factsDue (documentId) SELECT DISTINCT documentId FROM blocks WHERE kind = 'todo'`,
  // What happened on a day follows from no body: nothing is known of what was done before.
  `CREATE TABLE happenings (
    number INTEGER PRIMARY KEY AUTOINCREMENT,
    ownerId TEXT NOT NULL REFERENCES accounts(id) ON DELETE CASCADE,
    documentId TEXT NOT NULL REFERENCES documents(id) ON DELETE CASCADE,
    what TEXT NOT NULL, day TEXT NOT NULL, blockId TEXT NOT NULL DEFAULT '', occurrence TEXT NOT NULL DEFAULT '',
    fromDay TEXT NOT NULL DEFAULT '', toDay TEXT NOT NULL DEFAULT '', words INTEGER NOT NULL DEFAULT 0,
    isTakenBack INTEGER NOT NULL DEFAULT 0
  ) STRICT`,
  `CREATE INDEX happenings_by_day ON happenings(ownerId, day)`,
  `CREATE INDEX happenings_by_block ON happenings(blockId) WHERE what != 'words'`,
  `CREATE UNIQUE INDEX happenings_words ON happenings(documentId, day) WHERE what = 'words'`,
  `CREATE UNIQUE INDEX happenings_once ON happenings(blockId, what, day, occurrence) WHERE what IN ('done', 'dropped')`,
  `CREATE INDEX happenings_by_document ON happenings(documentId)`,
];

/** To-dos are tasks, and what happens to them on a day is kept. */
export class Tasks1790000900000 implements MigrationInterface {
  name = 'Tasks1790000900000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of STATEMENTS) await runner.query(statement);
  }

  async down(): Promise<void> {
    throw new Error('Schema changes only add: this one is not taken back.');
  }
}
