import type { NodeJson } from '../document/types';
import type { Pigment, TrailStep } from '../outline/entry';

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
  node: NodeJson;
  /** What stands beneath the line. */
  children: NodeJson[];
  /** Targets the line and its children link to. */
  links: string[];
  tags: string[];
}
