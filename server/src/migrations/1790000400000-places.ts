import { newId } from '@glossarion/core/document';
import type { MigrationInterface, QueryRunner } from 'typeorm';

interface Row {
  id: string;
  ownerId: string;
  kind: 'page' | 'section';
  pagesBeneath: number;
  sectionsBeneath: number;
}

/**
 * Mends what earlier versions could leave behind: pages that came back after their notebook was deleted for good and
 * stood in nothing come to a notebook named for it, and pages that were merged into each other, or into what is gone,
 * stand for themselves again.
 */
export class Places1790000400000 implements MigrationInterface {
  name = 'Places1790000400000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`UPDATE entries SET mergedInto = NULL WHERE mergedInto IS NOT NULL AND (
      NOT EXISTS (SELECT 1 FROM entries e WHERE e.id = entries.mergedInto)
      OR id IN (WITH RECURSIVE led(start, id) AS (
        SELECT id, mergedInto FROM entries WHERE mergedInto IS NOT NULL
        UNION SELECT led.start, e.mergedInto FROM led JOIN entries e ON e.id = led.id WHERE e.mergedInto IS NOT NULL
      ) SELECT start FROM led WHERE start = id))`);
    const lost = (await runner.query(
      `SELECT id, ownerId, kind, pagesBeneath, sectionsBeneath FROM entries
       WHERE parentId IS NULL AND kind != 'notebook' AND day IS NULL AND deletedAt IS NULL ORDER BY row`,
    )) as Row[];
    for (const ownerId of new Set(lost.map((row) => row.ownerId))) {
      const own = lost.filter((row) => row.ownerId === ownerId);
      const id = newId();
      const now = new Date().toISOString();
      const sum = (count: (row: Row) => number) => own.reduce((total, row) => total + count(row), 0);
      await runner.query(
        `INSERT INTO entries (id, ownerId, kind, parentId, orderKey, name, pigment, description, begunAt, changedAt,
           pagesBeneath, sectionsBeneath)
         SELECT ?, ?, 'notebook', NULL, COALESCE(MAX(orderKey), 'a0') || 'V', 'Brought back', 'slate', ?, ?, ?, ?, ?
         FROM entries WHERE ownerId = ? AND parentId IS NULL AND day IS NULL`,
        [
          id,
          ownerId,
          'Holds what came back from the bin when its own notebook was not there any more.',
          now,
          now,
          sum((row) => row.pagesBeneath + Number(row.kind === 'page')),
          sum((row) => row.sectionsBeneath + Number(row.kind === 'section')),
          ownerId,
        ],
      );
      await runner.query(
        `INSERT INTO findIndex (rowid, title, body) SELECT row, 'brought back', '' FROM entries WHERE id = ?`,
        [id],
      );
      for (const row of own) await runner.query('UPDATE entries SET parentId = ? WHERE id = ?', [id, row.id]);
    }
  }

  async down(): Promise<void> {
    throw new Error('What was mended is not broken again.');
  }
}
