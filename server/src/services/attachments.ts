import { createHash, randomUUID } from 'node:crypto';
import { createReadStream, createWriteStream, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { mkdir, open, rename, rm } from 'node:fs/promises';
import path from 'node:path';
import { Transform, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { newId } from '@glossarion/core/document';
import type { Config } from '../config';
import type { Database } from '../database/database';
import { notFound, Problem } from '../problem';
import type { Threads } from '../threads/threads';

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
/** How long finding out what a file is may take, in milliseconds. */
const SNIFFED_WITHIN = 2_000;
/** How many times the limit is read before the connection is cut. */
const READ_TO = 10;
const MAX_NAME = 300;
/** Files that are known to be whole are remembered, so many at most. */
const KNOWN_WHOLE = 20_000;

const megabytes = (bytes: number): string => `${Math.round(bytes / 100_000) / 10} MB`;

/**
 * What was attached to pages. A content is stored once, as a file named by its SHA-256; each owner has rows of their own
 * for it, and reaches nothing else.
 */
export class Attachments {
  private folder: string;
  private incoming: string;
  /** Files that were found whole, with the moment and size they had then. */
  private whole = new Map<string, string>();

  constructor(
    private database: Database,
    private config: Pick<Config, 'data' | 'fileLimit' | 'accountLimit' | 'serverLimit' | 'uploadStill'>,
    private threads: Threads,
  ) {
    this.folder = path.join(config.data, 'files');
    this.incoming = path.join(this.folder, 'incoming');
    // What an upload that was cut off by the server's own end left behind.
    rmSync(this.incoming, { recursive: true, force: true });
    mkdirSync(this.incoming, { recursive: true });
  }

  /** Takes in a file. One that was cut off, or is too large, leaves nothing behind. */
  async take(ownerId: string, name: string, content: Readable): Promise<Attachment> {
    const room = this.room(ownerId);
    const temporary = path.join(this.incoming, randomUUID());
    try {
      const { hash, size } = await this.receive(content, temporary, room);
      const media = await this.mediaOf(temporary, name);
      await this.keep(temporary, hash);
      // Whoever adds the same under another name sees it by that name.
      return {
        ...(await this.note(ownerId, { hash, size, media, name: plainName(name) })),
        name: plainName(name),
        media,
      };
    } catch (error) {
      await rm(temporary, { force: true });
      throw error;
    }
  }

  /** How much more this account may add, in bytes, and the sentence for more. */
  private room(ownerId: string): { left: number; refusal: Problem } {
    const { accountLimit, serverLimit } = this.config;
    const own = this.database.first<{ total: number }>(
      'SELECT COALESCE(SUM(size), 0) AS total FROM attachments WHERE ownerId = ?',
      ownerId,
    )!.total;
    const all = this.database.first<{ total: number }>(
      'SELECT COALESCE(SUM(size), 0) AS total FROM (SELECT MAX(size) AS size FROM attachments GROUP BY hash)',
    )!.total;
    const left = accountLimit - own;
    const onServer = serverLimit - all - this.database.size();
    return left <= onServer
      ? { left, refusal: new Problem(413, `There is room for ${megabytes(accountLimit)} of files, and it is used up.`) }
      : { left: onServer, refusal: new Problem(507, 'There is no room left for files on this server.') };
  }

  private async receive(
    content: Readable,
    to: string,
    room: { left: number; refusal: Problem },
  ): Promise<{ hash: string; size: number }> {
    const { fileLimit, uploadStill } = this.config;
    const hash = createHash('sha256');
    let size = 0;
    let refusal: Problem | null = null;
    // An upload may be slow, as long as it moves.
    const still = setTimeout(() => measure.destroy(new Problem(408, 'The file stopped arriving.')), uploadStill);
    // What is too much is read to its end, so that the sentence arrives, but not kept.
    const measure = new Transform({
      transform(chunk: Buffer, _encoding, done) {
        still.refresh();
        size += chunk.length;
        if (size > fileLimit) {
          refusal ??= new Problem(413, `That file is larger than the ${megabytes(fileLimit)} that one may have.`);
        } else if (size > room.left) {
          refusal ??= room.refusal;
        }
        if (size > fileLimit * READ_TO) return done(refusal);
        if (refusal) return done();
        hash.update(chunk);
        done(null, chunk);
      },
    });
    // On the disk before it is closed: what is acknowledged outlasts a power cut.
    // What sends it is left open, so that it can be told what went wrong.
    const arriving = content.iterator({ destroyOnReturn: false });
    await pipeline(arriving, measure, createWriteStream(to, { flush: true })).finally(() => clearTimeout(still));
    if (refusal) throw refusal as Problem;
    if (size === 0) throw new Problem(400, 'That file is empty.');
    return { hash: hash.digest('hex'), size };
  }

  private pathOf(hash: string): string {
    return path.join(this.folder, hash.slice(0, 2), hash);
  }

  private async keep(temporary: string, hash: string): Promise<void> {
    const kept = this.pathOf(hash);
    const folder = path.dirname(kept);
    await mkdir(folder, { recursive: true });
    // In the place of one that is there: should that be damaged, it is whole again.
    await rename(temporary, kept);
    for (const each of [folder, this.folder]) await flushFolder(each);
    this.whole.delete(hash);
  }

  /** What a file is, by its content; by its name only where a content of text can't tell. */
  private async mediaOf(file: string, name: string): Promise<string> {
    const handle = await open(file);
    try {
      const head = Buffer.alloc(HEAD);
      const { bytesRead } = await handle.read(head, 0, HEAD, 0);
      // A file made to be hard to tell is one of an unknown kind.
      const known = await this.threads
        .run('sniff', new Uint8Array(head.subarray(0, bytesRead)), { within: SNIFFED_WITHIN, isUrgent: true })
        .catch(() => null);
      const text = TEXTS[path.extname(name).toLowerCase()];
      if (known && !(known === 'application/xml' && text)) return recorded(known, name);
      return text ?? 'application/octet-stream';
    } finally {
      await handle.close();
    }
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

  /**
   * An attachment of this owner and where its content is.
   *
   * @throws Problem when it is not there, or is not what was once stored
   */
  async own(ownerId: string, id: string): Promise<Attachment & { path: string }> {
    const row = this.database.first<AttachmentRow>(
      'SELECT * FROM attachments WHERE id = ? AND ownerId = ?',
      id,
      ownerId,
    );
    if (!row) throw notFound();
    if (!(await this.isWhole(row))) {
      throw new Problem(410, 'This file was damaged on the server’s disk. Add the same file again, and it is whole.');
    }
    return { ...row, path: this.pathOf(row.hash) };
  }

  /** Whether a content is on the disk as it was stored. It is read through once, and again when it was changed. */
  private async isWhole({ hash, size }: Pick<AttachmentRow, 'hash' | 'size'>): Promise<boolean> {
    const stat = statSync(this.pathOf(hash), { throwIfNoEntry: false });
    if (stat?.size !== size) return false;
    const sign = `${stat.mtimeMs} ${stat.size}`;
    if (this.whole.get(hash) === sign) return true;
    if ((await hashOfFile(this.pathOf(hash))) !== hash) return false;
    if (this.whole.size >= KNOWN_WHOLE) this.whole.clear();
    this.whole.set(hash, sign);
    return true;
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

/** A recording of sound alone comes in a container that is told as video. */
const recorded = (media: string, name: string): string =>
  media === 'video/webm' && /\.(?:weba|voice\.webm)$/iu.test(name) ? 'audio/webm' : media;

/** The SHA-256 of a file's content, as hexadecimal digits. */
export async function hashOfFile(file: string): Promise<string> {
  const hash = createHash('sha256');
  await pipeline(createReadStream(file), hash);
  return hash.digest('hex');
}

/** Makes sure that the names in a folder are on the disk. */
async function flushFolder(folder: string): Promise<void> {
  const handle = await open(folder);
  try {
    await handle.sync();
  } finally {
    await handle.close();
  }
}
