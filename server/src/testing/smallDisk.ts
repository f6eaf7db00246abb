import { spawnSync } from 'node:child_process';
import { rmSync, statfsSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { temporaryFolder } from './builtServer';

/** A small disk of its own, where this may be had; null where it may not. */
export function smallDisk(megabytes: number): { folder: string; free: () => void } | null {
  const folder = temporaryFolder();
  const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${megabytes}m`, 'tmpfs', folder]);
  if (mounted.status !== 0) return null;
  return { folder, free: () => void spawnSync('umount', ['-l', folder]) };
}

/** Fills a disk to its last kilobytes; gives what makes room again. */
export function fill(folder: string): () => void {
  const file = path.join(folder, 'filler');
  const { bavail, bsize } = statfsSync(folder);
  for (let bytes = bavail * bsize; bytes >= 4096; bytes = Math.floor(bytes / 2)) {
    try {
      writeFileSync(file, Buffer.alloc(bytes), { flag: 'a' });
    } catch {
      // A smaller piece may still fit.
    }
  }
  return () => rmSync(file, { force: true });
}
