import { DataSource } from 'typeorm';
import { entities } from '../entities';
import type { RawDatabase } from '../sqlite/prepared';

/** Opens a database to be read alone: by repositories, and on the very connection that these use. */
export async function openToRead(file: string): Promise<{ source: DataSource; reader: RawDatabase }> {
  let reader: RawDatabase | undefined;
  const source = new DataSource({
    type: 'better-sqlite3',
    database: file,
    readonly: true,
    fileMustExist: true,
    entities,
    synchronize: false,
    prepareDatabase: (connection: RawDatabase) => {
      reader = connection;
      connection.pragma('cache_size = -65536');
    },
  });
  await source.initialize();
  return { source, reader: reader! };
}
