import { refusedFile, type ReadFile } from '@glossarion/core/formats/markdown';
import { Unpacking, type PackedTexts } from '../threads/packedTexts';
import { asLot, type ReadLot, type SentFile } from '../threads/readFiles';
import { Overdone, type Threads } from '../threads/threads';
import type { Progress } from './works';

/** Files are read in lots of about so many bytes, or so many files. */
const LOT = 200_000;
const LOT_FILES = 60;
/** So many lots are on their way at one time: as many as there are threads, and one that the next to be free begins. */
const AT_ONCE = 3;
/** How long reading a lot may take, in milliseconds: a moment, and more for a long one. */
const READ_WITHIN = 4_000;
const PER_BYTE = 0.02;
/** How long a file has by itself that took too long with others: that may have been a machine that had much else to do. */
const ALONE_WITHIN = 8_000;
/** Files of more bytes than this are much to wait for each other in memory. */
const MUCH = 12_000_000;
/** After more bytes than this the threads are let go of: making takes long, and what they took would lie idle. */
const RESTED = 1_000_000;

/** A file that is to be read. */
export interface FileToRead {
  path: string;
  /** Bytes. */
  size: number;
  /** Its bytes; to be asked for once, as they are kept no longer. There may be thousands of files. */
  content: () => Promise<Uint8Array>;
}

const NOTHING = new Uint8Array();
const NONE: never[] = [];

/** A file that was sent whole: its bytes are let go of when it is read. */
export const fileSent = (file: SentFile): FileToRead => ({
  path: file.path,
  size: file.bytes.length,
  content: () => {
    const { bytes } = file;
    file.bytes = NOTHING;
    return Promise.resolve(bytes);
  },
});

/** A file of a lot, whose blocks are unpacked each time they are asked for. */
class FileOfLot implements ReadFile {
  readonly path;
  readonly front;
  readonly raw;
  readonly isBlank;
  readonly headings;
  readonly remarks;
  readonly refusal;

  constructor(
    { path, front, raw, isBlank, headings, remarks, refusal }: ReadLot['files'][number],
    private lot: PackedTexts,
    private index: number,
    private unpacking: Unpacking,
  ) {
    this.path = path;
    this.front = front;
    // Most files have none of these, and there may be thousands.
    this.raw = raw.length > 0 ? raw : NONE;
    this.isBlank = isBlank;
    this.headings = headings.length > 0 ? headings : NONE;
    this.remarks = remarks.length > 0 ? remarks : NONE;
    this.refusal = refusal;
  }

  get blocks(): string {
    return this.unpacking.textOf(this.lot, this.index);
  }
}

const filesOf = ({ files, blocks }: ReadLot, unpacking: Unpacking): ReadFile[] =>
  'packed' in blocks
    ? files.map((said, index) => new FileOfLot(said, blocks, index, unpacking))
    : files.map((said, index) => ({ ...said, blocks: blocks[index]! }));

/** Reads files beside the thread that serves, in their order; one that takes too long is refused by its name. */
export async function readInLots(
  threads: Threads,
  files: readonly FileToRead[],
  running: Progress,
): Promise<ReadFile[]> {
  const { signal } = running;
  const size = files.reduce((sum, each) => sum + each.size, 0);
  const isMuch = size > MUCH;
  const unpacking = new Unpacking();
  const lots = lotsOf(files);
  const read: ReadFile[][] = lots.map(() => []);
  let next = 0;
  const readOn = async (): Promise<void> => {
    while (next < lots.length) {
      signal.throwIfAborted();
      const index = next++;
      const sent = await Promise.all(
        lots[index]!.map(async ({ path, content }): Promise<SentFile> => ({ path, bytes: await content() })),
      );
      read[index] = (await readLot(threads, sent, isMuch, signal)).flatMap((lot) => filesOf(lot, unpacking));
      running.done += sent.length;
    }
  };
  try {
    await Promise.all(Array.from({ length: AT_ONCE }, readOn));
  } finally {
    // The others begin nothing any more when one has failed.
    next = lots.length;
  }
  if (size > RESTED) await threads.rest();
  return read.flat();
}

/** Reads a lot; each of its files by itself when all together take too long. */
async function readLot(
  threads: Threads,
  files: readonly SentFile[],
  isMuch: boolean,
  signal: AbortSignal,
): Promise<ReadLot[]> {
  const run = (some: readonly SentFile[], moment: number) => {
    const within = moment + PER_BYTE * some.reduce((sum, { bytes }) => sum + bytes.length, 0);
    return threads.run('readFiles', { files: some, isMuch }, { within, signal });
  };
  try {
    return [await run(files, READ_WITHIN)];
  } catch (error) {
    if (!(error instanceof Overdone)) throw error;
  }
  const alone: ReadLot[] = [];
  for (const file of files) {
    try {
      alone.push(await run([file], ALONE_WITHIN));
    } catch (error) {
      if (!(error instanceof Overdone)) throw error;
      alone.push(asLot([refusedFile(file.path, 'The file takes too long to be read, and was left out.')], isMuch));
    }
  }
  return alone;
}

/** Files in lots that can be read in a moment each. */
function lotsOf(files: readonly FileToRead[]): FileToRead[][] {
  const lots: FileToRead[][] = [];
  let size = LOT;
  for (const file of files) {
    if (size + file.size > LOT || lots.at(-1)!.length >= LOT_FILES) {
      lots.push([]);
      size = 0;
    }
    lots.at(-1)!.push(file);
    size += file.size;
  }
  return lots;
}
