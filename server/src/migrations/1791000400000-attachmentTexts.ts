import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What is written in attachments is kept, to be found. */
export class AttachmentTexts1791000400000 implements MigrationInterface {
  name = 'AttachmentTexts1791000400000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE attachmentTexts (
      fileId TEXT NOT NULL PRIMARY KEY REFERENCES attachments(id) ON DELETE CASCADE, text TEXT NOT NULL,
      words TEXT NOT NULL, tries INTEGER NOT NULL DEFAULT 0
    ) STRICT`);
  }

  async down(): Promise<void> {
    throw new Error('Schema changes only add: this one is not taken back.');
  }
}
