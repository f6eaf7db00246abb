/** What can tie a gloss to a line, each a part of the score (parts.ts). */
export type PartName = 'word' | 'title' | 'around' | 'section' | 'link' | 'source' | 'tag';

/** What counts for how much when a gloss is placed. */
export interface Weights extends Record<PartName, number> {
  /** How much more a rare word tells than a common one. */
  rarity: number;
  /** What is left of a word that the page's own title says. */
  ownTitle: number;
  /** What is left of a word that the gloss says in the name of a link: that both link there is a part of its own. */
  name: number;
  lineLength: number;
  glossLength: number;
  /** A heading says what others are about and little itself. */
  heading: number;
  /** The least score that ties a gloss to a line rather than to the whole page. */
  least: number;
  /** So much more for each other page it names: what lists many speaks of each as a whole. */
  listing: number;
}

/** Tuned on half of the judged glosses of the demo notes (judged.ts), where it is a flat optimum: npm run tune. */
export const WEIGHTS: Weights = {
  word: 4.2,
  title: 0.35,
  around: 0.05,
  section: 0.1,
  link: 0.27,
  source: 1.65,
  tag: 0.18,
  rarity: 1.4,
  ownTitle: 0.25,
  name: 0.43,
  lineLength: 0.21,
  glossLength: 0.16,
  heading: 0.4,
  least: 0.5,
  listing: 0.26,
};
