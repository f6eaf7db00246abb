import { createReadStream, createWriteStream } from 'node:fs';
import { Readable } from 'node:stream';
import { finished, pipeline } from 'node:stream/promises';
import { ZipFile } from 'yazl';

/** A file of an archive: a text, or where the content is. */
export type ZipEntry = {
  path: string;
  at: Date;
  /** Whether it stands in the archive as it is, with nothing said of it: some programs look for it so. */
  isBare?: true;
} & ({ text: string } | { from: string });

/** What the library keeps of a file till the archive ends, for the list at its end; its types do not tell of it. */
interface KeptEntry {
  state: number;
  /** Writes the content, and holds it. */
  doFileDataPump: (() => void) | null;
}
type Kept = { entries: KeptEntry[] };
/** Its state when it is written whole. */
const WRITTEN = 3;

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
  const written: KeptEntry[] = [];
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
    zip.entries = [...written, ...zip.entries];
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
function putAside(zip: Kept, written: KeptEntry[]): void {
  const left = zip.entries.findIndex(({ state }) => state !== WRITTEN);
  for (const entry of zip.entries.splice(0, left < 0 ? zip.entries.length : left)) {
    entry.doFileDataPump = null;
    written.push(entry);
  }
}

/** Resolves when the last of the piece was passed on. */
function addPiece(zip: ZipFile, piece: readonly ZipEntry[]): Promise<void> {
  return new Promise((resolve, reject) => {
    if (piece.length === 0) return void setImmediate(resolve);
    const last = piece.length - 1;
    for (const [index, entry] of piece.entries()) add(zip, entry, index === last ? resolve : null, reject);
  });
}

/**
 * Adds a file. Texts are given as they are, which takes half the time that a stream does; but for the last, which tells
 * when it was passed on.
 */
function add(zip: ZipFile, entry: ZipEntry, passed: (() => void) | null, failed: (error: unknown) => void): void {
  let left: ZipEntry | null = entry;
  const { at: mtime, isBare = false } = entry;
  const options = { mtime, compress: !isBare && !PACKED.test(entry.path), forceDosTimestamp: isBare };
  if ('text' in entry && (isBare || !passed)) {
    zip.addBuffer(bytesOf(entry.text), entry.path, options);
    passed?.();
    return;
  }
  zip.addReadStreamLazy(entry.path, options, (give) => {
    const stream = contentOf(left!);
    left = null;
    if (passed) void finished(stream).then(passed, failed);
    else stream.once('error', failed);
    give(null, stream);
  });
}

/** A text in memory of its own: in Node's pool, whatever small thing lay beside it and is kept would keep it too. */
const bytesOf = (text: string): Buffer => Buffer.from(new TextEncoder().encode(text).buffer);

const contentOf = (entry: ZipEntry): Readable =>
  'text' in entry ? Readable.from([bytesOf(entry.text)]) : createReadStream(entry.from);
