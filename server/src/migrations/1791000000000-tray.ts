import type { MigrationInterface, QueryRunner } from 'typeorm';

const STATEMENTS = [
  `ALTER TABLE entries ADD COLUMN period TEXT`,
  `ALTER TABLE entries ADD COLUMN jotting TEXT`,
  `ALTER TABLE entries ADD COLUMN comesBack TEXT`,
  `CREATE INDEX entries_in_tray ON entries(ownerId, begunAt) WHERE jotting IS NOT NULL`,
  `CREATE TABLE calendarAddresses (
    ownerId TEXT PRIMARY KEY REFERENCES accounts(id) ON DELETE CASCADE, hash TEXT NOT NULL UNIQUE, madeAt TEXT NOT NULL
  ) STRICT, WITHOUT ROWID`,
];

/** Jottings wait in the Tray, weeks and months have pages, and calendar programs an address. */
export class Tray1791000000000 implements MigrationInterface {
  name = 'Tray1791000000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of STATEMENTS) await runner.query(statement);
  }

  async down(): Promise<void> {
    throw new Error('Schema changes only add: this one is not taken back.');
  }
}
