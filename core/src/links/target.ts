import type { NodeJson } from '../document/types';
import type { EntryKind, Outside, Pigment, TrailStep } from '../outline/entry';
import type { Season } from '../outline/season';
import type { LinkState } from './state';

/** What a link shows of its target. */
export interface Target {
  id: string;
  kind: EntryKind | 'block' | 'tag';
  /** The page a block stands on; itself otherwise. */
  pageId: string;
  title: string;
  state: LinkState;
  season: Season;
  trail: TrailStep[];
  pigment: Pigment | null;
  /** The date, when the page is a day's. */
  day: string | null;
  /** What its page stands in when that is no notebook. */
  standsIn: Outside | null;
}

/** What a preview shows of a link's target. */
export interface Glimpse {
  target: Target;
  /** Other names of a page. */
  names: string[];
  nodes: NodeJson[];
  targets: Target[];
  changedAt: string | null;
}

/** A line of a page that can be linked to. */
export interface LinkableLine {
  blockId: string;
  words: string;
  kind: string;
}
