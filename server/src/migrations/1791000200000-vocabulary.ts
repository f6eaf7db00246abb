import type { MigrationInterface, QueryRunner } from 'typeorm';

const STATEMENTS = [
  `CREATE TABLE vocabulary (
    ownerId TEXT NOT NULL REFERENCES accounts(id) ON DELETE CASCADE, word TEXT NOT NULL, language TEXT NOT NULL,
    stem TEXT NOT NULL, lines INTEGER NOT NULL, PRIMARY KEY (ownerId, word, language, stem)
  ) STRICT, WITHOUT ROWID`,
  `CREATE INDEX vocabulary_by_stem ON vocabulary(ownerId, language, stem)`,
  `CREATE TRIGGER vocabulary_none_left AFTER UPDATE ON vocabulary WHEN NEW.lines <= 0 BEGIN
    DELETE FROM vocabulary WHERE ownerId = NEW.ownerId AND word = NEW.word AND language = NEW.language AND stem = NEW.stem;
  END`,
  `CREATE TABLE savedSearches (
    ownerId TEXT NOT NULL REFERENCES accounts(id) ON DELETE CASCADE, id TEXT NOT NULL, name TEXT NOT NULL,
    line TEXT NOT NULL, orderKey TEXT NOT NULL, PRIMARY KEY (ownerId, id)
  ) STRICT, WITHOUT ROWID`,
  // The index knows what lines link to and what fields hold; words are counted as they are written anew.
  `DELETE FROM findIndex WHERE rowid IN (SELECT row FROM entries WHERE kind = 'page')`,
  `INSERT OR IGNORE INTO factsDue (documentId) SELECT id FROM documents WHERE holder = 'page'`,
];

/** The words of an account are known, with their forms: what is searched for is found by slips too. Searches are saved. */
export class Vocabulary1791000200000 implements MigrationInterface {
  name = 'Vocabulary1791000200000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of STATEMENTS) await runner.query(statement);
  }

  async down(): Promise<void> {
    throw new Error('Schema changes only add: this one is not taken back.');
  }
}
