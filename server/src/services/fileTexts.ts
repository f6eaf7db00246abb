import type { Logger } from 'pino';
import type { FileText } from '@glossarion/core/find/files';
import type { Database } from '../database/database';
import { AttachmentEntity, AttachmentTextEntity, EntryEntity, FileUseEntity } from '../entities';
import { isReadable } from '../threads/fileText';
import type { Threads } from '../threads/threads';
import type { Attachments } from './attachments';
import type { FactWriter } from './facts';

/** How long reading one file may take, in milliseconds. */
const READ_WITHIN = 60_000;
/** The largest file that is read, in bytes: what a thread has room for. */
const LARGEST = 48_000_000;
/** Files that are looked up together. */
const AT_ONCE = 100;
const NOTHING: FileText = { text: '', words: '' };

/** Reads what is written in attachments, one after the other beside all else, so that it is found. */
export class FileTexts {
  private reading: Promise<void> = Promise.resolve();
  private ending = new AbortController();

  constructor(
    private database: Database,
    private attachments: Attachments,
    private facts: FactWriter,
    private threads: Threads,
    private log: Logger,
  ) {
    attachments.onTake(() => this.poke());
    this.poke();
  }

  /** Reads what was not read yet. */
  poke(): void {
    this.reading = this.reading
      .then(() => this.readDue())
      .catch((error: unknown) => (this.isClosed ? undefined : this.log.error(error, 'files were not read')));
  }

  /** Resolves when all was read that there is. */
  idle(): Promise<void> {
    return this.reading;
  }

  /** What is being read is broken off: it is read at the next start. */
  async close(): Promise<void> {
    this.ending.abort();
    await this.reading;
  }

  private get isClosed(): boolean {
    return this.ending.signal.aborted;
  }

  private async readDue(): Promise<void> {
    for (let due = await this.due(); due.length > 0 && !this.isClosed; due = await this.due()) {
      for (const { id, media, size } of due) {
        const isRead = isReadable(media) && size <= LARGEST;
        const text = isRead ? await this.textOf(id, media) : NOTHING;
        if (this.isClosed) return;
        await this.store(id, text);
      }
    }
  }

  private due(): Promise<{ id: string; media: string; size: number }[]> {
    return this.database.manager
      .createQueryBuilder(AttachmentEntity, 'a')
      .leftJoin(AttachmentTextEntity.options.name, 't', 't.fileId = a.id')
      .select(['a.id AS id', 'a.media AS media', 'a.size AS size'])
      .where('t.fileId IS NULL')
      .orderBy('a.madeAt')
      .limit(AT_ONCE)
      .getRawMany();
  }

  /** What is written in a file; nothing of one that can't be read, or not in the time and memory there is. */
  private async textOf(id: string, media: string): Promise<FileText> {
    const content = await this.attachments.contentOf(id);
    if (!content) return NOTHING;
    const bytes = new Uint8Array(content);
    try {
      return await this.threads.run(
        'fileText',
        { media, bytes },
        { within: READ_WITHIN, isLarge: true, transfer: [bytes.buffer], signal: this.ending.signal },
      );
    } catch (error) {
      if (!this.isClosed) this.log.info({ id, error: (error as Error).message }, 'a file could not be read');
      return NOTHING;
    }
  }

  /** Keeps what is written in a file, and lets the pages that show it be found by it. */
  private store(fileId: string, text: FileText): Promise<void> {
    return this.database.writePiece(async (manager) => {
      // It may have been let go meanwhile.
      if (!(await manager.existsBy(AttachmentEntity, { id: fileId }))) return;
      await manager.upsert(AttachmentTextEntity, { fileId, ...text }, ['fileId']);
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
