import { readIncoming } from '@glossarion/core/formats/incoming';
import { refusedFile, textOfBytes, type ReadFile } from '@glossarion/core/formats/markdown';
import { packTexts, type PackedTexts } from './packedTexts';

/** A file as it was sent; how its text is written is found out when it is read. */
export interface SentFile {
  path: string;
  bytes: Uint8Array;
}

/** Files as a thread has read them; their blocks are packed where thousands of files wait until all are read. */
export interface ReadLot {
  files: Omit<ReadFile, 'blocks'>[];
  blocks: readonly string[] | PackedTexts;
}

/** Reads files, one after the other; of some come several pages. One that can't be read costs itself alone. */
export const readFiles = ({ files, isMuch }: { files: readonly SentFile[]; isMuch: boolean }): ReadLot =>
  asLot(files.flatMap(read), isMuch);

function read({ path, bytes }: SentFile): ReadFile[] {
  try {
    return readIncoming({ path, text: textOfBytes(bytes) });
  } catch (error) {
    return [refusedFile(path, `The file could not be read, and was left out: ${(error as Error).message}.`)];
  }
}

/** Files that were read, as they go from one thread to another. */
export function asLot(read: readonly ReadFile[], isMuch: boolean): ReadLot {
  const texts = read.map(({ blocks }) => blocks);
  return { files: read.map(({ blocks: _, ...said }) => said), blocks: isMuch ? packTexts(texts) : texts };
}
