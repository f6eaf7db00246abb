import BetterSqlite3 from 'better-sqlite3';
import { existsSync, statSync } from 'node:fs';
import path from 'node:path';
import { hasAccountsIn, migrationsIn } from './bare';
import { hasAttachments, readMarker } from './marker';
import { StartError } from '../startError';

/** A database up to this size, in bytes, is looked through whole before it is opened. */
const LOOKED_THROUGH = 512 * 1024 * 1024;

/**
 * Looks at a folder's database before it is opened to be written, and changes nothing.
 *
 * @param known the names of the migrations of this version
 * @throws StartError when it is damaged, not whole, of a newer version, or gone though there were notes
 */
export function examine(folder: string, file: string, known: readonly string[]): void {
  const marker = readMarker(folder);
  const isThere = existsSync(file);
  if (isThere && marker?.isOpen && !existsSync(`${file}-wal`)) {
    throw new StartError(
      `${file} lacks its newest part, ${path.basename(file)}-wal, which was not yet joined to it. Put it back beside it. ` +
        `If it was joined by another program, delete ${path.join(folder, 'glossarion.marker')} and start again.`,
    );
  }
  const found = isThere ? read(file, known) : null;
  if (!found?.hasAccounts && (marker?.hasAccounts || hasAttachments(folder))) {
    throw new StartError(
      `There were notes in ${folder}, but its database is ${isThere ? 'empty' : 'gone'}. Put ${path.basename(file)} ` +
        'back from a copy, or name another folder to begin anew. Nothing was changed.',
    );
  }
}

function read(file: string, known: readonly string[]): { hasAccounts: boolean } {
  const damaged = (why: string) =>
    new StartError(`The database ${file} is damaged (${why}). Put it back from a copy. Nothing was changed.`);
  let database: BetterSqlite3.Database | null = null;
  try {
    // A file without a single byte, or a newer part alone, is read as an empty database.
    database = new BetterSqlite3(file, { readonly: true, fileMustExist: true });
    if (statSync(file).size <= LOOKED_THROUGH) {
      const [answer] = database.pragma('quick_check(1)') as { quick_check: string }[];
      if (answer?.quick_check !== 'ok') throw damaged(answer?.quick_check ?? 'it could not be looked through');
    }
    if (migrationsIn(database).some((name) => !known.includes(name))) {
      throw new StartError(`The notes in ${file} were last opened by a newer Glossarion. Start that one instead.`);
    }
    return { hasAccounts: hasAccountsIn(database) };
  } catch (error) {
    if (error instanceof StartError) throw error;
    const { code, message } = error as { code?: string; message: string };
    if (code === 'SQLITE_CANTOPEN' || code === 'SQLITE_READONLY') throw error;
    throw damaged(message);
  } finally {
    database?.close();
  }
}
