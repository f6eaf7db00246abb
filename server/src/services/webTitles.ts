import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { webPageOf } from '@glossarion/core/formats/html';

/**
 * Titles of web addresses. They come from the made-up web that ships with Glossarion (standins/web) and from nowhere
 * else: no request leaves.
 */
export class WebTitles {
  private titles: Map<string, string> | null = null;

  constructor(private folder: string) {}

  of(address: string): string | null {
    this.titles ??= this.read();
    return this.titles.get(withoutFragment(address)) ?? null;
  }

  private read(): Map<string, string> {
    const titles = new Map<string, string>();
    let files: string[] = [];
    try {
      files = readdirSync(this.folder).filter((name) => name.endsWith('.html'));
    } catch {
      return titles;
    }
    for (const file of files) {
      const { address, title } = webPageOf(readFileSync(path.join(this.folder, file), 'utf8'));
      if (address && title) titles.set(withoutFragment(address), title);
    }
    return titles;
  }
}

const withoutFragment = (address: string): string => address.replace(/#.*$/u, '').replace(/\/$/u, '');
