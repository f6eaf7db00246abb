import BetterSqlite3 from 'better-sqlite3';
import path from 'node:path';
import { StartError } from '../startError';

/** How long another server that is just ending is waited for, in milliseconds. */
const PATIENCE = 3_000;

/**
 * Keeps a folder for this server alone. The lock is an exclusive transaction on a file of its own: the operating
 * system lets go of it when the process ends, in whatever way.
 *
 * @throws StartError when another server has it
 */
export function lockFolder(folder: string): () => void {
  const file = new BetterSqlite3(path.join(folder, 'glossarion.lock'), { timeout: PATIENCE });
  try {
    file.exec('BEGIN EXCLUSIVE');
  } catch (error) {
    file.close();
    if (String((error as { code?: string }).code).startsWith('SQLITE_BUSY')) {
      throw new StartError(`Another Glossarion serves the notes in ${folder}. Stop it first, or name another folder.`);
    }
    throw error;
  }
  return () => file.close();
}
