import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * A table made anew: SQLite can't give a column another reference. The new one is made and filled under another name
 * and takes the old one's, with its indexes (https://www.sqlite.org/lang_altertable.html, "Making Other Kinds Of Table
 * Schema Changes").
 */
const remade = (from: string, to: string, definition: string, columns: string, values = columns): string[] => [
  `CREATE TABLE remade (${definition}`,
  `INSERT INTO remade (${columns}) SELECT ${values} FROM ${from} WHERE pageId IN (SELECT id FROM documents)`,
  `DROP TABLE ${from}`,
  `ALTER TABLE remade RENAME TO ${to}`,
];

const OF_DOCUMENT = 'documentId TEXT NOT NULL REFERENCES documents(id) ON DELETE CASCADE';

const STATEMENTS = [
  // Bodies hang under anything: a document has the id of what it belongs to, and goes with it.
  `CREATE TABLE documents (
    id TEXT PRIMARY KEY, holder TEXT NOT NULL DEFAULT 'page', json TEXT NOT NULL, state BLOB,
    epoch INTEGER NOT NULL DEFAULT 1
  ) STRICT`,
  `INSERT INTO documents (id, json, state, epoch) SELECT pageId, json, state, epoch FROM bodies`,
  `DROP TABLE bodies`,
  `CREATE TRIGGER entries_document AFTER DELETE ON entries BEGIN DELETE FROM documents WHERE id = OLD.id; END`,
  ...remade(
    'updates',
    'updates',
    `number INTEGER PRIMARY KEY AUTOINCREMENT, ${OF_DOCUMENT}, data BLOB NOT NULL) STRICT`,
    'number, documentId, data',
    'number, pageId, data',
  ),
  `CREATE INDEX updates_by_document ON updates(documentId, number)`,
  ...remade(
    'removals',
    'removals',
    `${OF_DOCUMENT}, client INTEGER NOT NULL, clock INTEGER NOT NULL, ranges TEXT NOT NULL,
     PRIMARY KEY (documentId, client, clock)) STRICT, WITHOUT ROWID`,
    'documentId, client, clock, ranges',
    'pageId, client, clock, ranges',
  ),
  // Facts, derived from the bodies (core/document/facts).
  ...remade(
    'blocks',
    'blocks',
    `${OF_DOCUMENT}, id TEXT NOT NULL, parentId TEXT, headingId TEXT, position INTEGER NOT NULL, depth INTEGER NOT NULL,
     kind TEXT NOT NULL, state TEXT, words TEXT NOT NULL, node TEXT NOT NULL, PRIMARY KEY (documentId, id)) STRICT`,
    'documentId, id, parentId, headingId, position, depth, kind, state, words, node',
    'pageId, id, parentId, headingId, position, depth, kind, state, words, node',
  ),
  `CREATE INDEX blocks_by_id ON blocks(id)`,
  `CREATE INDEX blocks_by_position ON blocks(documentId, position)`,
  `CREATE INDEX blocks_open_tasks ON blocks(documentId, position) WHERE kind = 'todo' AND state IN ('open', 'begun')`,
  ...remade(
    'links',
    'links',
    `${OF_DOCUMENT}, position INTEGER NOT NULL, blockId TEXT NOT NULL, target TEXT NOT NULL, words TEXT,
     PRIMARY KEY (documentId, position)) STRICT, WITHOUT ROWID`,
    'documentId, position, blockId, target, words',
    'pageId, position, blockId, target, words',
  ),
  `CREATE INDEX links_by_target ON links(target)`,
  `CREATE INDEX links_by_block ON links(documentId, blockId)`,
  // Which lines wear which tag.
  ...remade(
    'tags',
    'tagUses',
    `${OF_DOCUMENT}, position INTEGER NOT NULL, blockId TEXT NOT NULL, name TEXT NOT NULL, tag TEXT NOT NULL,
     PRIMARY KEY (documentId, position)) STRICT, WITHOUT ROWID`,
    'documentId, position, blockId, name, tag',
    'pageId, position, blockId, name, tag',
  ),
  `CREATE INDEX tagUses_by_tag ON tagUses(tag)`,
  `CREATE INDEX tagUses_by_block ON tagUses(documentId, blockId)`,
  ...remade(
    'fileUses',
    'fileUses',
    `${OF_DOCUMENT}, blockId TEXT NOT NULL, fileId TEXT NOT NULL, PRIMARY KEY (documentId, blockId)
     ) STRICT, WITHOUT ROWID`,
    'documentId, blockId, fileId',
    'pageId, blockId, fileId',
  ),
  `CREATE INDEX fileUses_by_file ON fileUses(fileId)`,
  ...remade(
    'formerIds',
    'formerIds',
    `${OF_DOCUMENT}, formerId TEXT NOT NULL, blockId TEXT NOT NULL, PRIMARY KEY (documentId, formerId)
     ) STRICT, WITHOUT ROWID`,
    'documentId, formerId, blockId',
    'pageId, formerId, blockId',
  ),
  `CREATE INDEX formerIds_by_id ON formerIds(formerId)`,
  // Lines that name something without a link, by the name as it is compared; found in the background.
  ...remade(
    'mentions',
    'alsoNamed',
    `name TEXT NOT NULL, ${OF_DOCUMENT}, blockId TEXT NOT NULL, places TEXT NOT NULL,
     PRIMARY KEY (name, documentId, blockId)) STRICT, WITHOUT ROWID`,
    'name, documentId, blockId, places',
    'name, pageId, blockId, places',
  ),
  `CREATE INDEX alsoNamed_by_document ON alsoNamed(documentId)`,
  // Documents whose lines have to be looked through (again); the number tells whether they changed meanwhile.
  ...remade(
    'mentionsDue',
    'alsoNamedDue',
    `documentId TEXT PRIMARY KEY REFERENCES documents(id) ON DELETE CASCADE, number INTEGER NOT NULL
     ) STRICT, WITHOUT ROWID`,
    'documentId, number',
    'pageId, number',
  ),
  `CREATE INDEX alsoNamedDue_by_number ON alsoNamedDue(number)`,
  // Lines that shall never be offered again as naming something.
  ...remade(
    'unlinked',
    'unlinked',
    `targetId TEXT NOT NULL REFERENCES entries(id) ON DELETE CASCADE, ${OF_DOCUMENT}, blockId TEXT NOT NULL,
     PRIMARY KEY (targetId, documentId, blockId)) STRICT, WITHOUT ROWID`,
    'targetId, documentId, blockId',
    'targetId, pageId, blockId',
  ),
  // Names that came or went: what holds their words has to be looked through again.
  ...remade(
    'namesDue',
    'namesDue',
    `number INTEGER PRIMARY KEY AUTOINCREMENT, pageId TEXT NOT NULL, name TEXT NOT NULL) STRICT`,
    'number, pageId, name',
  ),
  `ALTER TABLE daySeeds RENAME TO dayBeginnings`,
  // What came in together. While the import is among those under way, nobody sees it.
  `ALTER TABLE entries ADD COLUMN importId TEXT`,
  `CREATE TABLE importsUnderWay (
    id TEXT PRIMARY KEY, ownerId TEXT NOT NULL REFERENCES accounts(id) ON DELETE CASCADE, begunAt TEXT NOT NULL
  ) STRICT, WITHOUT ROWID`,
  // What an account was given to see of another one: an entry with all that stands beneath it.
  `CREATE TABLE grants (
    accountId TEXT NOT NULL REFERENCES accounts(id) ON DELETE CASCADE,
    entryId TEXT NOT NULL REFERENCES entries(id) ON DELETE CASCADE,
    mayWrite INTEGER NOT NULL DEFAULT 0, PRIMARY KEY (accountId, entryId)
  ) STRICT, WITHOUT ROWID`,
];

/** Lets bodies, and all that is known of them, hang under anything; ground for what is shared and for imports in pieces. */
export class Documents1790000500000 implements MigrationInterface {
  name = 'Documents1790000500000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of STATEMENTS) await runner.query(statement);
  }

  async down(): Promise<void> {
    throw new Error('Schema changes only add: this one is not taken back.');
  }
}
