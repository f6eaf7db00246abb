import type { MigrationInterface, QueryRunner } from 'typeorm';

/** It can be said in which languages notes are written. */
export class CountedLanguages1791000500000 implements MigrationInterface {
  name = 'CountedLanguages1791000500000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE countedLanguages (
      accountId TEXT NOT NULL PRIMARY KEY REFERENCES accounts(id) ON DELETE CASCADE, languages TEXT NOT NULL,
      before TEXT NOT NULL, countedTo INTEGER
    ) STRICT`);
  }

  async down(): Promise<void> {
    throw new Error('Schema changes only add: this one is not taken back.');
  }
}
