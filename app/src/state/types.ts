import type { DeskSetting } from '@glossarion/core/desk';
import type { BodyJson, NodeJson } from '@glossarion/core/document';
import type { MarkedPiece } from '@glossarion/core/find';
import type { Target } from '@glossarion/core/links';
import type { Act, EntryKind, Ornament, Pigment, Season, TrailStep } from '@glossarion/core/outline';

export type { Mention, Mentions } from '@glossarion/core/alsoNamed';
export type { KinFound } from '@glossarion/core/kin';
export type { Glimpse, LinkableLine, Target } from '@glossarion/core/links';
export type { MarginPage } from '@glossarion/core/margin';

/** What the server answers, as the app knows it. */

export interface AccountInfo {
  id: string;
  name: string;
}

export interface SessionInfo {
  account: AccountInfo | null;
  isDemo: boolean;
}

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
  season: Season | null;
  showsLeaves: 0 | 1;
  pagesBeneath: number;
  sectionsBeneath: number;
  isOpen: boolean;
}

export interface SeasonGroup {
  season: Exclude<Season, 'now'>;
  isOpen: boolean;
  /** How many entries were set so themselves, and how many pages that makes with what is beneath. */
  count: number;
  pages: number;
  roots: ContentsEntry[];
}

export interface Contents {
  entries: ContentsEntry[];
  seasons: SeasonGroup[];
}

export interface EntryInfo {
  id: string;
  kind: EntryKind;
  parentId: string | null;
  name: string;
  title: string;
  trail: TrailStep[];
  pigment: Pigment | null;
  ornament: Ornament | null;
  description: string;
  day: string | null;
  isDeleted: boolean;
  /** The season it is in, by itself or by what it stands in. */
  season: Season;
  ownSeason: Season | null;
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

/** What structural acts answer: what takes them back, and what they touched. */
export interface ActsDone {
  undo: Act[];
  targets: Target[];
}

export interface BinnedEntry extends Target {
  kind: EntryKind;
  deletedAt: string;
  pagesBeneath: number;
  sectionsBeneath: number;
  withId: string | null;
  withTitle: string | null;
}

export interface Breaks {
  pages: number;
  sections: number;
  links: number;
  from: { page: Target; links: number }[];
}

export interface DeskTask {
  blockId: string;
  page: Target;
  node: NodeJson;
}

export interface DeskInfo {
  pins: Target[];
  recent: Target[];
  week: Target[];
  tasks: DeskTask[];
  unwritten: { target: Target; links: number }[];
  targets: Target[];
}

export interface SettingsInfo {
  letters?: boolean;
  desk?: DeskSetting;
  /** How the Margins of pages were left. */
  margins?: Record<string, MarginView>;
  /** The templates that days begin with; weekdays by number, 0 for Sunday. */
  dayTemplates?: { every: string | null; weekdays: Partial<Record<string, string | null>> };
}

/** How a person left the Margin of a page. */
export interface MarginView {
  group?: 'line' | 'page' | 'day';
  notebook?: string | null;
  tag?: string | null;
  since?: 'week' | 'month' | 'year' | null;
  isWithoutAside?: boolean;
  isFolded?: boolean;
  isHidden?: boolean;
}

/** A page that others can begin as. */
export interface TemplateInfo {
  id: string;
  title: string;
  questions: string[];
}

export interface PageInfo extends EntryInfo {
  body: BodyJson;
  targets: Target[];
}

export interface DayInfo {
  day: string;
  pageId: string;
  title: string;
  body: BodyJson;
  wordCount: number;
  pointing: number;
  isStored: boolean;
  targets: Target[];
}

export interface Finding extends Target {
  titlePieces: MarkedPiece[];
  blockId: string | null;
  linePieces: MarkedPiece[];
}

export interface ImportReport {
  notebooks: number;
  sections: number;
  pages: number;
  days: number;
  links: number;
  remarks: { path: string; what: string }[];
}
