import type { MigrationInterface, QueryRunner } from 'typeorm';

const STATEMENTS = [`ALTER TABLE tags ADD COLUMN mergedInto TEXT`, `ALTER TABLE tags ADD COLUMN deletedAt TEXT`];

/** A tag can be merged into another, or deleted: what wears it stays as it is. */
export class TagsMerged1791000300000 implements MigrationInterface {
  name = 'TagsMerged1791000300000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of STATEMENTS) await runner.query(statement);
  }

  async down(): Promise<void> {
    throw new Error('Schema changes only add: this one is not taken back.');
  }
}
