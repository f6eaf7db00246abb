import type { EntityManager } from 'typeorm';
import {
  block,
  checkBody,
  emptyBody,
  namedId,
  newId,
  ownWords,
  repairBody,
  ShapeError,
  type BodyJson,
  type NodeJson,
} from '@glossarion/core/document';
import {
  Planning,
  refusedFile,
  type ImportReport,
  type MarkdownFile,
  type PlannedEntry,
  type ReadFile,
} from '@glossarion/core/formats/markdown';
import { dayId, dayTemplate } from '@glossarion/core/journal';
import { ordersAfter } from '@glossarion/core/outline';
import type { Database } from '../database/database';
import { prepared } from '../database/prepared';
import { notFound, Problem } from '../problem';
import { packed, unpacked, type PackedFile, type SentFile } from '../threads/readFiles';
import { Overdone, type Threads } from '../threads/threads';
import type { Accepted, Documents } from './documents';
import { adjustBeneath, weightOf, type Weight } from './beneath';
import { breathing } from './breath';
import type { FactWriter } from './facts';

/** Files are read in lots of about so many bytes, or so many files. */
const LOT = 200_000;
const LOT_FILES = 60;
/** How long reading one file may take, in milliseconds: a moment, and more for a long one. */
const READ_WITHIN = 2_000;
const PER_BYTE = 0.02;
/** Files of more bytes than this are much to wait for each other in memory. */
const MUCH = 12_000_000;
/** Blocks that are checked in one piece. */
const CHECKED_AT_ONCE = 200;
/** What was written is brought to the disk after so many entries. */
const SETTLED_AFTER = 100;

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
  ownerId: string;
  stop: AbortController;
}

const stopped = () => new Problem(409, 'The import was stopped. Nothing was taken in.');

/** Takes in a folder of Markdown files: all of it, or nothing. */
export class Imports {
  private running = new Map<string, Running>();

  constructor(
    private database: Database,
    private documents: Documents,
    private forgetNames: (ownerId: string) => void,
    private facts: FactWriter,
    private threads: Threads,
  ) {}

  /** How far an import of this owner's has come. */
  progress(ownerId: string, id: string): ImportProgress {
    const running = this.running.get(id);
    if (running?.ownerId !== ownerId) throw notFound();
    return { id, done: running.done, total: running.total };
  }

  /** Ends an import of this owner's; nothing of it is left. */
  stop(ownerId: string, id: string): void {
    const running = this.running.get(id);
    if (running?.ownerId !== ownerId) throw notFound();
    running.stop.abort(stopped());
  }

  take(ownerId: string, files: readonly MarkdownFile[], options: ImportOptions = {}): Promise<ImportReport> {
    const encoder = new TextEncoder();
    const sent = files.map(({ path, text }) => ({ path, bytes: encoder.encode(text) }));
    return this.takeFiles(ownerId, sent, options);
  }

  /** Takes files in as they were sent; their bytes are let go of as they are read. */
  async takeFiles(
    ownerId: string,
    files: readonly SentFile[],
    { looseNotebook = 'Imported', id = newId() }: ImportOptions = {},
  ): Promise<ImportReport> {
    if (this.running.has(id)) throw new Problem(409, 'This import is under way already.');
    const running: Running = { id, ownerId, done: 0, total: files.length * 2, stop: new AbortController() };
    this.running.set(id, running);
    try {
      const read = await this.read(files, running);
      const taken = this.database.statement('SELECT 1 FROM entries WHERE id = ?');
      const planning = new Planning(read, {
        dayIdOf: (day) => dayId(ownerId, day),
        looseNotebook,
        isTaken: (each) => taken.get(each) !== undefined,
      });
      const accepted: Accepted[] = [];
      const report = await this.database.writeLong((manager) => this.make(manager, planning, running, accepted));
      accepted.forEach((each) => this.documents.tell(each));
      this.forgetNames(ownerId);
      return report;
    } finally {
      this.running.delete(id);
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

  /**
   * Makes what is planned, within one transaction. Others are served between its pieces; they see nothing of it before
   * it is whole, and writes come after it.
   */
  private async make(
    manager: EntityManager,
    planning: Planning,
    running: Running,
    accepted: Accepted[],
  ): Promise<ImportReport> {
    const { ownerId } = running;
    const { writer } = this.database;
    const breath = breathing();
    const report: ImportReport = { notebooks: 0, sections: 0, pages: 0, days: 0, links: 0, remarks: planning.remarks };
    const { place, weigh } = this.placer(ownerId);
    const elsewhere = writer.prepare(
      'SELECT 1 FROM blocks b JOIN entries e ON e.id = b.pageId WHERE b.id = ? AND e.ownerId = ?',
    );
    const isTaken = (id: string) => elsewhere.get(id, ownerId) !== undefined;
    const fitting = async (path: string, body: BodyJson): Promise<BodyJson> =>
      repairBody(await this.checked(planning, path, body, breath), isTaken).body;
    const begun = running.done;
    /** What was written so far, on its way to the disk while more is made. */
    let settling: Promise<void> = Promise.resolve();

    const makeEntries = async (from: number): Promise<void> => {
      // The list grows while it is gone through: by pages that links name, and by parts of long ones.
      for (let index = from; index < planning.entries.length; index += 1) {
        running.stop.signal.throwIfAborted();
        const entry = planning.entries[index]!;
        const row = place(entry);
        if (entry.kind === 'page') {
          const planned = planning.bodyOf(entry);
          const body = planned ? await fitting(entry.name, planned) : emptyBody(namedId(entry.id, 'first'));
          report.links += await this.writePage(entry, row, body, breath);
          report.pages += 1;
        } else {
          this.facts.writeName(row, entry.name);
          report[entry.kind === 'notebook' ? 'notebooks' : 'sections'] += 1;
        }
        running.done = begun + Math.min(index, running.total - begun);
        if (index % SETTLED_AFTER === SETTLED_AFTER - 1) {
          await settling;
          settling = this.database.settle();
          // Whether it went well is asked before the next; until then nobody else hears of it.
          settling.catch(() => undefined);
        }
        await breath();
      }
    };
    await makeEntries(0);
    const made = planning.entries.length;
    for (const day of planning.days) {
      running.stop.signal.throwIfAborted();
      const body = await fitting(day.day, planning.dayBody(day));
      report.links += await this.writeDay(manager, ownerId, day.day, body, report, accepted);
      await breath();
    }
    await makeEntries(made);
    weigh();
    for (const day of planning.namedDays()) {
      const pageId = dayId(ownerId, day);
      if (!this.isThere(pageId)) this.documents.makeDayRow(ownerId, pageId, day, dayTemplate(pageId));
    }
    await settling;
    await this.database.settle();
    return report;
  }

  /** The body in its canonical form; the plain words of what does not fit the form of a page. */
  private async checked(
    planning: Planning,
    path: string,
    { content }: BodyJson,
    breath: () => Promise<void>,
  ): Promise<BodyJson> {
    const checked: NodeJson[] = [];
    for (let from = 0; from < content.length; from += CHECKED_AT_ONCE) {
      const piece = content.slice(from, from + CHECKED_AT_ONCE);
      try {
        checked.push(...checkBody({ type: 'doc', content: piece }).content);
      } catch (error) {
        if (!(error instanceof ShapeError)) throw error;
        planning.remarks.push({ path, what: `${error.message} Its words were kept without their form.` });
        const lines = piece.flatMap((node) => ownWords(node).match(/[^\n]{1,20000}/gu) ?? []);
        checked.push(...checkBody({ type: 'doc', content: lines.map((line) => block('paragraph', line)) }).content);
      }
      await breath();
    }
    return { type: 'doc', content: checked };
  }

  private isThere(id: string): boolean {
    return this.database.writer.prepare('SELECT 1 FROM entries WHERE id = ?').get(id) !== undefined;
  }

  /**
   * `place` makes the row of an entry after those that were made before it in the same place, and gives its number;
   * `weigh`, once all are made, counts them in what they stand in.
   */
  private placer(ownerId: string): { place: (entry: PlannedEntry) => number; weigh: () => void } {
    const { writer } = this.database;
    const now = new Date().toISOString();
    const insert = writer.prepare(
      `INSERT INTO entries (id, ownerId, kind, parentId, orderKey, name, pigment, ornament, description, begunAt, changedAt,
         season, showsLeaves) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
    );
    const last = writer
      .prepare('SELECT MAX(orderKey) FROM entries WHERE ownerId = ? AND parentId IS ? AND day IS NULL')
      .pluck();
    const orders = new Map<string | null, string | null>();
    const weights = new Map<string | null, Weight>();
    const place = (entry: PlannedEntry) => {
      const { parentId } = entry;
      const before = orders.has(parentId) ? orders.get(parentId)! : (last.get(ownerId, parentId) as string | null);
      const [orderKey] = ordersAfter(before, 1);
      orders.set(parentId, orderKey!);
      const begunAt = entry.begunAt ?? now;
      const { lastInsertRowid } = insert.run(
        entry.id,
        ownerId,
        entry.kind,
        parentId,
        orderKey,
        entry.name,
        entry.kind === 'notebook' ? (entry.pigment ?? 'lapis') : null,
        entry.ornament ?? null,
        entry.description ?? '',
        begunAt,
        entry.changedAt ?? begunAt,
        entry.season ?? null,
        entry.showsLeaves ? 1 : 0,
      );
      const { pages, sections } = weightOf({ kind: entry.kind, pagesBeneath: 0, sectionsBeneath: 0 });
      const held = weights.get(parentId) ?? { pages: 0, sections: 0 };
      weights.set(parentId, { pages: held.pages + pages, sections: held.sections + sections });
      return Number(lastInsertRowid);
    };
    const weigh = () => weights.forEach((weight, parentId) => adjustBeneath(writer, parentId, weight, 1));
    return { place, weigh };
  }

  /** Writes a page's body, names and facts; gives how many links there are on it. */
  private async writePage(
    entry: PlannedEntry,
    row: number,
    body: BodyJson,
    breath: () => Promise<void>,
  ): Promise<number> {
    const { writer } = this.database;
    prepared(writer, 'INSERT INTO bodies (pageId, json) VALUES (?, ?)').run(entry.id, JSON.stringify(body));
    const addName = prepared(writer, 'INSERT INTO otherNames (pageId, position, name) VALUES (?, ?, ?)');
    entry.otherNames?.forEach((name, position) => {
      addName.run(entry.id, position, name);
      this.facts.noteName(entry.id, name);
    });
    const writing = this.facts.writing({ row, id: entry.id, indexed: null }, entry.name, body, null);
    let step = writing.next();
    while (!step.done) {
      await breath();
      step = writing.next();
    }
    return step.value.links.length;
  }

  /** Writes a day; one that is written already gets the lines that it lacks. Gives how many links came with them. */
  private async writeDay(
    manager: EntityManager,
    ownerId: string,
    day: string,
    body: BodyJson,
    report: ImportReport,
    accepted: Accepted[],
  ): Promise<number> {
    const pageId = dayId(ownerId, day);
    if (!this.isThere(pageId)) {
      report.days += 1;
      return this.documents.makeDayRow(ownerId, pageId, day, body, `${day}T20:00:00.000Z`).links.length;
    }
    const present = this.documents.bodyWithin(ownerId, pageId);
    const words = new Set(present.content.map(ownWords));
    const lacking = body.content.filter((node) => !words.has(ownWords(node)));
    if (lacking.length === 0) {
      report.remarks.push({ path: `${day}.md`, what: 'The day is written already, with the same words.' });
      return 0;
    }
    const content = [...present.content, ...lacking];
    accepted.push(await this.documents.rewriteWithin(manager, ownerId, pageId, { type: 'doc', content }));
    report.remarks.push({ path: `${day}.md`, what: 'The day is written already; its lines were added at the end.' });
    report.days += 1;
    return 0;
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
