import { Zip, ZipPassThrough } from 'fflate';
import type { ImportRemark } from '@glossarion/core/formats/markdown';

/** The folder that was picked is not a notebook itself: its name is left out of the paths. */
const withoutFirst = (path: string): string => (path.includes('/') ? path.slice(path.indexOf('/') + 1) : path);

/** Files of a folder as one archive, nothing in it packed smaller; and which could not be read. */
export async function packFolder(chosen: readonly File[]): Promise<{ archive: Blob; notRead: ImportRemark[] }> {
  const parts: Uint8Array<ArrayBuffer>[] = [];
  const notRead: ImportRemark[] = [];
  let failed: Error | null = null;
  const zip = new Zip((error, piece) => {
    if (error) failed = error;
    else parts.push(piece as Uint8Array<ArrayBuffer>);
  });
  for (const file of chosen) {
    const path = withoutFirst(file.webkitRelativePath || file.name);
    try {
      const bytes = new Uint8Array(await file.arrayBuffer());
      const entry = new ZipPassThrough(path);
      zip.add(entry);
      entry.push(bytes, true);
    } catch {
      notRead.push({ path, what: 'The file could not be read, and was left out.' });
    }
  }
  zip.end();
  if (failed) throw failed as Error;
  return { archive: new Blob(parts, { type: 'application/zip' }), notRead };
}
