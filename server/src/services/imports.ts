import { newId } from '@glossarion/core/document';
import {
  Planning,
  refusedFile,
  type ImportReport,
  type MarkdownFile,
  type ReadFile,
} from '@glossarion/core/formats/markdown';
import { dayId } from '@glossarion/core/journal';
import { accountOf, type Viewer } from '../access';
import type { Database } from '../database/database';
import { ImportUnderWayEntity } from '../entities';
import { notFound, Problem } from '../problem';
import { packed, unpacked, type PackedFile, type SentFile } from '../threads/readFiles';
import { Overdone, type Threads } from '../threads/threads';
import type { Accepted, Documents } from './documents';
import type { FactWriter } from './facts';
import type { Kinds } from './kinds';
import { ImportMaking } from './importMaking';
import { beginImport, clearImport } from './importsUnderWay';
import type { Tags } from './tags';

/** Files are read in lots of about so many bytes, or so many files. */
const LOT = 200_000;
const LOT_FILES = 60;
/** How long reading one file may take, in milliseconds: a moment, and more for a long one. */
const READ_WITHIN = 2_000;
const PER_BYTE = 0.02;
/** Files of more bytes than this are much to wait for each other in memory. */
const MUCH = 12_000_000;
/**
 * A piece of an import is written for about so long, in milliseconds; then others are served. What many pieces change
 * is written at the end of each: in shorter ones that would cost more than the piece itself.
 */
const PIECE = 30;
/** While somebody writes, who waits for it, it is shorter, and a pause follows. */
const SHORT_PIECE = 3;
const PAUSE = 4;
/** Somebody who has written within so many milliseconds is taken to write on. */
const WRITING_ON = 2_000;

/** How far an import has come. */
export interface ImportProgress {
  id: string;
  done: number;
  total: number;
}

interface ImportOptions {
  /** The name of the notebook for what stands in no folder. */
  looseNotebook?: string;
  /** By which it can be asked about, and stopped. */
  id?: string;
}

interface Running extends ImportProgress {
  accountId: string;
  stop: AbortController;
}

const stopped = () => new Problem(409, 'The import was stopped. Nothing was taken in.');

/** Takes in folders of Markdown files: each all of it, or nothing. */
export class Imports {
  private running = new Map<string, Running>();

  /** The import that an account's next one waits for. */
  private last = new Map<string, Promise<unknown>>();

  constructor(
    private database: Database,
    private documents: Documents,
    private forgetNames: (accountId: string) => void,
    private facts: FactWriter,
    private tags: Tags,
    private kinds: Kinds,
    private threads: Threads,
  ) {}

  /** How far an import of this account's has come. */
  progress({ accountId }: Viewer, id: string): ImportProgress {
    const running = this.running.get(id);
    if (running?.accountId !== accountId) throw notFound();
    return { id, done: running.done, total: running.total };
  }

  /** Ends an import of this account's; nothing of it is left. */
  stop({ accountId }: Viewer, id: string): void {
    const running = this.running.get(id);
    if (running?.accountId !== accountId) throw notFound();
    running.stop.abort(stopped());
  }

  take(viewer: Viewer, files: readonly MarkdownFile[], options: ImportOptions = {}): Promise<ImportReport> {
    const encoder = new TextEncoder();
    const sent = files.map(({ path, text }) => ({ path, bytes: encoder.encode(text) }));
    return this.takeFiles(viewer, sent, options);
  }

  /** Takes files in as they were sent; their bytes are let go of as they are read. */
  async takeFiles(
    viewer: Viewer,
    files: readonly SentFile[],
    { looseNotebook = 'Imported', id = newId() }: ImportOptions = {},
  ): Promise<ImportReport> {
    if (this.running.has(id)) throw new Problem(409, 'This import is under way already.');
    const { accountId } = viewer;
    const running: Running = { id, accountId, done: 0, total: files.length * 2, stop: new AbortController() };
    this.running.set(id, running);
    try {
      const read = await this.read(files, running);
      const making = this.last.get(accountId) ?? Promise.resolve();
      const made = making.then(() => this.make(viewer, read, looseNotebook, running));
      this.last.set(
        accountId,
        made.catch(() => undefined),
      );
      return await made;
    } finally {
      this.running.delete(id);
    }
  }

  /** Makes what was read: in pieces, between which others are served, and of which nobody sees any before the last. */
  private async make(
    viewer: Viewer,
    read: readonly ReadFile[],
    looseNotebook: string,
    running: Running,
  ): Promise<ImportReport> {
    const { accountId } = viewer;
    const planning = new Planning(read, {
      dayIdOf: (day) => dayId(accountId, day),
      looseNotebook,
      isTaken: (each) => accountOf(this.database.reader, each) !== undefined,
    });
    const begun = running.done;
    const onMade = (entries: number) => (running.done = begun + Math.min(entries, running.total - begun));
    const importId = newId();
    const { database, documents, facts, tags, kinds } = this;
    const making = new ImportMaking(database, documents, facts, tags, kinds, viewer, importId, planning, onMade);
    await beginImport(database, viewer, importId);
    let accepted: Accepted[];
    try {
      const dayBodies = await this.inPieces(making, running.stop.signal);
      // What was written so far is brought to the disk beside this thread, so that little is left for the end.
      await database.settle();
      accepted = await database.write(async (manager) => {
        running.stop.signal.throwIfAborted();
        const changed = await making.finish(manager, dayBodies);
        await manager.delete(ImportUnderWayEntity, { id: importId });
        return changed;
      });
    } catch (error) {
      await clearImport(database, facts, importId, () => tags.forget(accountId));
      throw error;
    }
    database.importing.delete(importId);
    accepted.forEach((each) => documents.tell(each));
    this.forgetNames(accountId);
    return making.report;
  }

  private async inPieces(making: ImportMaking, signal: AbortSignal) {
    const pieces = making.pieces();
    for (;;) {
      signal.throwIfAborted();
      const isWrittenOn = this.database.isWrittenOn(WRITING_ON);
      const step = await this.database.writePiece(async (manager) => {
        const end = performance.now() + (isWrittenOn ? SHORT_PIECE : PIECE);
        let next = await pieces.next(manager);
        while (!next.done && performance.now() < end) next = await pieces.next(manager);
        return next;
      });
      if (step.done) return step.value;
      // Others may write before the next piece.
      await new Promise<void>((resolve) => (isWrittenOn ? setTimeout(resolve, PAUSE) : setImmediate(resolve)));
    }
  }

  /** Reads the files beside the thread that serves; one that takes too long is refused by its name. */
  private async read(files: readonly SentFile[], running: Running): Promise<ReadFile[]> {
    const { signal } = running.stop;
    const within = (lot: readonly SentFile[]) =>
      READ_WITHIN + PER_BYTE * lot.reduce((sum, { bytes }) => sum + bytes.length, 0);
    const isMuch = files.reduce((sum, { bytes }) => sum + bytes.length, 0) > MUCH;
    const lots = await Promise.all(
      lotsOf(files).map(async (lot) => {
        const read = await this.threads
          .run('readFiles', { files: lot, isMuch }, { within: within(lot) + READ_WITHIN, signal })
          .catch(async (error: unknown) => {
            if (!(error instanceof Overdone)) throw error;
            const alone: PackedFile[] = [];
            for (const file of lot) {
              const [one] = await this.threads
                .run('readFiles', { files: [file], isMuch }, { within: within([file]), signal })
                .catch((each: unknown) => {
                  if (!(each instanceof Overdone)) throw each;
                  return [
                    packed(refusedFile(file.path, 'The file takes too long to be read, and was left out.'), isMuch),
                  ];
                });
              alone.push(one!);
            }
            return alone;
          });
        running.done += lot.length;
        // A file's bytes are kept no longer than they are needed: there may be thousands.
        for (const file of lot) file.bytes = NOTHING;
        return read.map(unpacked);
      }),
    );
    if (isMuch) await this.threads.rest();
    return lots.flat();
  }
}

/** Files in lots that can be read in a moment each. */
const NOTHING = new Uint8Array();

function lotsOf(files: readonly SentFile[]): SentFile[][] {
  const lots: SentFile[][] = [];
  let size = LOT;
  for (const file of files) {
    if (size + file.bytes.length > LOT || lots.at(-1)!.length >= LOT_FILES) {
      lots.push([]);
      size = 0;
    }
    lots.at(-1)!.push(file);
    size += file.bytes.length;
  }
  return lots;
}
