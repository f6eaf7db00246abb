import { rarityAmong, type Rarity } from '../../find/rarity';
import type { PartName, Weights } from './weights';

/** What of a line of the page a part looks at. */
export interface ReadLine {
  id: string;
  words: ReadonlySet<string>;
  /** Those of the heading it stands under. */
  section: ReadonlySet<string>;
  links: ReadonlySet<string>;
  tags: ReadonlySet<string>;
  isHeading: boolean;
}

/** What of a gloss a part looks at: words are stems, and each stands in the first set that it belongs to. */
export interface ReadGloss {
  words: ReadonlySet<string>;
  names: ReadonlySet<string>;
  /** Of the title of the page it stands on. */
  title: ReadonlySet<string>;
  /** Of the lines before and after it and of its heading. */
  around: ReadonlySet<string>;
  wordsAndTitle: ReadonlySet<string>;
  links: ReadonlySet<string>;
  /** The page it stands on. */
  page: ReadonlySet<string>;
  tags: ReadonlySet<string>;
}

/** What of the page and of the account decides how much something that both hold tells. */
export interface Telling {
  rarity: Rarity;
  /** The stems of the page's own title, which most that points here names. */
  title: ReadonlySet<string>;
}

/** A part of the score of a line and a gloss: what both hold, each by how much it tells. */
export interface Part {
  onLine: 'words' | 'section' | 'links' | 'tags';
  inGloss: keyof ReadGloss;
  /** How much something that both hold tells. */
  tells: (key: string, telling: Telling, weights: Weights, gloss: ReadGloss) => number;
  /** By what a line, and a gloss, that says much counts for less: one word in three tells more than one in thirty. */
  forLine?: (line: ReadLine, weights: Weights) => number;
  forGloss?: (gloss: ReadGloss, weights: Weights) => number;
}

/** A word tells by its rarity in the account; less when the page's title says it, or the gloss where it names a link. */
const wordTells: Part['tells'] = (stem, { rarity, title }, weights, { names }) =>
  rarityAmong(rarity.pages, rarity.ofWord(stem)) ** weights.rarity *
  (title.has(stem) ? weights.ownTitle : 1) *
  (names.has(stem) ? weights.name : 1);

/** Fewer words than these are as good as these. */
const FEW = 3;
const forLine: Part['forLine'] = ({ words }, weights) => Math.max(FEW, words.size) ** -weights.lineLength;
const forGloss: Part['forGloss'] = ({ words }, weights) => Math.max(FEW, words.size) ** -weights.glossLength;
const always = () => 1;

/**
 * What ties a gloss to a line. The sum of them, each by its weight, is the score:
 * the vector space model (Salton, Wong and Yang 1975) over several fields (Robertson, Zaragoza and Taylor 2004), since
 * a line is short and says the rest by where it stands.
 */
export const PARTS: Readonly<Record<PartName, Part>> = {
  /** What both say. */
  word: { onLine: 'words', inGloss: 'words', tells: wordTells, forLine, forGloss },
  /** The line says what the gloss's page is called. */
  title: { onLine: 'words', inGloss: 'title', tells: wordTells, forLine },
  /** The line says what is said around the gloss. */
  around: { onLine: 'words', inGloss: 'around', tells: wordTells },
  /** The line stands under a heading that says what the gloss or its title does. */
  section: { onLine: 'section', inGloss: 'wordsAndTitle', tells: wordTells },
  /** Both link to the same. */
  link: { onLine: 'links', inGloss: 'links', tells: (id, { rarity }) => rarityAmong(rarity.pages, rarity.ofLink(id)) },
  /** The line links to the page that the gloss stands on: it speaks of it. */
  source: { onLine: 'links', inGloss: 'page', tells: always },
  /** Both wear the same tag; a page's lines often share one. */
  tag: { onLine: 'tags', inGloss: 'tags', tells: always },
};

export const PART_NAMES = Object.keys(PARTS) as PartName[];
