import { createHash, randomUUID } from 'node:crypto';
import { createWriteStream, existsSync, mkdirSync, readdirSync, rmSync } from 'node:fs';
import { open, rename, rm } from 'node:fs/promises';
import path from 'node:path';
import { Transform, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import fileType from 'file-type';
import { newId } from '@glossarion/core/document';
import type { Config } from '../config';
import type { Database } from '../database/database';
import { notFound, Problem } from '../problem';

export interface Attachment {
  id: string;
  name: string;
  media: string;
  /** Bytes. */
  size: number;
}

interface AttachmentRow extends Attachment {
  ownerId: string;
  hash: string;
}

/** Unreferenced files are kept for so long, since an undo may bring them back. */
const KEPT_UNUSED = 7 * 24 * 60 * 60 * 1000;
/** What is read of a file to know what it is. */
const HEAD = 4100;
/** How many times the limit is read before the connection is cut. */
const READ_TO = 10;
const MAX_NAME = 300;

const megabytes = (bytes: number): string => `${Math.round(bytes / 100_000) / 10} MB`;

/**
 * What was attached to pages. A content is stored once, as a file named by its SHA-256; each owner has rows of their own
 * for it, and reaches nothing else.
 */
export class Attachments {
  private folder: string;
  private incoming: string;

  constructor(
    private database: Database,
    private config: Pick<Config, 'data' | 'fileLimit' | 'accountLimit'>,
  ) {
    this.folder = path.join(config.data, 'files');
    this.incoming = path.join(this.folder, 'incoming');
    // What an upload that was cut off by the server's own end left behind.
    rmSync(this.incoming, { recursive: true, force: true });
    mkdirSync(this.incoming, { recursive: true });
  }

  /** Takes in a file. One that was cut off, or is too large, leaves nothing behind. */
  async take(ownerId: string, name: string, content: Readable): Promise<Attachment> {
    const present = this.database.first<{ total: number }>(
      'SELECT COALESCE(SUM(size), 0) AS total FROM attachments WHERE ownerId = ?',
      ownerId,
    )!.total;
    const temporary = path.join(this.incoming, randomUUID());
    try {
      const { hash, size } = await this.receive(content, temporary, present);
      const media = await mediaOf(temporary, name);
      await this.keep(temporary, hash);
      return await this.note(ownerId, { hash, size, media, name: plainName(name) });
    } catch (error) {
      await rm(temporary, { force: true });
      throw error;
    }
  }

  private async receive(content: Readable, to: string, present: number): Promise<{ hash: string; size: number }> {
    const { fileLimit, accountLimit } = this.config;
    const hash = createHash('sha256');
    let size = 0;
    let refusal: Problem | null = null;
    // What is too much is read to its end, so that the sentence arrives, but not kept.
    const measure = new Transform({
      transform(chunk: Buffer, _encoding, done) {
        size += chunk.length;
        if (size > fileLimit) {
          refusal ??= new Problem(413, `That file is larger than the ${megabytes(fileLimit)} that one may have.`);
        } else if (present + size > accountLimit) {
          refusal ??= new Problem(413, `There is room for ${megabytes(accountLimit)} of files, and it is used up.`);
        }
        if (size > fileLimit * READ_TO) return done(refusal);
        if (refusal) return done();
        hash.update(chunk);
        done(null, chunk);
      },
    });
    await pipeline(content, measure, createWriteStream(to));
    if (refusal) throw refusal as Problem;
    if (size === 0) throw new Problem(400, 'That file is empty.');
    return { hash: hash.digest('hex'), size };
  }

  private pathOf(hash: string): string {
    return path.join(this.folder, hash.slice(0, 2), hash);
  }

  private async keep(temporary: string, hash: string): Promise<void> {
    const kept = this.pathOf(hash);
    mkdirSync(path.dirname(kept), { recursive: true });
    if (existsSync(kept)) await rm(temporary);
    else await rename(temporary, kept);
  }

  private note(ownerId: string, file: Omit<AttachmentRow, 'id' | 'ownerId'>): Promise<Attachment> {
    return this.database.write(() => {
      const { writer } = this.database;
      writer
        .prepare(
          `INSERT INTO attachments (id, ownerId, hash, name, media, size, madeAt) VALUES (?, ?, ?, ?, ?, ?, ?)
           ON CONFLICT (ownerId, hash) DO UPDATE SET unusedSince = NULL`,
        )
        .run(newId(), ownerId, file.hash, file.name, file.media, file.size, new Date().toISOString());
      return writer
        .prepare('SELECT id, name, media, size FROM attachments WHERE ownerId = ? AND hash = ?')
        .get(ownerId, file.hash) as Attachment;
    });
  }

  /** An attachment of this owner and where its content is. */
  own(ownerId: string, id: string): Attachment & { path: string } {
    const row = this.database.first<AttachmentRow>(
      'SELECT * FROM attachments WHERE id = ? AND ownerId = ?',
      id,
      ownerId,
    );
    if (!row || !existsSync(this.pathOf(row.hash))) throw notFound();
    return { ...row, path: this.pathOf(row.hash) };
  }

  /**
   * Lets go of files that nothing refers to any more, the bin included, for a week. Gives how many.
   *
   * @param now the present moment, for tests
   */
  async sweep(now = new Date()): Promise<number> {
    const hashes = await this.database.write(() => {
      const { writer } = this.database;
      const isUsed = 'EXISTS (SELECT 1 FROM fileUses u WHERE u.fileId = attachments.id)';
      writer.prepare(`UPDATE attachments SET unusedSince = NULL WHERE unusedSince IS NOT NULL AND ${isUsed}`).run();
      writer
        .prepare(`UPDATE attachments SET unusedSince = ? WHERE unusedSince IS NULL AND NOT ${isUsed}`)
        .run(now.toISOString());
      const old = new Date(now.getTime() - KEPT_UNUSED).toISOString();
      const gone = writer.prepare('SELECT hash FROM attachments WHERE unusedSince < ?').all(old) as { hash: string }[];
      writer.prepare('DELETE FROM attachments WHERE unusedSince < ?').run(old);
      return gone.map(({ hash }) => hash);
    });
    for (const hash of new Set(hashes)) {
      if (!this.database.first('SELECT 1 FROM attachments WHERE hash = ?', hash))
        await rm(this.pathOf(hash), { force: true });
    }
    return hashes.length;
  }

  /** How many uploads are under way or were left behind; for tests. */
  unfinished(): number {
    return readdirSync(this.incoming).length;
  }
}

const plainName = (name: string): string =>
  name
    .replace(/[\p{Cc}/\\]+/gu, ' ')
    .trim()
    .slice(0, MAX_NAME) || 'file';

const TEXTS: Record<string, string> = {
  '.txt': 'text/plain',
  '.md': 'text/markdown',
  '.csv': 'text/csv',
  '.svg': 'image/svg+xml',
  '.ics': 'text/calendar',
};

/** What a file is, by its content; by its name only where a content of text can't tell. */
async function mediaOf(file: string, name: string): Promise<string> {
  const handle = await open(file);
  try {
    const head = Buffer.alloc(HEAD);
    const { bytesRead } = await handle.read(head, 0, HEAD, 0);
    const known = await fileType.fromBuffer(head.subarray(0, bytesRead));
    const text = TEXTS[path.extname(name).toLowerCase()];
    if (known && !(known.mime === 'application/xml' && text)) return recorded(known.mime, name);
    return text ?? 'application/octet-stream';
  } finally {
    await handle.close();
  }
}

/** A recording of sound alone comes in a container that is told as video. */
const recorded = (media: string, name: string): string =>
  media === 'video/webm' && /\.(?:weba|voice\.webm)$/iu.test(name) ? 'audio/webm' : media;
