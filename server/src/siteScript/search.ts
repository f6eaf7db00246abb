import { foldWords, wordsIn } from '@glossarion/core/words';
import type { FoundPage } from '@glossarion/core/formats/site';

/** A page with its words folded, to be looked through. */
interface Prepared {
  page: FoundPage;
  title: string;
  lines: string[];
  /** All of it, a space before and after each word. */
  all: string;
}

export interface Result {
  path: string;
  title: string;
  trail: string;
  /** The line that was found; null when it is the title alone. */
  line: { anchor: string; words: string } | null;
}

/** The most pages that are shown. */
export const SHOWN = 60;

const prepare = (page: FoundPage): Prepared => {
  const folded = (words: string): string =>
    ` ${wordsIn(words)
      .map(({ word }) => word)
      .join(' ')} `;
  const lines = page[3].map(([, words]) => folded(words));
  const title = folded(page[1]);
  return { page, title, lines, all: title + lines.join('') };
};

/** Finds pages by their words: each must stand on the page, the last may be begun. */
export class Search {
  private pages: Prepared[] = [];

  add(pages: readonly FoundPage[]): void {
    for (const page of pages) this.pages.push(prepare(page));
  }

  /** What is found, the best first, at most SHOWN; and how many pages there are of it. */
  find(typed: string): { count: number; results: Result[]; words: string[] } {
    const words = wordsIn(typed).map(({ word }) => word);
    if (words.length === 0) return { count: 0, results: [], words };
    const isEnded = /[^\p{L}\p{N}\p{M}]$/u.test(typed);
    const wanted = words.map((word, index) => (index === words.length - 1 && !isEnded ? ` ${word}` : ` ${word} `));
    const countIn = (text: string): number => wanted.filter((each) => text.includes(each)).length;
    const found = this.pages.flatMap((each) => {
      if (countIn(each.all) < wanted.length) return [];
      const inTitle = countIn(each.title);
      const isTitle = each.title.trim() === foldWords(words.join(' '));
      let best = -1;
      let most = 0;
      each.lines.forEach((line, index) => {
        const count = countIn(line);
        if (count > most) [best, most] = [index, count];
      });
      const score =
        (isTitle ? 8 : 0) +
        (inTitle === wanted.length ? 4 : 0) +
        inTitle / wanted.length +
        (most === wanted.length ? 2 : 0);
      return [{ each, best: inTitle === wanted.length ? -1 : best, score }];
    });
    found.sort((one, other) => other.score - one.score);
    const results = found.slice(0, SHOWN).map(({ each: { page }, best }): Result => {
      const [path, title, trail, lines] = page;
      const line = best < 0 ? null : { anchor: lines[best]![0], words: lines[best]![1] };
      return { path, title, trail, line };
    });
    return { count: found.length, results, words };
  }
}
