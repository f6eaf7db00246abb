import { createReadStream, createWriteStream } from 'node:fs';
import { Readable, type PassThrough } from 'node:stream';
import { finished, pipeline } from 'node:stream/promises';
import { inflateRawSync } from 'node:zlib';
import { ZipFile, type Options } from 'yazl';
import { archiveText, type ArchivedText } from '../../threads/archivedText';

/** A file of an archive: a text, one that a thread has packed, or where the content is. */
export type ZipEntry = {
  path: string;
  at: Date;
  /** Whether it stands in the archive as it is, with nothing said of it: some programs look for it so. */
  isBare?: true;
} & ({ text: string } | { archived: ArchivedText } | { from: string });

/** What the library keeps of a file till the archive ends, for the list at its end; its types do not tell of it. */
interface KeptEntry {
  state: number;
  crc32: number;
  compressedSize: number;
  uncompressedSize: number;
  /** What follows the content: its sizes and its CRC-32 (APPNOTE 4.3.9). */
  getDataDescriptor: () => Buffer;
  /** What the list at the end says of it (APPNOTE 4.3.12). */
  getCentralDirectoryRecord: () => Buffer;
  /** Writes the content, and holds it. */
  doFileDataPump: (() => void) | null;
}
type Listed = Pick<KeptEntry, 'state' | 'getCentralDirectoryRecord'>;
type Kept = { entries: KeptEntry[]; outputStreamCursor: number };
/** Its state when it is written whole. */
const WRITTEN = 3;

/** Texts of so many letters are packed at once; longer ones by the library, beside this thread. */
const SHORT = 100_000;

/** What is packed already is not packed again. */
const PACKED = /\.(?:png|jpe?g|gif|webp|avif|mp3|m4a|ogg|opus|weba|mp4|webm|zip|gz|pdf|docx|xlsx|epub)$/iu;

/**
 * Writes an archive piece by piece: of what was not written yet no more is held than two pieces.
 *
 * @param pieces each is made while the one before it is written
 * @throws what `pieces` throws, and what writing does; the signal's reason when it is aborted
 */
export async function writeZip(
  target: string,
  pieces: AsyncIterable<readonly ZipEntry[]>,
  signal: AbortSignal,
): Promise<void> {
  const zip = new ZipFile() as ZipFile & Kept;
  const written = new WrittenFiles();
  const stop = new AbortController();
  const writing = pipeline(zip.outputStream as Readable, createWriteStream(target), {
    signal: AbortSignal.any([signal, stop.signal]),
  });
  // Whoever waits for a piece hears of it as well.
  writing.catch(() => undefined);
  try {
    for await (const piece of early(pieces)) {
      signal.throwIfAborted();
      await Promise.race([writing, addPiece(zip, piece)]);
      signal.throwIfAborted();
      putAside(zip, written);
    }
    // All that the library still does with what is written is to list it.
    zip.entries = [...(written.listed() as KeptEntry[]), ...zip.entries];
    zip.end();
    await writing;
  } catch (error) {
    stop.abort(error);
    await writing.catch(() => undefined);
    throw error;
  }
}

/** The same, each asked for while what came before it is used. */
async function* early<T>(pieces: AsyncIterable<T>): AsyncGenerator<T> {
  const iterator = pieces[Symbol.asyncIterator]();
  const ask = () => {
    const next = iterator.next();
    // Whoever waits for it hears that it failed.
    next.catch(() => undefined);
    return next;
  };
  try {
    for (let next = ask(); ;) {
      const { done, value } = await next;
      if (done) return;
      next = ask();
      yield value;
    }
  } finally {
    await iterator.return?.();
  }
}

/**
 * Takes what is written out of what the library goes through for each file that is added: that would take a time that
 * grows with the square of the files. The contents are let go of.
 */
function putAside(zip: Kept, written: WrittenFiles): void {
  const left = zip.entries.findIndex(({ state }) => state !== WRITTEN);
  for (const entry of zip.entries.splice(0, left < 0 ? zip.entries.length : left)) written.add(entry);
}

/** So many records are kept as one. */
const RECORDS = 500;

/** What the list at the end says of the files that are written: the library would keep all that it ever knew of them. */
class WrittenFiles {
  private last: Buffer[] = [];
  private lots: { bytes: Buffer; lengths: number[] }[] = [];

  add(entry: KeptEntry): void {
    this.last.push(entry.getCentralDirectoryRecord());
    if (this.last.length === RECORDS) this.join();
  }

  listed(): Listed[] {
    this.join();
    return this.lots.flatMap(({ bytes, lengths }) => {
      let at = 0;
      return lengths.map((length): Listed => {
        const record = bytes.subarray(at, (at += length));
        return { state: WRITTEN, getCentralDirectoryRecord: () => record };
      });
    });
  }

  private join(): void {
    this.lots.push({ bytes: Buffer.concat(this.last), lengths: this.last.map(({ length }) => length) });
    this.last = [];
  }
}

/** Resolves when the last of the piece was passed on. */
function addPiece(zip: ZipFile & Kept, piece: readonly ZipEntry[]): Promise<void> {
  return new Promise((resolve, reject) => {
    if (piece.length === 0) return void setImmediate(resolve);
    const last = piece.length - 1;
    for (const [index, entry] of piece.entries()) {
      add(zip, entry, { passed: index === last ? resolve : null, failed: reject });
    }
  });
}

/** Who is to be told that a file was passed on, or that it could not be. */
interface Told {
  passed: (() => void) | null;
  failed: (error: unknown) => void;
}

function add(zip: ZipFile & Kept, entry: ZipEntry, told: Told): void {
  const { at: mtime, isBare = false, path } = entry;
  const options = { mtime, compress: !isBare && !PACKED.test(path), forceDosTimestamp: isBare };
  if (isBare && 'text' in entry) {
    zip.addBuffer(bytesOf(entry.text), path, options);
    told.passed?.();
  } else if ('archived' in entry) {
    addArchived(zip, path, entry.archived, options, told);
  } else if ('text' in entry && options.compress && entry.text.length <= SHORT) {
    addArchived(zip, path, archiveText(entry.text), options, told);
  } else {
    let left: ZipEntry | null = entry;
    zip.addReadStreamLazy(path, options, (give) => {
      const stream = contentOf(left!);
      left = null;
      giveStream(stream, give, told);
    });
  }
}

type Give = (error: null, stream: Readable) => void;

function giveStream(stream: Readable, give: Give, { passed, failed }: Told): void {
  if (passed) void finished(stream).then(passed, failed);
  else stream.once('error', failed);
  give(null, stream);
}

/**
 * Adds what is packed. The library would pack each text by itself beside this thread, which takes longer for a short one
 * than packing it; so its content is written here as the library asks for it. While something before it is still being
 * written it waits, and is packed by the library after all.
 */
function addArchived(
  zip: ZipFile & Kept,
  path: string,
  archived: ArchivedText,
  options: Partial<Options>,
  told: Told,
): void {
  let isItsTurn = true;
  let left: ArchivedText | null = archived;
  zip.addReadStreamLazy(path, options, (give) => {
    const { packed, size, crc } = left!;
    left = null;
    if (!isItsTurn) return giveStream(Readable.from([inflateRawSync(packed)]), give, told);
    const entry = zip.entries.at(-1)!;
    Object.assign(entry, { crc32: crc, compressedSize: packed.length, uncompressedSize: size });
    for (const bytes of [packed, entry.getDataDescriptor()]) {
      (zip.outputStream as PassThrough).write(bytes);
      zip.outputStreamCursor += bytes.length;
    }
    entry.state = WRITTEN;
    if (told.passed) whenTaken(zip.outputStream as PassThrough, told.passed);
  });
  isItsTurn = false;
}

/** Calls back as soon as what was written so far is taken. */
function whenTaken(stream: PassThrough, taken: () => void): void {
  if (stream.writableNeedDrain) stream.once('drain', taken);
  else setImmediate(taken);
}

/** A text in memory of its own: in Node's pool, whatever small thing lay beside it and is kept would keep it too. */
const bytesOf = (text: string): Buffer => Buffer.from(new TextEncoder().encode(text).buffer);

const contentOf = (entry: ZipEntry): Readable =>
  'from' in entry
    ? createReadStream(entry.from)
    : Readable.from(['text' in entry ? bytesOf(entry.text) : inflateRawSync(entry.archived.packed)]);
