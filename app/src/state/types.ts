import type { BodyJson } from '@glossarion/core/document';
import type { MarkedPiece } from '@glossarion/core/find';
import type { LinkState } from '@glossarion/core/links';
import type { Gloss } from '@glossarion/core/margin';
import type { EntryKind, Ornament, Pigment, TrailStep } from '@glossarion/core/outline';

/** What the server answers, as the app knows it. */

export interface AccountInfo {
  id: string;
  name: string;
}

export interface SessionInfo {
  account: AccountInfo | null;
  isDemo: boolean;
}

export interface Target {
  id: string;
  kind: EntryKind | 'block';
  pageId: string;
  title: string;
  state: LinkState;
  trail: TrailStep[];
  pigment: Pigment | null;
  day: string | null;
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
  childCount: number;
  pageCount?: number;
  sectionCount?: number;
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
  begunAt: string;
  changedAt: string;
  wordCount: number;
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

export interface MarginInfo {
  glosses: Gloss[];
  targets: Target[];
}

export interface Finding extends Target {
  titlePieces: MarkedPiece[];
  blockId: string | null;
  linePieces: MarkedPiece[];
}

export interface NewEntry {
  id?: string;
  kind: EntryKind;
  parentId: string | null;
  afterId?: string | null;
  name: string;
  pigment?: Pigment;
  ornament?: Ornament | null;
}

export interface ImportReport {
  notebooks: number;
  sections: number;
  pages: number;
  days: number;
  links: number;
  remarks: { path: string; what: string }[];
}
