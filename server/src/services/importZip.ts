import { openPromise, type Entry, type ZipFile } from 'yauzl';
import { ACCOUNT_FILE } from '@glossarion/core/formats/account';
import { isPage } from '@glossarion/core/formats/incoming';
import { MAX_FILE_TEXT, textOfBytes, type ImportRemark } from '@glossarion/core/formats/markdown';
import { Problem } from '../problem';
import type { FileToRead } from './importReading';

/** The most files of a text, and the most bytes of them together once they are unpacked. */
const MAX_TEXTS = 100_000;
/** The most bytes of one: more than may be, for whoever reads it says so by its name. */
export const MAX_TEXT = MAX_FILE_TEXT * 4;
const MAX_ALL_TEXTS = 600_000_000;
/** The most bytes of what an account says beside its pages. */
const MAX_ACCOUNT = 64_000_000;
const UTF8_FLAG = 0x800;

/** What is in an archive, as far as it is read at once; other contents are read when they are wanted. */
export interface ReadZip {
  files: FileToRead[];
  /** The text of the file of the account. */
  account: string | null;
  remarks: ImportRemark[];
  /** By their paths, what is no page. */
  others: Map<string, Entry>;
  /** By their paths, the pages. */
  pages: Map<string, Entry>;
  zip: ZipFile;
}

/** The name of a file within an archive: UTF-8 where it is that, else what old programs wrote. */
function nameOf({ fileName, generalPurposeBitFlag }: Entry): string {
  const raw = fileName as unknown as Buffer;
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(raw);
  } catch {
    return (generalPurposeBitFlag & UTF8_FLAG ? raw.toString('utf8') : raw.toString('latin1')).normalize('NFC');
  }
}

/** Why nothing at this path is taken in; null when it may be. */
function refusalOf(path: string): string | null {
  const steps = path.replaceAll('\\', '/').split('/');
  if (steps.includes('..')) return 'Its path leads out of the folder, and it was left out.';
  if (path.includes('\u0000')) return 'Its name holds what no name may, and it was left out.';
  return null;
}

/** What systems put into archives for themselves. */
const isOfSystem = (path: string): boolean =>
  /(?:^|\/)(?:__MACOSX|\.DS_Store|Thumbs\.db|desktop\.ini|\.git)(?:\/|$)/u.test(path);

/**
 * Reads what is in an archive; its texts are read when their turn comes, within bounds that no archive passes by saying
 * less of itself than it unpacks to. Nothing is written anywhere.
 *
 * @throws Problem (400) when it is none, or is broken
 */
export async function readZip(path: string, signal: AbortSignal): Promise<ReadZip> {
  let zip: ZipFile;
  try {
    zip = await openPromise(path, { lazyEntries: true, autoClose: false, decodeStrings: false });
  } catch {
    throw new Problem(400, 'This is no zip file, or it is broken. Nothing was taken in.');
  }
  const read: ReadZip = { files: [], account: null, remarks: [], others: new Map(), pages: new Map(), zip };
  let total = 0;
  try {
    for await (const entry of entriesOf(zip)) {
      signal.throwIfAborted();
      const name = nameOf(entry).replaceAll('\\', '/');
      if (name.endsWith('/') || isOfSystem(name)) continue;
      const refusal = refusalOf(name);
      const refuse = (what: string) => void read.remarks.push({ path: name, what });
      if (refusal) refuse(refusal);
      else if (entry.isEncrypted()) refuse('It is locked with a passphrase, and was left out.');
      else if (name === ACCOUNT_FILE) {
        const bytes = await contentOf(zip, entry, MAX_ACCOUNT);
        if (bytes) read.account = textOfBytes(bytes);
        else refuse('It is too large, and was left out.');
      } else if (!isPage(name)) read.others.set(name, entry);
      else if (read.files.length >= MAX_TEXTS || total > MAX_ALL_TEXTS) {
        throw new Problem(413, 'There is more in this zip than can be taken in at once. Nothing was taken in.');
      } else {
        read.pages.set(name, entry);
        if (entry.uncompressedSize <= MAX_TEXT) read.files.push(fileIn(zip, name, entry));
        else refuse(`The file is larger than ${MAX_FILE_TEXT / 1024 / 1024} MB, and was left out.`);
        total += Math.min(entry.uncompressedSize, MAX_TEXT);
      }
    }
    return read;
  } catch (error) {
    zip.close();
    if (error instanceof Problem || signal.aborted) throw error;
    throw broken();
  }
}

const broken = () => new Problem(400, 'This zip file is broken, and can’t be read to its end. Nothing was taken in.');

/** A text of an archive, which is read when its turn comes; one that unpacks to more than is said of it is broken. */
function fileIn(zip: ZipFile, path: string, entry: Entry): FileToRead {
  let waiting: Entry | null = entry;
  return {
    path,
    size: entry.uncompressedSize,
    async content() {
      const bytes = waiting && (await contentOf(zip, waiting, MAX_TEXT).catch(() => null));
      waiting = null;
      if (!bytes) throw broken();
      return bytes;
    },
  };
}

async function* entriesOf(zip: ZipFile): AsyncGenerator<Entry> {
  for (;;) {
    const entry = await new Promise<Entry | null>((resolve, reject) => {
      const onEntry = (next: Entry) => done(() => resolve(next));
      const onEnd = () => done(() => resolve(null));
      const onError = (error: Error) => done(() => reject(error));
      const done = (say: () => void) => {
        zip.off('entry', onEntry).off('end', onEnd).off('error', onError);
        say();
      };
      zip.on('entry', onEntry).on('end', onEnd).on('error', onError);
      zip.readEntry();
    });
    if (!entry) return;
    yield entry;
  }
}

/** The content of a file in an archive; null when it is more than so many bytes, whatever is said of it. */
export async function contentOf(zip: ZipFile, entry: Entry, most: number): Promise<Uint8Array | null> {
  if (entry.uncompressedSize > most) return null;
  const stream = await zip.openReadStreamPromise(entry);
  const chunks: Buffer[] = [];
  let size = 0;
  for await (const chunk of stream as AsyncIterable<Buffer>) {
    size += chunk.length;
    if (size > most) {
      stream.destroy();
      return null;
    }
    chunks.push(chunk);
  }
  return new Uint8Array(Buffer.concat(chunks));
}
