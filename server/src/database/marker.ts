import { closeSync, existsSync, fsyncSync, openSync, readdirSync, readFileSync, renameSync, writeSync } from 'node:fs';
import path from 'node:path';

/**
 * What a folder remembers beside its database, so that one that has lost it is not begun anew in silence: that there
 * are accounts, and whether the last server that used it closed the database in order.
 */
export interface Marker {
  hasAccounts: boolean;
  isOpen: boolean;
}

const NAME = 'glossarion.marker';

/** Null when the folder has none, or one that makes no sense. */
export function readMarker(folder: string): Marker | null {
  try {
    const read = JSON.parse(readFileSync(path.join(folder, NAME), 'utf8')) as Partial<Marker>;
    return { hasAccounts: read.hasAccounts === true, isOpen: read.isOpen === true };
  } catch {
    return null;
  }
}

/** Writes it so that it is there whole or not at all. */
export function writeMarker(folder: string, marker: Marker): void {
  const temporary = path.join(folder, `${NAME}.new`);
  const file = openSync(temporary, 'w');
  try {
    writeSync(file, `${JSON.stringify(marker)}\n`);
    fsyncSync(file);
  } finally {
    closeSync(file);
  }
  renameSync(temporary, path.join(folder, NAME));
}

/** Whether the folder holds what somebody attached. */
export function hasAttachments(folder: string): boolean {
  const files = path.join(folder, 'files');
  if (!existsSync(files)) return false;
  return readdirSync(files).some(
    (name) => /^[0-9a-f]{2}$/u.test(name) && readdirSync(path.join(files, name)).length > 0,
  );
}
