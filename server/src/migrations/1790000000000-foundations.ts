import type { MigrationInterface, QueryRunner } from 'typeorm';

const STATEMENTS = [
  `CREATE TABLE accounts (
    id TEXT PRIMARY KEY, name TEXT NOT NULL, foldedName TEXT NOT NULL UNIQUE, passphraseHash TEXT NOT NULL,
    createdAt TEXT NOT NULL, failedTries INTEGER NOT NULL DEFAULT 0, waitUntil TEXT
  ) STRICT`,
  `CREATE TABLE sessions (
    id TEXT PRIMARY KEY, accountId TEXT NOT NULL REFERENCES accounts(id) ON DELETE CASCADE,
    createdAt TEXT NOT NULL, expiresAt TEXT NOT NULL
  ) STRICT`,
  `CREATE TABLE entries (
    row INTEGER PRIMARY KEY AUTOINCREMENT, id TEXT NOT NULL UNIQUE,
    ownerId TEXT NOT NULL REFERENCES accounts(id) ON DELETE CASCADE,
    kind TEXT NOT NULL CHECK (kind IN ('notebook', 'section', 'page')),
    parentId TEXT REFERENCES entries(id), orderKey TEXT NOT NULL, name TEXT NOT NULL,
    pigment TEXT, ornament TEXT, description TEXT NOT NULL DEFAULT '', day TEXT,
    firstWords TEXT NOT NULL DEFAULT '', wordCount INTEGER NOT NULL DEFAULT 0,
    begunAt TEXT NOT NULL, changedAt TEXT NOT NULL, deletedAt TEXT
  ) STRICT`,
  `CREATE INDEX entries_by_parent ON entries(ownerId, parentId, orderKey)`,
  `CREATE INDEX entries_by_parent_alone ON entries(parentId)`,
  `CREATE INDEX entries_by_change ON entries(ownerId, kind, changedAt)`,
  `CREATE UNIQUE INDEX entries_by_day ON entries(ownerId, day) WHERE day IS NOT NULL`,
  // A page's text: as JSON for reading, and as Yjs state from the first time somebody writes in it.
  `CREATE TABLE bodies (
    pageId TEXT PRIMARY KEY REFERENCES entries(id) ON DELETE CASCADE,
    json TEXT NOT NULL, state BLOB, epoch INTEGER NOT NULL DEFAULT 1
  ) STRICT`,
  `CREATE TABLE updates (
    number INTEGER PRIMARY KEY AUTOINCREMENT,
    pageId TEXT NOT NULL REFERENCES entries(id) ON DELETE CASCADE, data BLOB NOT NULL
  ) STRICT`,
  `CREATE INDEX updates_by_page ON updates(pageId, number)`,
  // What was visible in a block when it was taken out of its page (core/document/rescue).
  `CREATE TABLE removals (
    pageId TEXT NOT NULL REFERENCES entries(id) ON DELETE CASCADE, client INTEGER NOT NULL, clock INTEGER NOT NULL,
    ranges TEXT NOT NULL, PRIMARY KEY (pageId, client, clock)
  ) STRICT, WITHOUT ROWID`,
  // Facts, derived from the bodies (core/document/facts).
  `CREATE TABLE blocks (
    pageId TEXT NOT NULL REFERENCES entries(id) ON DELETE CASCADE, id TEXT NOT NULL,
    parentId TEXT, headingId TEXT, position INTEGER NOT NULL, depth INTEGER NOT NULL, kind TEXT NOT NULL, state TEXT,
    words TEXT NOT NULL, node TEXT NOT NULL, PRIMARY KEY (pageId, id)
  ) STRICT`,
  `CREATE INDEX blocks_by_id ON blocks(id)`,
  `CREATE INDEX blocks_by_position ON blocks(pageId, position)`,
  `CREATE TABLE links (
    pageId TEXT NOT NULL REFERENCES entries(id) ON DELETE CASCADE, position INTEGER NOT NULL, blockId TEXT NOT NULL,
    target TEXT NOT NULL, words TEXT, PRIMARY KEY (pageId, position)
  ) STRICT, WITHOUT ROWID`,
  `CREATE INDEX links_by_target ON links(target)`,
  `CREATE INDEX links_by_block ON links(pageId, blockId)`,
  `CREATE TABLE tags (
    pageId TEXT NOT NULL REFERENCES entries(id) ON DELETE CASCADE, position INTEGER NOT NULL, blockId TEXT NOT NULL,
    name TEXT NOT NULL, tag TEXT NOT NULL, PRIMARY KEY (pageId, position)
  ) STRICT, WITHOUT ROWID`,
  `CREATE INDEX tags_by_tag ON tags(tag)`,
  `CREATE INDEX tags_by_block ON tags(pageId, blockId)`,
  `CREATE TABLE formerIds (
    pageId TEXT NOT NULL REFERENCES entries(id) ON DELETE CASCADE, formerId TEXT NOT NULL, blockId TEXT NOT NULL,
    PRIMARY KEY (pageId, formerId)
  ) STRICT, WITHOUT ROWID`,
  `CREATE INDEX formerIds_by_id ON formerIds(formerId)`,
  // Folded words (core/words) of title and body; the row number is the entry's.
  `CREATE VIRTUAL TABLE findIndex USING fts5(
    title, body, tokenize = "unicode61 remove_diacritics 0 categories 'L* N* M* Co'", prefix = '1 2 3'
  )`,
];

export class Foundations1790000000000 implements MigrationInterface {
  name = 'Foundations1790000000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of STATEMENTS) await runner.query(statement);
  }

  async down(): Promise<void> {
    throw new Error('The first migration is not taken back: that would delete everything.');
  }
}
