import type { MigrationInterface, QueryRunner } from 'typeorm';

const STATEMENTS = [
  // Other names of a page: it is found and linked by any of them.
  `CREATE TABLE otherNames (
    pageId TEXT NOT NULL REFERENCES entries(id) ON DELETE CASCADE, position INTEGER NOT NULL, name TEXT NOT NULL,
    PRIMARY KEY (pageId, position)
  ) STRICT, WITHOUT ROWID`,
  // The page this one was merged into: links to this one lead there.
  `ALTER TABLE entries ADD COLUMN mergedInto TEXT`,
  `CREATE INDEX entries_by_merging ON entries(mergedInto) WHERE mergedInto IS NOT NULL`,
  // Lines that name something without a link, by the name as it is compared; found in the background.
  `CREATE TABLE mentions (
    name TEXT NOT NULL, pageId TEXT NOT NULL REFERENCES entries(id) ON DELETE CASCADE,
    blockId TEXT NOT NULL, places TEXT NOT NULL, PRIMARY KEY (name, pageId, blockId)
  ) STRICT, WITHOUT ROWID`,
  `CREATE INDEX mentions_by_page ON mentions(pageId)`,
  // Pages whose lines have to be looked through (again); the number tells whether they changed meanwhile.
  `CREATE TABLE mentionsDue (
    pageId TEXT PRIMARY KEY REFERENCES entries(id) ON DELETE CASCADE, ownerId TEXT NOT NULL, number INTEGER NOT NULL
  ) STRICT, WITHOUT ROWID`,
  `CREATE INDEX mentionsDue_by_number ON mentionsDue(number)`,
  // Names that came or went: the pages that hold their words have to be looked through again.
  `CREATE TABLE namesDue (
    number INTEGER PRIMARY KEY AUTOINCREMENT, ownerId TEXT NOT NULL, pageId TEXT NOT NULL, name TEXT NOT NULL
  ) STRICT`,
  // Lines that shall never be offered again as naming a page.
  `CREATE TABLE unlinked (
    targetId TEXT NOT NULL REFERENCES entries(id) ON DELETE CASCADE,
    pageId TEXT NOT NULL REFERENCES entries(id) ON DELETE CASCADE, blockId TEXT NOT NULL,
    PRIMARY KEY (targetId, pageId, blockId)
  ) STRICT, WITHOUT ROWID`,
  // Pages alike, as they were found last; without a row in kinMade it has to be found again.
  `CREATE TABLE kin (
    pageId TEXT NOT NULL REFERENCES entries(id) ON DELETE CASCADE, place INTEGER NOT NULL,
    otherId TEXT NOT NULL REFERENCES entries(id) ON DELETE CASCADE, likeness REAL NOT NULL, why TEXT NOT NULL,
    PRIMARY KEY (pageId, place)
  ) STRICT, WITHOUT ROWID`,
  `CREATE INDEX kin_by_other ON kin(otherId)`,
  `CREATE TABLE kinMade (
    pageId TEXT PRIMARY KEY REFERENCES entries(id) ON DELETE CASCADE, madeAt TEXT NOT NULL
  ) STRICT, WITHOUT ROWID`,
  // How many pages hold each word, as the index knows it.
  `CREATE VIRTUAL TABLE findVocabulary USING fts5vocab(findIndex, 'row')`,
  `INSERT INTO mentionsDue (pageId, ownerId, number)
   SELECT id, ownerId, row FROM entries WHERE kind = 'page'`,
];

export class Links1790000300000 implements MigrationInterface {
  name = 'Links1790000300000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of STATEMENTS) await runner.query(statement);
  }

  async down(): Promise<void> {
    throw new Error('Schema changes only add: this one is not taken back.');
  }
}
