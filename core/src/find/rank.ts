import { countOf, weightOf, type Fit } from './fits';

/** What is known of a page that holds what is looked for. */
export interface Candidate {
  /** How its title and other names fit. */
  title: Fit;
  /** How the line fits that fits best; null when none does. */
  line: Fit | null;
  /** How all of it fits. */
  page: Fit;
  /** Its title says what was typed, and nothing else. */
  isNamedSo: boolean;
  /** How well the index says it fits, from 0 to 1. */
  relevance: number;
  /** For how many days nobody changed or opened it. */
  days: number;
}

/** What a page is worth by each sign; what is said of all words in one place counts more than of some. */
const WORTH = { named: 3, title: 3, line: 1.5, page: 4, relevance: 0.6, recency: 0.3 } as const;
/** After so many days a page is half as recent. */
const HALF = 60;

const share = (fit: Fit): number => (fit.length === 0 ? 0 : weightOf(fit) / fit.length);
/** All words in one place, or a part of what that is worth. */
const together = (fit: Fit): number => share(fit) * (countOf(fit) === fit.length ? 1 : 0.4);

/** How well a page fits; more is better. A slip counts less than anything that holds what was typed. */
export function worthOf({ title, line, page, isNamedSo, relevance, days }: Candidate): number {
  return (
    (isNamedSo ? WORTH.named : 0) +
    WORTH.title * together(title) +
    WORTH.line * (line ? together(line) : 0) +
    WORTH.page * share(page) +
    WORTH.relevance * relevance +
    WORTH.recency * 2 ** (-days / HALF)
  );
}

/** How several fits hold together: for each word the surest way in which one of them does. */
export function joinedFit(fits: readonly Fit[], order: readonly NonNullable<Fit[number]>[]): Fit {
  const [first] = fits;
  if (!first) return [];
  return first.map((_each, index) => order.find((how) => fits.some((fit) => fit[index] === how)) ?? null);
}
