import { deflateRawSync, inflateRawSync } from 'node:zlib';
import { readIncoming } from '@glossarion/core/formats/incoming';
import { refusedFile, textOfBytes, type ReadFile } from '@glossarion/core/formats/markdown';

/** A file as it was sent; how its text is written is found out when it is read. */
export interface SentFile {
  path: string;
  bytes: Uint8Array;
}

/** A file as a thread has read it; its blocks are packed where thousands of files wait until all are read. */
export type PackedFile = Omit<ReadFile, 'blocks'> & { packed: Uint8Array | string };

/** Reads files, one after the other; of some come several pages. One that can't be read costs itself alone. */
export const readFiles = ({ files, isMuch }: { files: readonly SentFile[]; isMuch: boolean }): PackedFile[] =>
  files.flatMap((file) => read(file).map((each) => packed(each, isMuch)));

function read({ path, bytes }: SentFile): ReadFile[] {
  try {
    return readIncoming({ path, text: textOfBytes(bytes) });
  } catch (error) {
    return [refusedFile(path, `The file could not be read, and was left out: ${(error as Error).message}.`)];
  }
}

export const packed = ({ blocks, ...file }: ReadFile, isMuch: boolean): PackedFile => ({
  ...file,
  packed: isMuch ? deflateRawSync(blocks, { level: 1 }) : blocks,
});

/** The file with its blocks, which are unpacked each time they are asked for. */
export function unpacked({ packed: bytes, ...file }: PackedFile): ReadFile {
  return {
    ...file,
    get blocks() {
      return typeof bytes === 'string' ? bytes : inflateRawSync(bytes).toString('utf8');
    },
  };
}
