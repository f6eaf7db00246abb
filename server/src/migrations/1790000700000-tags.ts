import type { MigrationInterface, QueryRunner } from 'typeorm';
import * as Y from 'yjs';
import type { FrozenNode } from './frozen/schema3';
import { foldedTag, taggedDocument, taggedNode } from './frozen/tags';

const STATEMENTS = [
  `CREATE TABLE tags (
    id TEXT PRIMARY KEY, ownerId TEXT NOT NULL REFERENCES accounts(id) ON DELETE CASCADE,
    parentId TEXT REFERENCES tags(id), name TEXT NOT NULL, folded TEXT NOT NULL, pigment TEXT, importId TEXT
  ) STRICT`,
  `CREATE INDEX tags_by_name ON tags(ownerId, parentId, folded)`,
  `CREATE INDEX tags_by_parent ON tags(parentId)`,
  `CREATE INDEX tags_by_import ON tags(importId) WHERE importId IS NOT NULL`,
  `CREATE TRIGGER tags_document AFTER DELETE ON tags BEGIN DELETE FROM documents WHERE id = OLD.id; END`,
  // Documents of which other facts are known from now on: they are written anew at the start.
  `CREATE TABLE factsDue (documentId TEXT PRIMARY KEY REFERENCES documents(id) ON DELETE CASCADE) STRICT, WITHOUT ROWID`,
  `INSERT INTO factsDue (documentId) SELECT DISTINCT documentId FROM tagUses`,
];

/** Which lines wear which tag is written anew from the bodies. */
const AFTERWARDS = [
  `DROP TABLE tagUses`,
  `CREATE TABLE tagUses (
    documentId TEXT NOT NULL REFERENCES documents(id) ON DELETE CASCADE, position INTEGER NOT NULL,
    blockId TEXT NOT NULL, tag TEXT NOT NULL, PRIMARY KEY (documentId, position)) STRICT, WITHOUT ROWID`,
  `CREATE INDEX tagUses_by_tag ON tagUses(tag)`,
  `CREATE INDEX tagUses_by_block ON tagUses(documentId, blockId)`,
  // What made pages alike names tags as they were; it is found again when it is looked for.
  `DELETE FROM kin`,
  `DELETE FROM kinMade`,
];

interface Use {
  documentId: string;
  accountId: string;
  name: string;
}

/** Tags are rows, and lines hold their ids. */
export class Tags1790000700000 implements MigrationInterface {
  name = 'Tags1790000700000';

  /** The ids of tags by account and folded path. */
  private ids = new Map<string, string>();

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of STATEMENTS) await runner.query(statement);
    const uses = (await runner.query(
      `SELECT t.documentId, e.ownerId AS accountId, t.name FROM tagUses t JOIN entries e ON e.id = t.documentId
       ORDER BY e.row, t.position`,
    )) as Use[];
    for (const { accountId, name } of uses) await this.tagOf(runner, accountId, name);
    const accounts = new Map(uses.map(({ documentId, accountId }) => [documentId, accountId]));
    for (const [documentId, accountId] of accounts) await this.renewBody(runner, documentId, accountId);
    await this.renewFilters(runner);
    for (const statement of AFTERWARDS) await runner.query(statement);
  }

  /** The tag of a name, made with all that it stands beneath; null when no name is left. */
  private async tagOf(runner: QueryRunner, accountId: string, typed: string): Promise<string | null> {
    let parentId: string | null = null;
    let key = accountId;
    for (const part of typed.replace(/^#/u, '').split('/')) {
      const name = part.replace(/\s+/gu, ' ').trim();
      if (name === '') continue;
      key += `/${foldedTag(name)}`;
      let id = this.ids.get(key);
      if (id === undefined) {
        const [{ made }] = (await runner.query(NEW_ID)) as [{ made: string }];
        id = made;
        this.ids.set(key, id);
        await runner.query(`INSERT INTO tags (id, ownerId, parentId, name, folded) VALUES (?, ?, ?, ?, ?)`, [
          id,
          accountId,
          parentId,
          name,
          foldedTag(name),
        ]);
        await this.beginDocument(runner, id);
      }
      parentId = id;
    }
    return parentId;
  }

  /** What describes a tag: one empty line so far. */
  private async beginDocument(runner: QueryRunner, id: string): Promise<void> {
    const [{ made }] = (await runner.query(NEW_ID)) as [{ made: string }];
    const json = JSON.stringify({ type: 'doc', content: [{ type: 'block', attrs: { id: made } }] });
    await runner.query(`INSERT INTO documents (id, holder, json) VALUES (?, 'tag', ?)`, [id, json]);
    await runner.query(`INSERT INTO factsDue (documentId) VALUES (?)`, [id]);
  }

  /** Gives the tags of a body their ids: in its JSON, and by one more update where somebody has written in it. */
  private async renewBody(runner: QueryRunner, documentId: string, accountId: string): Promise<void> {
    const tagOf = (name: string): string | null => this.ids.get(keyOf(accountId, name)) ?? null;
    const [{ json, state }] = (await runner.query(`SELECT json, state FROM documents WHERE id = ?`, [documentId])) as [
      { json: string; state: Buffer | null },
    ];
    const renewed = JSON.stringify(taggedNode(JSON.parse(json) as FrozenNode, tagOf));
    await runner.query(`UPDATE documents SET json = ? WHERE id = ?`, [renewed, documentId]);
    if (!state) return;
    const updates = (await runner.query(`SELECT data FROM updates WHERE documentId = ? ORDER BY number`, [
      documentId,
    ])) as { data: Buffer }[];
    const document = new Y.Doc({ gc: false });
    for (const data of [state, ...updates.map((each) => each.data)]) Y.applyUpdate(document, data);
    const before = Y.encodeStateVector(document);
    taggedDocument(document, tagOf);
    const update = Buffer.from(Y.encodeStateAsUpdate(document, before));
    await runner.query(`INSERT INTO updates (documentId, data) VALUES (?, ?)`, [documentId, update]);
  }

  /** Margins that are filtered by a tag go on so. */
  private async renewFilters(runner: QueryRunner): Promise<void> {
    const rows = (await runner.query(`SELECT ownerId, value FROM settings WHERE key = 'margins'`)) as {
      ownerId: string;
      value: string;
    }[];
    for (const { ownerId, value } of rows) {
      const margins = JSON.parse(value) as Record<string, { tag?: string }>;
      for (const margin of Object.values(margins)) {
        if (margin.tag === undefined) continue;
        const tag = this.ids.get(keyOf(ownerId, margin.tag));
        if (tag === undefined) delete margin.tag;
        else margin.tag = tag;
      }
      await runner.query(`UPDATE settings SET value = ? WHERE ownerId = ? AND key = 'margins'`, [
        JSON.stringify(margins),
        ownerId,
      ]);
    }
  }

  async down(): Promise<void> {
    throw new Error('Schema changes only add: this one is not taken back.');
  }
}

const keyOf = (accountId: string, typed: string): string =>
  [
    accountId,
    ...typed
      .replace(/^#/u, '')
      .split('/')
      .map((part) => part.replace(/\s+/gu, ' ').trim())
      .filter((name) => name !== '')
      .map(foldedTag),
  ].join('/');

/** An id of the form that others have (UUID version 7, RFC 9562), without the order in time. */
const NEW_ID = `
  SELECT lower(substr(h, 1, 8) || '-' || substr(h, 9, 4) || '-7' || substr(h, 14, 3) || '-8' || substr(h, 18, 3) || '-'
    || substr(h, 21, 12)) AS made FROM (SELECT hex(randomblob(16)) AS h)`;
