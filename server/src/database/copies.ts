import BetterSqlite3 from 'better-sqlite3';
import { closeSync, existsSync, fsyncSync, openSync, readdirSync, renameSync, rmSync } from 'node:fs';
import path from 'node:path';
import { StartError } from '../startError';
import { migrationsIn } from './bare';
import { troubleOf } from './trouble';

/** How copies that are made before the database is renewed are called, by the last migration that they have. */
const COPY = /^glossarion\.before-renewal-after-\w+\.sqlite(?:\.part)?$/u;

/**
 * Copies a database before it is renewed: should anything go wrong, the notes as they were are beside it. A copy that
 * is there already, since an earlier start was broken off, is the better one, and stays.
 *
 * @param known the names of the migrations of this version, in their order
 * @returns whether there is anything to be renewed
 * @throws StartError when there is no room for the copy; nothing was changed then
 */
export function copyBeforeMigrations(folder: string, file: string, known: readonly string[]): boolean {
  if (!existsSync(file)) return false;
  const database = new BetterSqlite3(file, { readonly: true });
  try {
    const done = new Set(migrationsIn(database));
    const last = known.findLast((name) => done.has(name));
    if (!last || known.every((name) => done.has(name))) return false;
    const copy = path.join(folder, `glossarion.before-renewal-after-${last}.sqlite`);
    if (existsSync(copy)) return true;
    const part = `${copy}.part`;
    rmSync(part, { force: true });
    try {
      database.prepare('VACUUM INTO ?').run(part);
    } catch (error) {
      rmSync(part, { force: true });
      if (troubleOf(error)?.status !== 507) throw error;
      throw new StartError(
        `There is no room in ${folder} for a copy of the notes, which is made before they are renewed for this version. ` +
          'Make room for once more what they take, and start again. Nothing was changed.',
      );
    }
    const descriptor = openSync(part, 'r');
    fsyncSync(descriptor);
    closeSync(descriptor);
    renameSync(part, copy);
    return true;
  } finally {
    database.close();
  }
}

/** Deletes the copies that were made before the database was renewed. */
export function dropCopies(folder: string): void {
  for (const name of readdirSync(folder)) if (COPY.test(name)) rmSync(path.join(folder, name), { force: true });
}
