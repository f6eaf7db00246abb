import type { Logger } from 'pino';
import { IsNull, Not } from 'typeorm';
import type { FileText } from '@glossarion/core/find/files';
import type { Database } from '../database/database';
import { AttachmentEntity, AttachmentTextEntity, EntryEntity, FileUseEntity } from '../entities';
import { isReadable } from '../threads/fileText';
import type { Threads } from '../threads/threads';
import type { Attachments } from './attachments';
import { Errand } from './errand';
import type { FactWriter } from './facts';
import type { FileWords } from './fileWords';
import { letOthers } from './turns';

/** How long reading one file may take, in milliseconds. */
const READ_WITHIN = 60_000;
/** By how much the server may grow while one is read, in bytes: a small file may unpack to any size. */
const GROWTH = 400_000_000;
/** How often the reading of a file is begun that comes to no end. */
const TRIES = 2;
/** The largest file that is read, in bytes: what a thread has room for. */
const LARGEST = 48_000_000;
/** After a file of so many bytes the memory that its thread has taken is let go. */
const LARGE = 2_000_000;
/** Files that are looked up together. */
const AT_ONCE = 100;
const NOTHING: FileText = { text: '', words: '' };

/** Reads what is written in attachments, one after the other beside all else, so that it is found. */
export class FileTexts {
  constructor(
    private database: Database,
    private attachments: Attachments,
    private facts: FactWriter,
    private words: FileWords,
    private threads: Threads,
    private log: Logger,
  ) {}

  /** What reads those that were not read yet. */
  reading(): Errand {
    return new Errand((signal) => this.readDue(signal), this.log, 'what is written in files was read');
  }

  private async readDue(signal: AbortSignal): Promise<void> {
    for (let due = await this.due(); due.length > 0; due = await this.due()) {
      for (const { id, media, size } of due) {
        const isRead = isReadable(media) && size <= LARGEST;
        if (isRead) await this.begin(id);
        const text = isRead ? await this.textOf(id, media, signal) : NOTHING;
        if (signal.aborted) return isRead ? this.leave(id) : undefined;
        await this.store(id, text);
        await letOthers();
        await this.words.count(id, signal);
      }
    }
    for (const { fileId } of await this.uncounted()) {
      if (signal.aborted) return;
      await this.words.count(fileId, signal);
      await letOthers();
    }
  }

  /** Files that were read, and whose words are not all counted. */
  private uncounted(): Promise<{ fileId: string }[]> {
    const where = { countedTo: Not(IsNull()) };
    return this.database.manager.find(AttachmentTextEntity, { select: { fileId: true }, where });
  }

  private due(): Promise<{ id: string; media: string; size: number }[]> {
    return this.database.manager
      .createQueryBuilder(AttachmentEntity, 'a')
      .leftJoin(AttachmentTextEntity.options.name, 't', 't.fileId = a.id')
      .select(['a.id AS id', 'a.media AS media', 'a.size AS size'])
      .where('t.fileId IS NULL OR t.tries BETWEEN 1 AND :most', { most: TRIES - 1 })
      .orderBy('a.madeAt')
      .limit(AT_ONCE)
      .getRawMany();
  }

  /** What is written in a file; nothing of one that can't be read, or not in the time and memory there is. */
  private async textOf(id: string, media: string, signal: AbortSignal): Promise<FileText> {
    const content = await this.attachments.contentOf(id);
    if (!content) return NOTHING;
    const bytes = new Uint8Array(content);
    try {
      return await this.threads.run(
        'fileText',
        { media, bytes },
        { within: READ_WITHIN, growth: GROWTH, isLarge: bytes.length > LARGE, transfer: [bytes.buffer], signal },
      );
    } catch (error) {
      if (!signal.aborted) this.log.info({ id, error: (error as Error).message }, 'a file could not be read');
      return NOTHING;
    }
  }

  /** Notes that a file is about to be read. */
  private begin(fileId: string): Promise<void> {
    return this.database.write(async (manager) => {
      if (!(await manager.existsBy(AttachmentEntity, { id: fileId }))) return;
      const tries = (await manager.findOneBy(AttachmentTextEntity, { fileId }))?.tries ?? 0;
      await manager.upsert(AttachmentTextEntity, { fileId, ...NOTHING, tries: tries + 1, countedTo: null }, ['fileId']);
    });
  }

  /** It was left for the next start, through no fault of its own. */
  private leave(fileId: string): Promise<void> {
    return this.database.write((manager) => manager.delete(AttachmentTextEntity, { fileId }).then(() => undefined));
  }

  /** Keeps what is written in a file, and lets the pages that show it be found by it. */
  private store(fileId: string, text: FileText): Promise<void> {
    return this.database.writePiece(async (manager) => {
      // It may have been let go meanwhile.
      if (!(await manager.existsBy(AttachmentEntity, { id: fileId }))) return;
      await manager.upsert(
        AttachmentTextEntity,
        { fileId, ...text, tries: 0, countedTo: text.words === '' ? null : 0 },
        ['fileId'],
      );
      if (text.words === '') return;
      const shown = await manager
        .createQueryBuilder(FileUseEntity, 'u')
        .innerJoin(EntryEntity.options.name, 'e', 'e.id = u.documentId')
        .select(['DISTINCT e.id AS id', 'e.row AS row'])
        .where({ fileId })
        .getRawMany<{ id: string; row: number }>();
      for (const { id, row } of shown) this.facts.writeFileWords(id, row);
    });
  }
}
