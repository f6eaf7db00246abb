import type { MigrationInterface, QueryRunner } from 'typeorm';
import { withAllAttributes, type FrozenNode } from './frozen/schema3';

const STATEMENTS = [
  // What was attached, once for each content and owner; the content itself is a file named by its hash.
  `CREATE TABLE attachments (
    id TEXT PRIMARY KEY, ownerId TEXT NOT NULL REFERENCES accounts(id) ON DELETE CASCADE,
    hash TEXT NOT NULL, name TEXT NOT NULL, media TEXT NOT NULL, size INTEGER NOT NULL, madeAt TEXT NOT NULL,
    unusedSince TEXT,
    UNIQUE (ownerId, hash)
  ) STRICT, WITHOUT ROWID`,
  `CREATE INDEX attachments_by_hash ON attachments(hash)`,
  // Which blocks show which attachments: a fact of the bodies.
  `CREATE TABLE fileUses (
    pageId TEXT NOT NULL REFERENCES entries(id) ON DELETE CASCADE,
    blockId TEXT NOT NULL, fileId TEXT NOT NULL, PRIMARY KEY (pageId, blockId)
  ) STRICT, WITHOUT ROWID`,
  `CREATE INDEX fileUses_by_file ON fileUses(fileId)`,
  `ALTER TABLE entries ADD COLUMN isTemplate INTEGER NOT NULL DEFAULT 0`,
  // The template of pages made in a section or beneath a page, unless another is chosen.
  `ALTER TABLE entries ADD COLUMN templateId TEXT`,
  // The template that a page was made from.
  `ALTER TABLE entries ADD COLUMN madeFrom TEXT`,
  // What a day begins with, from when it was first shown until it is written: all windows must begin alike.
  `CREATE TABLE daySeeds (
    pageId TEXT PRIMARY KEY, ownerId TEXT NOT NULL REFERENCES accounts(id) ON DELETE CASCADE, json TEXT NOT NULL
  ) STRICT, WITHOUT ROWID`,
  `CREATE INDEX entries_templates ON entries(ownerId) WHERE isTemplate = 1`,
  `CREATE INDEX entries_made_from ON entries(madeFrom) WHERE madeFrom IS NOT NULL`,
];

/** A stored node with the attributes that came with this version, at their defaults. */
const renewed = (json: string): string => JSON.stringify(withAllAttributes(JSON.parse(json) as FrozenNode));

export class Writing1790000200000 implements MigrationInterface {
  name = 'Writing1790000200000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of STATEMENTS) await runner.query(statement);
    const bodies = (await runner.query('SELECT pageId, json FROM bodies')) as { pageId: string; json: string }[];
    for (const { pageId, json } of bodies) {
      await runner.query('UPDATE bodies SET json = ? WHERE pageId = ?', [renewed(json), pageId]);
    }
    const blocks = (await runner.query('SELECT pageId, id, node FROM blocks')) as {
      pageId: string;
      id: string;
      node: string;
    }[];
    for (const { pageId, id, node } of blocks) {
      await runner.query('UPDATE blocks SET node = ? WHERE pageId = ? AND id = ?', [renewed(node), pageId, id]);
    }
  }

  async down(): Promise<void> {
    throw new Error('Schema changes only add: this one is not taken back.');
  }
}
