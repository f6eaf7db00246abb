import type { EntityMetadata } from 'typeorm';
import { DataSource } from 'typeorm';
import { entities } from '.';
import { makeServer, type TestedServer } from '../testing/makeServer';

/** Entities are the truth about columns and indexes: the database, as the migrations make it, agrees with them. */

let server: TestedServer;
let source: DataSource;

beforeAll(async () => {
  server = await makeServer();
  source = new DataSource({ type: 'better-sqlite3', database: ':memory:', entities });
  await source.initialize();
});
afterAll(async () => {
  await source.destroy();
  await server.stop();
});

/** Full text, and what TypeORM and SQLite keep for themselves. */
const WITHOUT_ENTITY = /^(?:findIndex.*|findVocabulary|migrations|sqlite_.*)$/u;

interface Described {
  columns: string[];
  indexes: string[];
}

const column = (name: string, type: string, isNullable: boolean, isKey: boolean, fallback: string) =>
  `${name} ${type.toLowerCase()}${isNullable ? '' : ' not null'}${isKey ? ' key' : ''}${fallback && ` default ${fallback}`}`;

const index = (isUnique: boolean, columns: readonly string[], where: string) =>
  `${isUnique ? 'unique ' : ''}(${columns.join(', ')})${where && ` where ${where}`}`;

function inDatabase(table: string): Described {
  const columns = server.rows<{ name: string; type: string; notnull: number; pk: number; dflt_value: string | null }>(
    `PRAGMA table_info("${table}")`,
  );
  const indexes = server.rows<{ name: string; unique: number; origin: string }>(`PRAGMA index_list("${table}")`);
  return {
    columns: columns
      .map(({ name, type, notnull, pk, dflt_value: fallback }) =>
        column(name, type, notnull === 0 && pk === 0, pk > 0, fallback ?? ''),
      )
      .sort(),
    indexes: indexes
      .filter(({ origin }) => origin !== 'pk')
      .map(({ name, unique }) => {
        const made = server.row<{ sql: string | null }>('SELECT sql FROM sqlite_master WHERE name = ?', name);
        const where = / WHERE (.*)$/su.exec(made?.sql ?? '')?.[1] ?? '';
        return index(
          unique === 1,
          server.rows<{ name: string }>(`PRAGMA index_info("${name}")`).map((each) => each.name),
          where,
        );
      })
      .sort(),
  };
}

function inEntity(metadata: EntityMetadata): Described {
  const fallbackOf = (value: unknown) =>
    value === undefined ? '' : typeof value === 'string' ? `'${value}'` : String(value);
  return {
    columns: metadata.columns
      .map((each) =>
        column(each.databaseName, String(each.type), each.isNullable, each.isPrimary, fallbackOf(each.default)),
      )
      .sort(),
    indexes: [
      ...metadata.indices.map((each) =>
        index(
          each.isUnique,
          each.columns.map(({ databaseName }) => databaseName),
          each.where ?? '',
        ),
      ),
      ...metadata.uniques.map((each) =>
        index(
          true,
          each.columns.map(({ databaseName }) => databaseName),
          '',
        ),
      ),
    ].sort(),
  };
}

test('every table has an entity, and every entity a table', () => {
  const tables = server
    .rows<{ name: string }>("SELECT name FROM sqlite_master WHERE type = 'table'")
    .map(({ name }) => name)
    .filter((name) => !WITHOUT_ENTITY.test(name));
  expect(tables.sort()).toEqual(source.entityMetadatas.map(({ tableName }) => tableName).sort());
});

test('columns and indexes are the same on both sides', () => {
  const describe = (of: (metadata: EntityMetadata) => Described) =>
    Object.fromEntries(source.entityMetadatas.map((metadata) => [metadata.tableName, of(metadata)]));
  expect(describe(({ tableName }) => inDatabase(tableName))).toEqual(describe(inEntity));
});
