import type { NodeJson } from '../document/types';
import type { Target } from '../links/target';

/** Where in a block a name stands: which of its texts, a table having several, and from where to where. */
export type NamedAt = [text: number, start: number, end: number];

/** A line that names a page without linking it. */
export interface AlsoNamedLine extends Pick<Target, 'trail' | 'pigment' | 'day' | 'standsIn'> {
  pageId: string;
  blockId: string;
  pageTitle: string;
  changedAt: string;
  node: NodeJson;
  places: NamedAt[];
}

export interface AlsoNamedLines {
  /** How many lines there are, of which some are given. */
  count: number;
  lines: AlsoNamedLine[];
  targets: Target[];
}
