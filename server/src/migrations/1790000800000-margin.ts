import type { MigrationInterface, QueryRunner } from 'typeorm';

const STATEMENTS = [
  // Where each gloss stands, as it was found last: a row goes when what it was found from changes.
  `CREATE TABLE glossPlaces (
    targetId TEXT NOT NULL REFERENCES documents(id) ON DELETE CASCADE,
    documentId TEXT NOT NULL REFERENCES documents(id) ON DELETE CASCADE,
    blockId TEXT NOT NULL, lineId TEXT, score REAL NOT NULL,
    PRIMARY KEY (targetId, documentId, blockId)
  ) STRICT, WITHOUT ROWID`,
  `CREATE INDEX glossPlaces_by_document ON glossPlaces(documentId)`,
  // Where somebody moved one to; nothing for the head of the page.
  `CREATE TABLE movedGlosses (
    targetId TEXT NOT NULL REFERENCES entries(id) ON DELETE CASCADE,
    blockId TEXT NOT NULL, lineId TEXT,
    PRIMARY KEY (targetId, blockId)
  ) STRICT, WITHOUT ROWID`,
];

/** Glosses keep their places. */
export class Margin1790000800000 implements MigrationInterface {
  name = 'Margin1790000800000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of STATEMENTS) await runner.query(statement);
  }

  async down(): Promise<void> {
    throw new Error('Schema changes only add: this one is not taken back.');
  }
}
