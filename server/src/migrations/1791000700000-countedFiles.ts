import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The words of files are counted: of those that were read before, they are from now on. */
export class CountedFiles1791000700000 implements MigrationInterface {
  name = 'CountedFiles1791000700000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE attachmentTexts ADD COLUMN countedTo INTEGER');
    await runner.query("UPDATE attachmentTexts SET countedTo = 0 WHERE words != ''");
  }

  async down(): Promise<void> {
    throw new Error('Schema changes only add: this one is not taken back.');
  }
}
