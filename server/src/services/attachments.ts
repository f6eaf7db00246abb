import { createHash, randomUUID } from 'node:crypto';
import { createReadStream, createWriteStream, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { mkdir, open, readFile, rename, rm } from 'node:fs/promises';
import path from 'node:path';
import { Transform, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { newId } from '@glossarion/core/document';
import { In, IsNull, LessThan, Not, Raw, type EntityManager } from 'typeorm';
import { ownedBy, type Viewer } from '../access';
import type { Config } from '../config';
import type { Database } from '../database/database';
import { AttachmentEntity, AttachmentTextEntity, EntryEntity, FileUseEntity, type StoredAttachment } from '../entities';
import { notFound, Problem } from '../problem';
import type { Threads } from '../threads/threads';
import { nextTurn } from './turns';

export interface Attachment {
  id: string;
  name: string;
  media: string;
  /** Bytes. */
  size: number;
}

type AttachmentRow = Pick<StoredAttachment, 'id' | 'name' | 'media' | 'size' | 'hash'>;

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
  /** Is told of each that was taken in. */
  private takers = new Set<() => void>();
  private letGo = new Set<(fileId: string) => Promise<void>>();

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

  /** Calls `taken` when a file was taken in. */
  onTake(taken: () => void): void {
    this.takers.add(taken);
  }

  /** Calls `letGo` before a file is let go; what was not seen to before then goes another time. */
  onLetGo(letGo: (fileId: string) => Promise<void>): void {
    this.letGo.add(letGo);
  }

  /** Takes in a file. One that was cut off, or is too large, leaves nothing behind. */
  take(viewer: Viewer, name: string, content: Readable): Promise<Attachment> {
    return this.takeAs(viewer, newId(), name, content);
  }

  /** The same by an id of its own, unless the content is here by another, or something else has that id. */
  async takeAs(viewer: Viewer, wantedId: string, name: string, content: Readable): Promise<Attachment> {
    const room = await this.room(viewer);
    const temporary = path.join(this.incoming, randomUUID());
    try {
      const { hash, size } = await this.receive(content, temporary, room);
      const media = await this.mediaOf(temporary, name);
      await this.keep(temporary, hash);
      const noted = await this.note(viewer, wantedId, { hash, size, media, name: plainName(name) });
      this.takers.forEach((taken) => taken());
      // Whoever adds the same under another name sees it by that name.
      return { ...noted, name: plainName(name), media };
    } catch (error) {
      await rm(temporary, { force: true });
      throw error;
    }
  }

  /** How much more this account may add, in bytes, and the sentence for more. */
  private async room(viewer: Viewer): Promise<{ left: number; refusal: Problem }> {
    const { accountLimit, serverLimit } = this.config;
    const { manager } = this.database;
    const own = (await manager.sum(AttachmentEntity, 'size', ownedBy(viewer))) ?? 0;
    const once = manager.createQueryBuilder(AttachmentEntity, 'a').select('MAX(a.size)', 'size').groupBy('a.hash');
    const all = (await once.getRawMany<{ size: number }>()).reduce((sum, { size }) => sum + size, 0);
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

  private note(viewer: Viewer, wantedId: string, file: Omit<AttachmentRow, 'id'>): Promise<Attachment> {
    return this.database.write(async (manager) => {
      const present = await manager.findOneBy(AttachmentEntity, { ...ownedBy(viewer), hash: file.hash });
      const id = present || !(await manager.existsBy(AttachmentEntity, { id: wantedId })) ? wantedId : newId();
      const attachment = present ?? { ...file, ...ownedBy(viewer), id, madeAt: new Date().toISOString() };
      await manager.upsert(AttachmentEntity, { ...attachment, unusedSince: null }, ['id']);
      const { name, media, size } = attachment;
      return { id: attachment.id, name, media, size };
    });
  }

  /**
   * An attachment that a viewer added, or that something shows which they may see, and where its content is.
   *
   * @throws Problem when it is not there, or is not what was once stored
   */
  async visible(viewer: Viewer, id: string): Promise<Attachment & { path: string }> {
    const row = await this.database.manager.findOneBy(AttachmentEntity, { id });
    const isOwn = row && (await this.database.manager.existsBy(AttachmentEntity, { id, ...ownedBy(viewer) }));
    if (!row || !(isOwn || (await this.isShown(viewer, id)))) throw notFound();
    if (!(await this.isWhole(row))) {
      throw new Problem(410, 'This file was damaged on the server’s disk. Add the same file again, and it is whole.');
    }
    const { name, media, size } = row;
    return { id, name, media, size, path: this.pathOf(row.hash) };
  }

  /** The content of an attachment; null when it is not there as it was stored. */
  async contentOf(id: string): Promise<Buffer | null> {
    const row = await this.database.manager.findOneBy(AttachmentEntity, { id });
    return row && (await this.isWhole(row)) ? readFile(this.pathOf(row.hash)) : null;
  }

  /** Those among `ids` that are attachments of the viewer's own, whose content is there as it was stored. */
  async present(viewer: Viewer, ids: readonly string[]): Promise<(Attachment & { path: string })[]> {
    const rows = await this.database.manager.findBy(AttachmentEntity, { id: In([...ids]), ...ownedBy(viewer) });
    const found: (Attachment & { path: string })[] = [];
    for (const { id, name, media, size, hash } of rows) {
      if (await this.isWhole({ hash, size })) found.push({ id, name, media, size, path: this.pathOf(hash) });
    }
    return found;
  }

  /** Whether something that the viewer was granted to see shows an attachment. */
  private async isShown(viewer: Viewer, fileId: string): Promise<boolean> {
    if (!viewer.hasGrants) return false;
    const query = this.database.manager
      .createQueryBuilder(FileUseEntity, 'u')
      .innerJoin(EntryEntity.options.name, 'e', 'e.id = u.documentId')
      .where({ fileId });
    return this.database.reading(viewer).visible(query).getExists();
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
    const { manager: reading } = this.database;
    const old = { unusedSince: LessThan(new Date(now.getTime() - KEPT_UNUSED).toISOString()) };
    await this.database.write((manager) => markUnused(manager, now));
    for (const { id } of await reading.find(AttachmentEntity, { select: { id: true }, where: old })) {
      for (const letGo of this.letGo) await letGo(id);
      await nextTurn();
    }
    const hashes = await this.database.write(async (manager) => {
      // Meanwhile something may have come to refer to one.
      await markUnused(manager, now);
      const counted = manager
        .createQueryBuilder(AttachmentTextEntity, 't')
        .select('t.fileId')
        .where("t.words != '' AND (t.countedTo IS NULL OR t.countedTo > 0)");
      const leaving = { ...old, id: Raw((id) => `${id} NOT IN (${counted.getQuery()})`) };
      const gone = await manager.findBy(AttachmentEntity, leaving);
      await manager.delete(AttachmentEntity, leaving);
      return gone.map(({ hash }) => hash);
    });
    const kept = await reading.findBy(AttachmentEntity, { hash: In(hashes) });
    const keptHashes = new Set(kept.map(({ hash }) => hash));
    for (const hash of new Set(hashes)) if (!keptHashes.has(hash)) await rm(this.pathOf(hash), { force: true });
    return hashes.length;
  }

  /** How many uploads are under way or were left behind; for tests. */
  unfinished(): number {
    return readdirSync(this.incoming).length;
  }
}

/** Notes of files whether anything refers to them, and since when nothing does. */
async function markUnused(manager: EntityManager, now: Date): Promise<void> {
  const used = manager.createQueryBuilder(FileUseEntity, 'u').select('u.fileId').getQuery();
  const mark = (isUsed: boolean, since: string | null) =>
    manager
      .createQueryBuilder()
      .update(AttachmentEntity)
      .set({ unusedSince: since })
      .where({ unusedSince: isUsed ? Not(IsNull()) : IsNull() })
      .andWhere(`id ${isUsed ? 'IN' : 'NOT IN'} (${used})`)
      .execute();
  await mark(true, null);
  await mark(false, now.toISOString());
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
