import { copyFile, readdir, realpath } from 'node:fs/promises';
import path from 'node:path';
import type { Config } from '../config';
import { notFound, Problem } from '../problem';
import { writeZip, type ZipEntry } from './exports/zip';

/** Files that are packed in one piece. */
const PIECE = 60;

/**
 * A folder of the server's from which notes may be taken in, where whoever runs it has set one: each folder and each zip
 * in it can be chosen by its name. Links on the disk are not followed, so that nothing outside of it is read.
 */
export class ServerFolder {
  constructor(private config: Pick<Config, 'imports'>) {}

  /** What can be chosen, by the alphabet; nothing where no folder is set. */
  async names(): Promise<string[]> {
    const { imports: folder } = this.config;
    if (folder === null) return [];
    const entries = await readdir(folder, { withFileTypes: true }).catch(() => []);
    return entries
      .filter((entry) => !entry.name.startsWith('.') && (entry.isDirectory() || (entry.isFile() && isZip(entry.name))))
      .map(({ name }) => name)
      .sort((one, other) => one.localeCompare(other));
  }

  /**
   * Packs what was chosen as an archive, of which no more is held than one piece.
   *
   * @throws Problem: 404 when there is nothing of that name, 507 when the disk is full
   */
  async pack(name: string, target: string, signal: AbortSignal): Promise<void> {
    if (!(await this.names()).includes(name)) throw notFound();
    const chosen = path.join(await realpath(this.config.imports!), name);
    try {
      if (isZip(name)) await copyFile(chosen, target);
      else await writeZip(target, piecesOf(chosen), signal);
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'ENOSPC') throw error;
      throw new Problem(507, 'There is no room left on this server.');
    }
  }
}

const isZip = (name: string): boolean => /\.zip$/iu.test(name);

async function* piecesOf(folder: string): AsyncGenerator<ZipEntry[]> {
  let piece: ZipEntry[] = [];
  for await (const file of filesUnder(folder)) {
    piece.push({ path: path.relative(folder, file).split(path.sep).join('/'), from: file, at: new Date() });
    if (piece.length < PIECE) continue;
    yield piece;
    piece = [];
  }
  yield piece;
}

async function* filesUnder(folder: string): AsyncGenerator<string> {
  const entries = await readdir(folder, { withFileTypes: true });
  for (const entry of entries) {
    const each = path.join(folder, entry.name);
    if (entry.isDirectory()) yield* filesUnder(each);
    else if (entry.isFile()) yield each;
  }
}
