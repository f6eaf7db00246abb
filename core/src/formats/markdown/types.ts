import type { BodyJson } from '../../document/types';
import type { SaidBeside } from '../../kinds/said';
import type { EntryKind, Ornament, Pigment } from '../../outline/entry';
import type { Season } from '../../outline/season';
import type { EntryRest } from '../account/types';

/** A file as it was picked: its path within the folder, parted by slashes, and its text. */
export interface MarkdownFile {
  path: string;
  text: string;
}

/** Something in a file that could not be kept as what it was. Its text is kept. */
export interface ImportRemark {
  path: string;
  what: string;
}

/** An entry an import will make. `key` is unique within the plan and names the parent of others. */
export interface PlannedEntry {
  id: string;
  kind: EntryKind;
  parentId: string | null;
  name: string;
  pigment?: Pigment;
  ornament?: Ornament;
  description?: string;
  /** ISO 8601; when the file says it. */
  begunAt?: string;
  changedAt?: string;
  /** Left out for now. */
  season?: Exclude<Season, 'now'>;
  showsLeaves?: boolean;
  /** Other names of a page. */
  otherNames?: string[];
  /** Since when it is in the bin; left out for what is not. */
  deletedAt?: string;
  /** What an export says of it beside its file. */
  rest?: EntryRest;
  /** The kinds of a page and what it says in their fields; known once every entry is planned. */
  said?: SaidBeside;
  body?: BodyJson;
}

export interface PlannedDay {
  day: string;
  body: BodyJson;
}

export interface ImportPlan {
  /** In the order in which they are made: every parent before what it holds, siblings in their order. */
  entries: PlannedEntry[];
  days: PlannedDay[];
  /** Days that something links to and that no file writes. */
  namedDays: string[];
  remarks: ImportRemark[];
}

/** What an import made. */
export interface ImportReport {
  notebooks: number;
  sections: number;
  pages: number;
  days: number;
  links: number;
  /** How many were here already, and were left as they are. */
  left: number;
  /** How many were here already, and got what the files say. */
  renewed: number;
  /** What was not understood, and days that were left as they are since they were written already. */
  remarks: ImportRemark[];
}

/** Where a link in a file points before it is known what that is. */
export interface LinkReference {
  /** `wiki` names a title (or a trail of names), `path` another file, `block` a block's id. */
  form: 'wiki' | 'path' | 'block';
  name: string;
  /** The id of what it led to where it was written: what it means when nothing is called so. */
  target?: string;
}
