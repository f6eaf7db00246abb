import { newId, type NodeJson } from '@glossarion/core/document';
import { ACCOUNT_FILE, idsElsewhere, withIds, type AccountFile } from '@glossarion/core/formats/account';
import { isCollection } from '@glossarion/core/formats/incoming';
import { isOfSiteItself } from '@glossarion/core/formats/site';
import { filesNamed, type FileAlong, type ImportRemark, type ReadFile } from '@glossarion/core/formats/markdown';
import { kindIdsElsewhere, type Viewer } from '../access';
import type { Database } from '../database/database';
import { AccountEntity } from '../entities';
import { Problem } from '../problem';
import type { Attachments } from './attachments';
import { readAccountFile } from './importAccount';
import { fileSent, type FileToRead } from './importReading';
import { contentOf, MAX_TEXT, type ReadZip } from './importZip';
import type { Progress } from './works';

/** Ids that one statement asks for. */
const AT_ONCE = 500;

/** What is taken in: files, and what an export says beside them. */
export interface Taken {
  /** Let go of when they are read. */
  files: readonly FileToRead[];
  rest: AccountFile | null;
  /** What is named by another id here. */
  renamed: Map<string, string>;
  remarks: ImportRemark[];
  /** Takes in what came along with the texts. */
  along?: (read: readonly ReadFile[]) => Promise<Along>;
}

/** What came along with texts: the files that they lead to, and the pages of collections that none leads to. */
export interface Along {
  fileAt: (path: string) => FileAlong | null;
  read: ReadFile[];
}

/** What is in an archive beside its texts. */
export class ArchiveReading {
  /**
   * @param read reads files as pages
   * @param isLook whether it is only looked at what is there, and no attachment is taken in
   */
  constructor(
    private database: Database,
    private attachments: Attachments,
    private read: (files: readonly FileToRead[], progress: Progress) => Promise<ReadFile[]>,
    private isLook: boolean,
  ) {}

  /** What an archive says of an account, with what is called otherwise here; its attachments are taken in. */
  async accountIn(viewer: Viewer, zip: ReadZip, progress: Progress): Promise<Taken> {
    const { files, remarks } = zip;
    const said = zip.account === null ? null : readAccountFile(zip.account);
    if (said && 'refusal' in said) remarks.push({ path: ACCOUNT_FILE, what: said.refusal });
    const isSaid = said !== null && !('refusal' in said);
    const isBeside = isSaid && (await this.database.manager.existsBy(AccountEntity, { id: said.account }));
    const renamed = isSaid ? idsElsewhere(said, viewer.accountId, isBeside) : new Map<string, string>();
    // What another account of this server has is another's here.
    const ids = isSaid ? [...said.kinds, ...said.fields].map(({ id }) => renamed.get(id) ?? id) : [];
    for (let from = 0; from < ids.length; from += AT_ONCE) {
      const some = ids.slice(from, from + AT_ONCE);
      for (const id of await kindIdsElsewhere(this.database.manager, viewer, some)) renamed.set(id, newId());
    }
    const known = new Set<string>();
    for (const { id, path, name } of isSaid ? said.files : []) {
      progress.signal.throwIfAborted();
      const entry = zip.others.get(path) ?? zip.pages.get(path);
      known.add(path);
      if (!entry) {
        remarks.push({ path, what: 'This file is not in the zip.' });
        continue;
      }
      if (this.isLook) continue;
      try {
        const content = await zip.zip.openReadStreamPromise(entry);
        const taken = await this.attachments.takeAs(viewer, renamed.get(id) ?? id, name, content);
        if (taken.id !== id) renamed.set(id, taken.id);
      } catch (error) {
        progress.signal.throwIfAborted();
        remarks.push({
          path,
          what: error instanceof Problem ? error.message : 'The file is broken, and was left out.',
        });
      }
    }
    // What was looked up is needed no more: of thousands of pages that would be much.
    zip.pages.clear();
    const rest = isSaid ? (JSON.parse(withIds(JSON.stringify(said), renamed)) as AccountFile) : null;
    const strangers = new Map([...zip.others].filter(([path]) => !known.has(path)));
    const along = (read: readonly ReadFile[]) => this.filesAlong(viewer, { ...zip, others: strangers }, read, progress);
    // An attachment is none of the pages, whatever it is called.
    return { files: files.filter(({ path }) => !known.has(path)), rest, renamed, remarks, along };
  }

  /** Takes in the files of an archive that its texts show or lead to; says of the others that they were left. */
  private async filesAlong(
    viewer: Viewer,
    { others, remarks, zip }: ReadZip,
    read: readonly ReadFile[],
    progress: Progress,
  ): Promise<Along> {
    const named = new Set(
      read.flatMap(({ path, blocks }) =>
        blocks.includes('"fileReference"') ? filesNamed(JSON.parse(blocks) as NodeJson[], path) : [],
      ),
    );
    const taken = new Map<string, FileAlong>();
    const more: ReadFile[] = [];
    const isOfSite = isOfSiteItself(others);
    for (const [path, entry] of others) {
      progress.signal.throwIfAborted();
      if (!named.has(path)) {
        if (isOfSite(path)) continue;
        const bytes = isCollection(path) ? await contentOf(zip, entry, MAX_TEXT) : null;
        if (bytes) more.push(...(await this.read([fileSent({ path, bytes })], progress)));
        else remarks.push({ path, what: 'A file of a kind that is not read, and that no text leads to.' });
        continue;
      }
      if (this.isLook) {
        taken.set(path, { id: newId(), name: path, media: '', size: entry.uncompressedSize });
        continue;
      }
      try {
        const content = await zip.openReadStreamPromise(entry);
        taken.set(path, await this.attachments.take(viewer, path.split('/').at(-1)!, content));
      } catch (error) {
        progress.signal.throwIfAborted();
        remarks.push({
          path,
          what: error instanceof Problem ? error.message : 'The file is broken, and was left out.',
        });
      }
    }
    return { fileAt: (path) => taken.get(path) ?? null, read: more };
  }
}
