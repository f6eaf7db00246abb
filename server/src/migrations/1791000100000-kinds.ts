import type { MigrationInterface, QueryRunner } from 'typeorm';

const OF_A_DOCUMENT = 'documentId TEXT NOT NULL REFERENCES documents(id) ON DELETE CASCADE';
const OWNED = 'ownerId TEXT NOT NULL REFERENCES accounts(id) ON DELETE CASCADE';

const STATEMENTS = [
  `CREATE TABLE kinds (
    id TEXT PRIMARY KEY, ${OWNED}, name TEXT NOT NULL, broaderId TEXT, pigment TEXT,
    templateId TEXT, placeId TEXT, homeId TEXT, isDeleted INTEGER NOT NULL DEFAULT 0
  ) STRICT, WITHOUT ROWID`,
  `CREATE INDEX kinds_by_owner ON kinds(ownerId)`,
  `CREATE TABLE fields (
    id TEXT PRIMARY KEY, ${OWNED}, kindId TEXT NOT NULL, name TEXT NOT NULL, type TEXT NOT NULL,
    orderKey TEXT NOT NULL, unit TEXT NOT NULL DEFAULT '', choices TEXT NOT NULL, ofKind TEXT,
    isDeleted INTEGER NOT NULL DEFAULT 0
  ) STRICT, WITHOUT ROWID`,
  `CREATE INDEX fields_by_owner ON fields(ownerId)`,
  `CREATE TABLE kindUses (
    ${OF_A_DOCUMENT}, position INTEGER NOT NULL, kind TEXT NOT NULL, PRIMARY KEY (documentId, position)
  ) STRICT, WITHOUT ROWID`,
  `CREATE INDEX kindUses_by_kind ON kindUses(kind)`,
  `CREATE TABLE fieldValues (
    ${OF_A_DOCUMENT}, position INTEGER NOT NULL, field TEXT NOT NULL, part TEXT NOT NULL, words TEXT NOT NULL,
    amount REAL, PRIMARY KEY (documentId, position)
  ) STRICT, WITHOUT ROWID`,
  `CREATE INDEX fieldValues_by_field ON fieldValues(field)`,
  // Links stand in lines until now, all of them.
  `ALTER TABLE links ADD COLUMN ofField INTEGER NOT NULL DEFAULT 0`,
];

/** Pages are of kinds, and hold fields beside their text. */
export class Kinds1791000100000 implements MigrationInterface {
  name = 'Kinds1791000100000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of STATEMENTS) await runner.query(statement);
  }

  async down(): Promise<void> {
    throw new Error('Schema changes only add: this one is not taken back.');
  }
}
