import type { MigrationInterface, QueryRunner } from 'typeorm';

/** An import counts the words of many pages together: of one that is under way it is said how far that has come. */
export class CountedImports1791000600000 implements MigrationInterface {
  name = 'CountedImports1791000600000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE importsUnderWay ADD COLUMN countedTo INTEGER');
  }

  async down(): Promise<void> {
    throw new Error('Schema changes only add: this one is not taken back.');
  }
}
