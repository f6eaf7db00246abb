import type { Act } from '@glossarion/core/acts';
import { newId, type BodyJson } from '@glossarion/core/document';
import {
  Planning,
  type PageHere,
  type PresentChoice,
  type ImportReport,
  type MarkdownFile,
  type ReadFile,
} from '@glossarion/core/formats/markdown';
import { withIds, type AccountFile } from '@glossarion/core/formats/account';
import { dayId } from '@glossarion/core/journal';
import type { ImportPreview } from '@glossarion/core/works';
import { accountOf, entryIfVisible, type Viewer } from '../access';
import type { Database } from '../database/database';
import { ImportUnderWayEntity } from '../entities';
import { DOCUMENT } from '../entities/document.queries';
import { prepared } from '../sqlite/prepared';
import type { SentFile } from '../threads/readFiles';
import type { Threads } from '../threads/threads';
import type { Attachments } from './attachments';
import type { Accepted, Documents } from './documents';
import { ArchiveReading, type Taken } from './importArchive';
import { placesHere } from './importPlaces';
import { previewOf } from './importPreview';
import { fileSent, readInLots, type FileToRead } from './importReading';
import { readZip } from './importZip';
import type { FactWriter } from './facts';
import type { Kinds } from './kinds';
import { ImportMaking } from './importMaking';
import { GatheredCounts } from './gatheredCounts';
import { beginImport, clearImport, noteCounted } from './importsUnderWay';
import type { Tags } from './tags';
import type { Progress, Works } from './works';
import { nextTurn } from './turns';

/** A piece of an import is written for about so long, in milliseconds; then others are served. */
const PIECE = 30;
/** What is counted of so many words is stored: storing it takes about as long as two pieces. */
const MOST_GATHERED = 8_000;
/** While somebody writes, who waits for it, it is shorter, and a pause follows. */
const SHORT_PIECE = 3;
const PAUSE = 4;
/** Somebody who has written within so many milliseconds is taken to write on. */
const WRITING_ON = 2_000;

interface Wish {
  /** The name of the notebook for what stands in no folder. */
  looseNotebook: string;
  /** What is done with what is here already with other words. */
  present?: PresentChoice;
}

interface ImportOptions extends Partial<Wish> {
  /** By which it can be asked about, and stopped. */
  id?: string;
  /** What is taken in, as it is listed; by nobody's wish, and listed only while it is under way, when it has none. */
  name?: string;
}

/** What an import made, and what takes that back. */
interface Made {
  report: ImportReport;
  undo: Act[];
}

/** In blocks that were read, what leads to something by what it is called. */
const REFERENCE = '"reference":';
const STOPPED = 'The import was stopped. Nothing was taken in.';

/** Takes in folders of Markdown files: each all of it, or nothing. */
export class Imports {
  /** The import that an account's next one waits for. */
  private last = new Map<string, Promise<unknown>>();

  /** @param onEnd called when an import is whole, or taken out again */
  constructor(
    private database: Database,
    private documents: Documents,
    private forgetNames: (accountId: string) => void,
    private facts: FactWriter,
    private tags: Tags,
    private kinds: Kinds,
    private threads: Threads,
    private works: Works,
    private attachments: Attachments,
    private onEnd: (viewer: Viewer) => void,
  ) {}

  take(viewer: Viewer, files: readonly MarkdownFile[], options: ImportOptions = {}): Promise<ImportReport> {
    const encoder = new TextEncoder();
    const sent = files.map(({ path, text }) => ({ path, bytes: encoder.encode(text) }));
    return this.takeFiles(viewer, sent, options);
  }

  /** Takes files in as they were sent; their bytes are let go of as they are read. */
  async takeFiles(
    viewer: Viewer,
    files: readonly SentFile[],
    { looseNotebook = 'Imported', id, name }: ImportOptions = {},
  ): Promise<ImportReport> {
    const work = { id, sort: 'in' as const, name: name ?? 'Notes', stopped: STOPPED, isQuiet: name === undefined };
    const taken: Taken = { files: files.map(fileSent), rest: null, renamed: new Map(), remarks: [] };
    const { report } = await this.works.run(viewer, work, (progress) =>
      this.takeAll(viewer, taken, { looseNotebook }, progress),
    );
    return report;
  }

  /** Takes in what is in an archive: its texts, and what an export says beside them. */
  async takeZip(
    viewer: Viewer,
    path: string,
    { looseNotebook = 'Imported', id, name = 'Notes', present }: ImportOptions = {},
  ): Promise<ImportReport> {
    const work = { id, sort: 'in' as const, name, stopped: STOPPED };
    const { report } = await this.works.run(viewer, work, (progress) =>
      this.inArchive(viewer, path, progress, false, (taken) =>
        this.takeAll(viewer, taken, { looseNotebook, present }, progress),
      ),
    );
    return report;
  }

  /** Looks what taking in an archive would make; it waits as a work until somebody says whether it shall be. */
  async lookAtZip(
    viewer: Viewer,
    path: string,
    { looseNotebook = 'Imported', id, name = 'Notes' }: ImportOptions = {},
  ): Promise<ImportPreview> {
    const work = { id, sort: 'in' as const, name, stopped: STOPPED };
    const { preview } = await this.works.run(viewer, work, (progress) =>
      this.inArchive(viewer, path, progress, true, async (taken) => {
        progress.total = taken.files.length;
        const read = await readInLots(this.threads, taken.files, progress);
        const planning = await this.planned(viewer, read, taken, { looseNotebook, present: 'leave' }, progress.signal);
        const reader = this.database.reading(viewer);
        const nameOf = (each: string) => entryIfVisible(reader, each)?.name ?? '';
        return { preview: await previewOf(planning, looseNotebook, nameOf, progress.signal) };
      }),
    );
    return preview;
  }

  private async inArchive<T>(
    viewer: Viewer,
    path: string,
    progress: Progress,
    isLook: boolean,
    take: (taken: Taken) => Promise<T>,
  ): Promise<T> {
    const zip = await readZip(path, progress.signal);
    try {
      const read = (files: readonly FileToRead[], within: Progress) => readInLots(this.threads, files, within);
      const archive = new ArchiveReading(this.database, this.attachments, read, isLook);
      return await take(await archive.accountIn(viewer, zip, progress));
    } finally {
      zip.zip.close();
    }
  }

  private takeAll(viewer: Viewer, taken: Taken, wish: Wish, progress: Progress): Promise<Made> {
    return this.inTurn(viewer, taken, progress, (read) => this.make(viewer, read, taken, wish, progress));
  }

  /** Reads the files, and makes what they say when all that came before is made. */
  private async inTurn(
    { accountId }: Viewer,
    taken: Taken,
    progress: Progress,
    make: (read: ReadFile[]) => Promise<Made>,
  ): Promise<Made> {
    progress.total = taken.files.length * 2;
    const read = await readInLots(this.threads, taken.files, progress);
    taken.files = [];
    const making = this.last.get(accountId) ?? Promise.resolve();
    const made = making.then(() => make(read));
    this.last.set(
      accountId,
      made.catch(() => undefined),
    );
    return made;
  }

  /** What is made of files that were read. */
  private async planned(
    viewer: Viewer,
    read: readonly ReadFile[],
    { rest, renamed, remarks, along }: Taken,
    { looseNotebook, present }: Wish,
    signal: AbortSignal,
  ): Promise<Planning> {
    const { accountId } = viewer;
    const came = await along?.(read);
    const all = [...read, ...(came?.read ?? [])];
    const isAsked = present !== undefined || all.some(({ blocks }) => blocks.includes(REFERENCE));
    const here = isAsked ? await placesHere(this.database, viewer) : null;
    const planning = new Planning(all, {
      fileAt: came?.fileAt,
      dayIdOf: (day) => dayId(accountId, day),
      looseNotebook,
      isTaken: (each) => accountOf(this.database.reader, each) !== undefined,
      isOwn: (each) => accountOf(this.database.reader, each) === accountId,
      pageHere: (each) => this.pageHere(viewer, each),
      ...(rest && { rest: new Map(rest.entries.map((each) => [each.id, each])) }),
      ...(here && { namedHere: here.named }),
      ...(present && { present, placed: here?.placed }),
      renamed,
    });
    planning.remarks.unshift(...remarks);
    await inPieces(planning.arrange(), signal);
    return planning;
  }

  /** Makes what was read: in pieces, between which others are served, and of which nobody sees any before the last. */
  private async make(viewer: Viewer, read: ReadFile[], taken: Taken, wish: Wish, running: Progress): Promise<Made> {
    const { accountId } = viewer;
    const { rest, renamed } = taken;
    const planning = await this.planned(viewer, read, taken, wish, running.signal);
    // Each file is let go of when what it says is made.
    read.length = 0;
    // What came in under another id is named by that from here on.
    const here = rest && (JSON.parse(withIds(JSON.stringify(rest), renamed)) as AccountFile);
    const begun = running.done;
    const onMade = (entries: number) => (running.done = begun + Math.min(entries, running.total - begun));
    const importId = newId();
    const { database, documents, facts, tags, kinds } = this;
    const making = new ImportMaking(
      database,
      documents,
      facts,
      tags,
      kinds,
      viewer,
      importId,
      planning,
      here,
      renamed,
      onMade,
    );
    await beginImport(database, viewer, importId);
    let accepted: Accepted[];
    try {
      const gathered = new GatheredCounts();
      const dayBodies = await this.inPieces(making, importId, gathered, running.signal);
      // What was written so far is brought to the disk beside this thread, so that little is left for the end.
      await database.settle();
      accepted = await database.write(async (manager) => {
        running.signal.throwIfAborted();
        const changed = await making.finish(manager, dayBodies);
        facts.storeCounts(gathered);
        await manager.delete(ImportUnderWayEntity, { id: importId });
        return changed;
      });
    } catch (error) {
      await clearImport(database, facts, importId, () => tags.forget(accountId));
      this.onEnd(viewer);
      throw error;
    }
    database.importing.delete(importId);
    accepted.forEach((each) => documents.tell(each));
    this.forgetNames(accountId);
    this.onEnd(viewer);
    return { report: making.report, undo: making.takingBack() };
  }

  private pageHere(viewer: Viewer, id: string): PageHere | null {
    const entry = entryIfVisible(this.database.reading(viewer), id);
    if (!entry || accountOf(this.database.reader, id) !== viewer.accountId) return null;
    const stored = prepared(this.database.reader, DOCUMENT).get(id) as { json: string } | undefined;
    if (!stored) return null;
    const { content } = JSON.parse(stored.json) as BodyJson;
    return { title: entry.name, changedAt: entry.changedAt, content };
  }

  /** What is counted of words and not stored yet is left in `gathered`. */
  private async inPieces(making: ImportMaking, importId: string, gathered: GatheredCounts, signal: AbortSignal) {
    const pieces = making.pieces();
    for (;;) {
      signal.throwIfAborted();
      const isWrittenOn = this.database.isWrittenOn(WRITING_ON);
      const { daysMade } = making;
      const step = await this.database.writePiece(async (manager) => {
        const next = await this.facts.countingInto(gathered, async () => {
          const end = performance.now() + (isWrittenOn ? SHORT_PIECE : PIECE);
          let made = await pieces.next(manager);
          while (!made.done && performance.now() < end) made = await pieces.next(manager);
          return made;
        });
        // What may be gone before the next piece is counted now, so that it is known to be.
        if (gathered.size > MOST_GATHERED || making.daysMade > daysMade) {
          this.facts.storeCounts(gathered);
          await noteCounted(manager, importId, gathered.lastRow);
        }
        return next;
      });
      if (step.done) return step.value;
      // Others may write before the next piece.
      await new Promise<void>((resolve) => (isWrittenOn ? setTimeout(resolve, PAUSE) : setImmediate(resolve)));
    }
  }
}

/** Goes through something that is done in steps; others are served between pieces of them. */
async function inPieces(steps: Iterable<void>, signal: AbortSignal): Promise<void> {
  let began = performance.now();
  for (const _step of steps) {
    if (performance.now() - began < PIECE) continue;
    signal.throwIfAborted();
    await nextTurn();
    began = performance.now();
  }
}
