import type { MigrationInterface, QueryRunner } from 'typeorm';
import { withoutDefaults, type FrozenNode } from './frozen/schema3';

/** Rows that are read at once: all bodies of a large account would not fit into memory. */
const AT_ONCE = 2_000;

const renewed = (json: string): string => JSON.stringify(withoutDefaults(JSON.parse(json) as FrozenNode));

/** Stored bodies and blocks leave out what is as where nothing is said: an attribute that comes later rewrites none. */
export class Canonical1790000600000 implements MigrationInterface {
  name = 'Canonical1790000600000';

  async up(runner: QueryRunner): Promise<void> {
    await this.renew(runner, 'documents', 'json');
    await this.renew(runner, 'blocks', 'node');
  }

  private async renew(runner: QueryRunner, table: string, column: string): Promise<void> {
    for (let after = 0; ;) {
      const rows = (await runner.query(
        `SELECT rowid AS row, ${column} AS json FROM ${table} WHERE rowid > ? ORDER BY rowid LIMIT ${AT_ONCE}`,
        [after],
      )) as { row: number; json: string }[];
      for (const { row, json } of rows) {
        await runner.query(`UPDATE ${table} SET ${column} = ? WHERE rowid = ?`, [renewed(json), row]);
      }
      if (rows.length < AT_ONCE) return;
      after = rows.at(-1)!.row;
    }
  }

  async down(): Promise<void> {
    throw new Error('Schema changes only add: this one is not taken back.');
  }
}
