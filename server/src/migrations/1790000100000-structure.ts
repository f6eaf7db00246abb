import type { MigrationInterface, QueryRunner } from 'typeorm';

const STATEMENTS = [
  // null: for now. An entry keeps its place while it is for later or laid aside.
  `ALTER TABLE entries ADD COLUMN season TEXT CHECK (season IN ('later', 'aside'))`,
  `ALTER TABLE entries ADD COLUMN showsLeaves INTEGER NOT NULL DEFAULT 0`,
  // How many pages and sections stand beneath, at any depth, leaving out what is in the bin below this entry.
  `ALTER TABLE entries ADD COLUMN pagesBeneath INTEGER NOT NULL DEFAULT 0`,
  `ALTER TABLE entries ADD COLUMN sectionsBeneath INTEGER NOT NULL DEFAULT 0`,
  `CREATE INDEX entries_by_season ON entries(ownerId, season) WHERE season IS NOT NULL`,
  `CREATE INDEX entries_in_bin ON entries(ownerId, deletedAt) WHERE deletedAt IS NOT NULL`,
  `CREATE INDEX entries_unwritten ON entries(ownerId) WHERE kind = 'page' AND wordCount = 0 AND day IS NULL`,
  `CREATE INDEX blocks_open_tasks ON blocks(pageId, position) WHERE kind = 'todo' AND state IN ('open', 'begun')`,
  `CREATE TABLE pins (
    ownerId TEXT NOT NULL REFERENCES accounts(id) ON DELETE CASCADE,
    entryId TEXT NOT NULL REFERENCES entries(id) ON DELETE CASCADE,
    orderKey TEXT NOT NULL, PRIMARY KEY (ownerId, entryId)
  ) STRICT, WITHOUT ROWID`,
  // Which levels of the contents the person opened or folded. The key is an entry's id, or "later/" or "aside/" and one.
  `CREATE TABLE folds (
    ownerId TEXT NOT NULL REFERENCES accounts(id) ON DELETE CASCADE,
    key TEXT NOT NULL, isOpen INTEGER NOT NULL, PRIMARY KEY (ownerId, key)
  ) STRICT, WITHOUT ROWID`,
  `CREATE TABLE visits (
    ownerId TEXT NOT NULL REFERENCES accounts(id) ON DELETE CASCADE,
    entryId TEXT NOT NULL REFERENCES entries(id) ON DELETE CASCADE,
    visitedAt TEXT NOT NULL, PRIMARY KEY (ownerId, entryId)
  ) STRICT, WITHOUT ROWID`,
  `CREATE INDEX visits_by_moment ON visits(ownerId, visitedAt)`,
  `CREATE TABLE settings (
    ownerId TEXT NOT NULL REFERENCES accounts(id) ON DELETE CASCADE,
    key TEXT NOT NULL, value TEXT NOT NULL, PRIMARY KEY (ownerId, key)
  ) STRICT, WITHOUT ROWID`,
  // What is left of what was deleted for good: links to it still say what it was called.
  `CREATE TABLE tombstones (
    id TEXT PRIMARY KEY, ownerId TEXT NOT NULL REFERENCES accounts(id) ON DELETE CASCADE,
    title TEXT NOT NULL, goneAt TEXT NOT NULL
  ) STRICT, WITHOUT ROWID`,
  `WITH RECURSIVE beneath(root, id, kind) AS (
     SELECT parentId, id, kind FROM entries WHERE parentId IS NOT NULL AND deletedAt IS NULL
     UNION ALL
     SELECT e.parentId, b.id, b.kind FROM beneath b JOIN entries e ON e.id = b.root
     WHERE e.parentId IS NOT NULL AND e.deletedAt IS NULL
   ), counted AS (
     SELECT root, SUM(kind = 'page') AS pages, SUM(kind = 'section') AS sections FROM beneath GROUP BY root
   )
   UPDATE entries SET pagesBeneath = counted.pages, sectionsBeneath = counted.sections
   FROM counted WHERE counted.root = entries.id`,
];

export class Structure1790000100000 implements MigrationInterface {
  name = 'Structure1790000100000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of STATEMENTS) await runner.query(statement);
  }

  async down(): Promise<void> {
    throw new Error('Schema changes only add: this one is not taken back.');
  }
}
