import { spacedWords } from '../../words';
import { alsoIn } from '../also';
import type { FoundLine } from '../finding';
import { countOf, fitting, weightOf, type Fit } from '../fits';
import { withGuesses } from '../guessed';
import { markWords, type MarkedPiece } from '../marked';
import type { Asked } from '../query/asked';
import { joinedFit, worthOf } from '../rank';
import { HOW, type KnownWords } from '../readings';
import { stemOf } from '../telling';
import { Vocabulary } from '../vocabulary';
import { isWantedTogether, wantedOf, wantedWords, type Wanted, type WantedWord } from '../wanted';

/** A page as a window holds it. */
export interface HeldPage {
  id: string;
  title: string;
  /** Its lines in their order, with the words that each shows. */
  lines: readonly { id: string; words: string }[];
}

/** A page that was found among those. */
export interface HeldFinding {
  id: string;
  titlePieces: MarkedPiece[];
  /** The best first; none when the title alone fits. */
  lines: FoundLine[];
}

/** The most lines of a page that are shown. */
const LINES = 3;
/** With fewer pages than this, words that were mistyped are looked for too. */
const FEW = 6;

/** A page with the words of its title and of its lines, each between spaces. */
interface ReadyPage {
  page: HeldPage;
  title: string;
  lines: readonly string[];
}

/**
 * Finds among the pages that a window holds, with what can be known of them: words as typed and as they begin, other
 * forms of English, two words written as one, and slips. Filters are asked of nobody, and let everything through.
 */
export class HeldNotes {
  private readonly known: KnownWords;
  private readonly pages: readonly ReadyPage[];

  constructor(pages: readonly HeldPage[]) {
    this.pages = pages.map((page) => ({
      page,
      title: spacedWords(page.title),
      lines: page.lines.map(({ words }) => spacedWords(words)),
    }));
    const counts = new Map<string, number>();
    for (const { title, lines } of this.pages) {
      for (const text of [title, ...lines]) {
        for (const word of new Set(text.split(' '))) {
          if (word !== '') counts.set(word, (counts.get(word) ?? 0) + 1);
        }
      }
    }
    const byStem = new Map<string, string[]>();
    for (const word of counts.keys()) byStem.set(stemOf(word), [...(byStem.get(stemOf(word)) ?? []), word]);
    this.known = {
      vocabulary: new Vocabulary(counts),
      formsOf: (word) => byStem.get(stemOf(word)) ?? [],
      namedBy: () => [],
    };
  }

  /** What is found, best first, and the words that were taken for what was typed. */
  find(asked: Asked, limit: number): { findings: HeldFinding[]; also: string[]; isMore: boolean } {
    let wanted = wantedOf(asked, this.known);
    if (!wanted) return { findings: [], also: [], isMore: false };
    let found = this.searched(wanted);
    for (const isAny of [false, true]) {
      if (found.length >= (isAny ? 1 : FEW)) continue;
      wanted = withGuesses(wanted, this.known, isAny);
      found = this.searched(wanted);
    }
    const words = wantedWords(wanted);
    const findings = found.slice(0, limit).map(({ page, lines }) => ({
      id: page.id,
      titlePieces: markWords(page.title, words, 200),
      lines: lines.map(({ id, words: text }) => ({ blockId: id, pieces: markWords(text, words) })),
    }));
    return { findings, also: alsoIn(findings, words), isMore: found.length > limit };
  }

  private searched(wanted: Wanted) {
    const words = wantedWords(wanted);
    const typed = words.map(({ word }) => word).join(' ');
    const fitOf = fitting(words);
    return this.pages
      .flatMap((ready) => {
        const { lines, best, title, whole } = fitOfPage(ready, fitOf);
        if (!isHeld(wanted, ready, words, whole)) return [];
        const { page } = ready;
        const isNamedSo = typed !== '' && ready.title === ` ${typed} `;
        const worth = worthOf({ title, line: best, page: whole, isNamedSo, relevance: 0, days: 0 });
        return [{ page, lines, worth }];
      })
      .sort((one, other) => other.worth - one.worth);
  }
}

/** How a page fits: its title, its best lines, all of it. */
function fitOfPage({ page, title: name, lines }: ReadyPage, fitOf: (spaced: string) => Fit) {
  const title = fitOf(name);
  const fits = page.lines
    .map((line, index) => ({ ...line, fit: fitOf(lines[index]!) }))
    .filter(({ fit }) => countOf(fit) > 0)
    .sort((one, other) => weightOf(other.fit) - weightOf(one.fit));
  const most = fits[0] ? countOf(fits[0].fit) : 0;
  const best = fits.filter(({ fit }) => countOf(fit) === most).slice(0, LINES);
  return {
    title,
    lines: best,
    best: best[0]?.fit ?? null,
    whole: joinedFit([title, ...fits.map(({ fit }) => fit)], HOW),
  };
}

/** Whether a page is what is looked for. */
function isHeld(wanted: Wanted, page: ReadyPage, words: readonly WantedWord[], whole: Fit): boolean {
  const holds = (part: Wanted): boolean => {
    if (part.is === 'filter') return true;
    if (part.is === 'not') return !holdsAnywhere(part.part, page);
    if (part.is === 'word') return whole[words.indexOf(part)] !== null;
    return isWantedTogether(part) && part.parts[part.is === 'all' ? 'every' : 'some'](holds);
  };
  return holds(wanted);
}

/** The same for what has to be missing. */
function holdsAnywhere(wanted: Wanted, { title, lines }: ReadyPage): boolean {
  const texts = [title, ...lines];
  const holds = (part: Wanted): boolean => {
    // A filter that nobody was asked says nothing of what is missing.
    if (part.is === 'filter') return false;
    if (part.is === 'not') return !holds(part.part);
    if (part.is === 'word') {
      const fitOf = fitting([part]);
      return texts.some((text) => fitOf(text)[0] !== null);
    }
    return isWantedTogether(part) && part.parts[part.is === 'all' ? 'every' : 'some'](holds);
  };
  return holds(wanted);
}
