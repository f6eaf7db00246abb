import type { NodeJson } from '../document/types';
import type { Target } from '../links/target';
import type { Pigment, TrailStep } from '../outline/entry';

export interface GlossAbove {
  blockId: string;
  words: string;
}

/** What a Margin shows of all that points here. */
export interface MarginFilter {
  /** The notebook it comes from, or the journal. */
  notebook?: string | null;
  tag?: string | null;
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
  aside: number;
}

/** Some of what points at a page. */
export interface MarginPage {
  /** All that points here, and what of it the filter leaves. */
  total: number;
  count: number;
  glosses: Gloss[];
  targets: Target[];
  /** Given when it was asked for. */
  facets: MarginFacets | null;
}

/** One entry in a page's Margin: a line elsewhere that points here. */
export interface Gloss {
  /** The block that holds the link. */
  blockId: string;
  pageId: string;
  pageTitle: string;
  trail: TrailStep[];
  pigment: Pigment | null;
  /** The day of the page when it is a day's, else null. */
  day: string | null;
  /** When the page was last changed, ISO 8601. */
  changedAt: string;
  /** The block of this page that the link points at; null when it points at the page. */
  targetBlockId: string | null;
  /** The heading and the lines that the line stands beneath, the outermost first. */
  above: GlossAbove[];
  node: NodeJson;
  /** What stands beneath the line. */
  children: NodeJson[];
  /** Targets the line and its children link to. */
  links: string[];
  tags: string[];
}
