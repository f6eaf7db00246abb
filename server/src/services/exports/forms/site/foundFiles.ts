import { SITE_WORDS, type FoundPage } from '@glossarion/core/formats/site';
import type { Threads } from '../../../../threads/threads';
import type { ZipEntry } from '../../zip';

/** What is found is kept in files of about so many letters. */
const WORDS_LENGTH = 1_000_000;
/** How long packing one of them may take, in milliseconds. */
const WITHIN = 30_000;

/** What is found, in files that a page brings in when somebody looks for something. */
export class FoundFiles {
  private waiting: string[] = [];
  private length = 0;
  private count = 0;

  constructor(
    private threads: Threads,
    private signal: AbortSignal,
  ) {}

  add(page: FoundPage): void {
    const written = JSON.stringify(page);
    this.waiting.push(written);
    this.length += written.length;
  }

  /** A file when there is enough for one. */
  async full(): Promise<ZipEntry[]> {
    return this.length < WORDS_LENGTH ? [] : [await this.file()];
  }

  /** What is left, and how many files there are. */
  async rest(): Promise<ZipEntry[]> {
    const last = this.waiting.length > 0 ? [await this.file()] : [];
    return [...last, { path: SITE_WORDS, at: new Date(), text: `foundIn(${this.count});\n` }];
  }

  private async file(): Promise<ZipEntry> {
    this.count += 1;
    // A script, since a page that was opened from a disk may read no other files.
    const text = `found([\n${this.waiting.join(',\n')}\n]);\n`;
    this.waiting = [];
    this.length = 0;
    const path = `site/words-${this.count}.js`;
    // Packing so long a text takes long for whoever waits meanwhile.
    const archived = await this.threads.run('archiveText', text, { within: WITHIN, signal: this.signal });
    return { path, at: new Date(), archived };
  }
}
