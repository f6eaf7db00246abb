import type { FoundPage } from '@glossarion/core/formats/site';
import type { ZipEntry } from '../../zip';

/** What is found is kept in files of about so many letters. */
const WORDS_LENGTH = 1_000_000;

/** What is found, in files that a page brings in when somebody looks for something. */
export class FoundFiles {
  private waiting: string[] = [];
  private length = 0;
  private count = 0;

  add(page: FoundPage): void {
    const written = JSON.stringify(page);
    this.waiting.push(written);
    this.length += written.length;
  }

  /** A file when there is enough for one. */
  full(): ZipEntry[] {
    return this.length < WORDS_LENGTH ? [] : [this.file()];
  }

  /** What is left, and how many files there are. */
  rest(): ZipEntry[] {
    const last = this.waiting.length > 0 ? [this.file()] : [];
    return [...last, { path: 'site/words.js', at: new Date(), text: `foundIn(${this.count});\n` }];
  }

  private file(): ZipEntry {
    this.count += 1;
    // A script, since a page that was opened from a disk may read no other files.
    const text = `found([\n${this.waiting.join(',\n')}\n]);\n`;
    this.waiting = [];
    this.length = 0;
    return { path: `site/words-${this.count}.js`, at: new Date(), text };
  }
}
