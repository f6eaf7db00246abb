import { FolderNames, fileName, type PortableFile } from '@glossarion/core/formats/account';
import type { Viewer } from '../../access';
import type { Progress } from '../works';
import type { ExportContext } from './context';
import type { ZipEntry } from './zip';

/** The attachments that pages of an export show, each once. */
export class AttachedFiles {
  private names = new FolderNames();
  private known = new Map<string, (PortableFile & { from: string }) | null>();
  /** Pages are written side by side: what one looks for is known to the next only when it was found. */
  private looking: Promise<void> = Promise.resolve();

  constructor(
    private context: ExportContext,
    private viewer: Viewer,
  ) {}

  /** Looks which of these are attachments. */
  look(ids: Iterable<string>): Promise<void> {
    const looked = this.looking.then(() => this.lookFor(ids));
    this.looking = looked.catch(() => undefined);
    return looked;
  }

  private async lookFor(ids: Iterable<string>): Promise<void> {
    const unknown = [...ids].filter((id) => !this.known.has(id));
    if (unknown.length === 0) return;
    const present = await this.context.attachments.present(this.viewer, unknown);
    for (const id of unknown) this.known.set(id, null);
    for (const { id, name, media, path: from } of present) {
      const parts = /^(.*?)(\.[^.]{1,12})?$/u.exec(name)!;
      const ending = (parts[2] ?? '').replaceAll(/[^.\p{L}\p{N}]/gu, '');
      // Two of one name differ before their ending.
      const path = `files/${this.names.take(`files${ending}`, fileName(parts[1] || 'file'))}${ending}`;
      this.known.set(id, { id, path, name, media, from });
    }
  }

  /** By their ids, where those among these that are attachments are in the export. */
  of(ids: Iterable<string>): Record<string, string> {
    const paths: Record<string, string> = {};
    for (const id of ids) {
      const file = this.known.get(id);
      if (file) paths[id] = file.path;
    }
    return paths;
  }

  mediaOf(id: string): string {
    return this.known.get(id)?.media ?? '';
  }

  /** Their contents, one after the other. */
  *contents(progress: Progress): Generator<ZipEntry[]> {
    for (const { path, from } of this.present()) {
      yield [{ path, from, at: new Date() }];
      progress.done += 1;
    }
  }

  all(): PortableFile[] {
    return this.present().map(({ id, path, name, media }) => ({ id, path, name, media }));
  }

  private present(): (PortableFile & { from: string })[] {
    return [...this.known.values()].filter((file) => file !== null);
  }
}
