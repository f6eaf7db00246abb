import type { NodeJson } from '../document/types';
import type { Target } from '../links/target';
import type { Outside, Pigment, TrailStep } from '../outline/entry';

export interface GlossAbove {
  blockId: string;
  words: string;
}

/** What a Margin shows of all that points here. */
export interface MarginFilter {
  /** The notebook it comes from, or the journal. */
  notebook?: string | null;
  tag?: string | null;
  /** The kind that the page it comes from is of, or a broader one. */
  kind?: string | null;
  /** The first day from which it counts. */
  since?: string | null;
  /** Whether what is laid aside is left out. */
  isWithoutAside?: boolean;
}

/** The journal, among the notebooks that a Margin can be filtered by. */
export const JOURNAL = 'journal';

/** What a Margin can be filtered by, with how many lines each would leave. */
export interface MarginFacets {
  notebooks: { id: string; name: string; pigment: Pigment | null; count: number }[];
  tags: { tag: string; name: string; count: number }[];
  kinds: { kind: string; name: string; count: number }[];
  aside: number;
}

/** Stands for the head of the page, among the lines whose glosses are asked for. */
export const HEAD = 'head';

/** In which order glosses follow each other: by when they were written, or by how much ties them to their line. */
export const GLOSS_ORDERS = ['newest', 'oldest', 'telling'] as const;
export type GlossOrder = (typeof GLOSS_ORDERS)[number];

/** All glosses that stand beside one line of the page. */
export interface MarginStack {
  /** Null for the head of the page. */
  lineId: string | null;
  count: number;
  /** Where they come from, at most three; null for the journal and for what has none. */
  pigments: (Pigment | null)[];
  /** The beginning of the first. */
  firstWords: string;
}

/** Some of what points at a page. */
export interface MarginPage {
  /** All that points here, and what of it the filter leaves. */
  total: number;
  count: number;
  /** All of those that the filter leaves, by the line they stand beside. */
  stacks: MarginStack[];
  glosses: Gloss[];
  targets: Target[];
  /** Given when it was asked for. */
  facets: MarginFacets | null;
}

/** One entry in a page's Margin: a line elsewhere that points here. */
export interface Gloss {
  /** The block that holds the link, or the field. */
  blockId: string;
  /** What the field is called that holds the link; null for a line. */
  field: string | null;
  pageId: string;
  pageTitle: string;
  trail: TrailStep[];
  pigment: Pigment | null;
  /** The day of the page when it is a day's, else null. */
  day: string | null;
  /** The day of the meeting that its page is of, else null. */
  heldOn: string | null;
  /** What its page stands in when that is no notebook. */
  standsIn: Outside | null;
  /** When the page was last changed, ISO 8601. */
  changedAt: string;
  /** The block of this page that the link points at; null when it points at the page. */
  targetBlockId: string | null;
  /** The line of this page it stands beside, as far as the server knows its text; null for the head. */
  lineId: string | null;
  /** Whether somebody moved it there. */
  isMoved: boolean;
  /** The heading and the lines that the line stands beneath, the outermost first. */
  above: GlossAbove[];
  node: NodeJson;
  /** What stands beneath the line. */
  children: NodeJson[];
  /** Targets the line and its children link to. */
  links: string[];
  tags: string[];
}

/** In which order the lines that wear a tag are shown: those of a page together, or by their days. */
export const TAG_ORDERS = ['page', 'newest', 'oldest'] as const;
export type TagOrder = (typeof TAG_ORDERS)[number];

/** Some of the lines that wear a tag, or one beneath it. */
export interface TagLines {
  /** All of them, and on how many pages. */
  total: number;
  pages: number;
  /** What of them the filter leaves. */
  count: number;
  entries: { gloss: Gloss; on: string }[];
  targets: Target[];
  /** By what they can be filtered; its tags are those that the same pages wear, with on how many. */
  facets: MarginFacets;
}

/** How often something is worn: a tag itself, without what stands beneath it. */
export interface TagUses {
  tag: string;
  lines: number;
}

/** A tag that a page may wear, for what it is like. */
export interface OfferedTag {
  tag: string;
  name: string;
  /** Titles of pages like it that wear the tag. */
  because: string[];
}

/** What a list of what is found shows: pages, or lines as glosses. */
export interface FoundList {
  /** How many there are, up to a thousand pages; of more it is not known. */
  count: number;
  isMore: boolean;
  pages: Target[];
  glosses: Gloss[];
  targets: Target[];
  /** What of the line was not understood, in words. */
  remarks: string[];
}
