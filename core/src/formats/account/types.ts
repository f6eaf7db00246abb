import type { BodyJson } from '../../document/types';
import type { SavedSearch } from '../../find/query/savedSearch';
import type { Field } from '../../kinds/field';
import type { Kind } from '../../kinds/kind';
import type { JottingState, Pigment } from '../../outline/entry';

/** The name of the file that says of an account what no other file of an export says. */
export const ACCOUNT_FILE = 'account.json';
export const ACCOUNT_FORMAT = 'glossarion account';
export const ACCOUNT_VERSION = 1;

/** What is known of an account beside its pages, as it goes out and comes in. */
export interface AccountFile {
  format: typeof ACCOUNT_FORMAT;
  version: number;
  /** The account it came from: the ids of days, weeks, months and of kinds that everybody has follow from it. */
  account: string;
  entries: EntryRest[];
  tags: PortableTag[];
  kinds: Kind[];
  fields: Field[];
  savedSearches: SavedSearch[];
  /** Ids of entries, in their order. */
  pins: string[];
  settings: Record<string, unknown>;
  happenings: PortableHappening[];
  movedGlosses: { targetId: string; blockId: string; lineId: string | null }[];
  /** Names in lines that were left unlinked for good. */
  unlinked: { targetId: string; documentId: string; blockId: string }[];
  files: PortableFile[];
}

/** What is known of an entry and stands in no head of a file; what goes without saying is left out. */
export interface EntryRest {
  id: string;
  day?: string;
  period?: string;
  jotting?: JottingState;
  comesBack?: string;
  isTemplate?: true;
  templateId?: string;
  madeFrom?: string;
  mergedInto?: string;
}

export interface PortableTag {
  id: string;
  parentId: string | null;
  name: string;
  pigment?: Pigment;
  mergedInto?: string;
  deletedAt?: string;
  /** What it stands for, when that is described. */
  body?: BodyJson;
}

/** Something that happened on a day (core/tasks/happenings); `words` are those added less those taken away. */
export interface PortableHappening {
  documentId: string;
  what: string;
  day: string;
  blockId?: string;
  occurrence?: string;
  fromDay?: string;
  toDay?: string;
  words?: number;
  isTakenBack?: true;
}

export interface PortableFile {
  id: string;
  /** Where its content is within the export. */
  path: string;
  name: string;
  media: string;
}
