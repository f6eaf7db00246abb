import type { EntryKind, JottingState, Ornament, Outside, Pigment, TrailStep } from './entry';
import type { Season } from './season';

/** An entry as the contents show it. */
export interface ContentsEntry {
  id: string;
  parentId: string | null;
  kind: EntryKind;
  name: string;
  firstWords: string;
  pigment: Pigment | null;
  ornament: Ornament | null;
  description: string;
  changedAt: string;
  wordCount: number;
  season: Exclude<Season, 'now'> | null;
  showsLeaves: 0 | 1;
  pagesBeneath: number;
  sectionsBeneath: number;
  /** Whether what stands beneath it is shown and is among the entries given. */
  isOpen: boolean;
}

/** What of a notebook is for later or laid aside, folded away at its end. */
export interface SeasonGroup {
  season: Exclude<Season, 'now'>;
  isOpen: boolean;
  /** How many entries were set so themselves, and how many pages that makes with what is beneath. */
  count: number;
  pages: number;
  /** The entries set so themselves, in no other of them; empty while the group is folded. */
  roots: ContentsEntry[];
}

export interface Contents {
  /** Parents before what they hold, siblings in order; what is beneath folded entries is left out. */
  entries: ContentsEntry[];
  seasons: SeasonGroup[];
}

/** All that is known of one entry. */
export interface EntryInfo {
  id: string;
  kind: EntryKind;
  parentId: string | null;
  name: string;
  /** What it is called: a page without a name by its first words. */
  title: string;
  trail: TrailStep[];
  pigment: Pigment | null;
  ornament: Ornament | null;
  description: string;
  day: string | null;
  /** The week or month whose page it is. */
  period: string | null;
  /** How it stands in the Tray, and the day on which it comes back. */
  jotting: JottingState | null;
  comesBack: string | null;
  standsIn: Outside | null;
  isDeleted: boolean;
  /** The season it is in, by itself or by what it stands in. */
  season: Season;
  ownSeason: Exclude<Season, 'now'> | null;
  showsLeaves: 0 | 1;
  isTemplate: 0 | 1;
  /** The template of pages made in here, and the one this was made from. */
  templateId: string | null;
  madeFrom: string | null;
  pagesBeneath: number;
  sectionsBeneath: number;
  begunAt: string;
  changedAt: string;
  wordCount: number;
  /** Other names of a page. */
  names: string[];
  /** The page it was merged into. */
  mergedInto: string | null;
}
