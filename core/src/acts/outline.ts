import type { NamedAt } from '../alsoNamed/alsoNamedLine';
import type { Beside } from '../document/fields/content';
import type { NodeJson } from '../document/types';
import type { SavedSearch } from '../find/query/savedSearch';
import type { joinBeside } from '../kinds/join';
import type { KindTree } from '../kinds/tree';
import type { EntryKind, JottingState, Ornament, Pigment } from '../outline/entry';
import type { Outline } from '../outline/place';
import type { Season } from '../outline/season';
import type { TagTree } from '../tags/tree';
import type { changedTask } from '../tasks/changes';

/** An entry as far as acts know it. Yes and no are 1 and 0. */
export interface ActEntry {
  id: string;
  kind: EntryKind;
  parentId: string | null;
  orderKey: string;
  name: string;
  pigment: Pigment | null;
  ornament: Ornament | null;
  description: string;
  /** The date of a day's page, which stands in the journal, beneath nothing. */
  day: string | null;
  /** The week or month whose page it is; it stands in the journal too. */
  period: string | null;
  /** How a jotting stands in the Tray, and the day on which it comes back; it stands beneath nothing. */
  jotting: JottingState | null;
  comesBack: string | null;
  /** What it is known by without a title, and how many words it has. */
  firstWords: string;
  wordCount: number;
  begunAt: string;
  changedAt: string;
  deletedAt: string | null;
  season: Exclude<Season, 'now'> | null;
  showsLeaves: 0 | 1;
  isTemplate: 0 | 1;
  templateId: string | null;
  madeFrom: string | null;
  mergedInto: string | null;
}

/** What an act is planned from: an account's entries, texts and names as they are now, asked only for what it touches. */
export interface ActOutline extends Outline {
  /** The moment at which it is done. */
  readonly now: string;
  entry: (id: string) => ActEntry | undefined;
  /** All that stands in something, in its order; in the bin or not. */
  children: (parentId: string | null) => readonly ActEntry[];
  /** An entry with all that goes along with it, what holds others before them; nothing that is in the bin. */
  beneath: (id: string) => readonly ActEntry[];
  /** Whether something else that stands there has this very order key. */
  isKeyTaken: (parentId: string | null, orderKey: string, exceptId: string) => boolean;
  /** The blocks of a page. */
  content: (id: string) => readonly NodeJson[];
  /** The kinds that a page is of, and what it holds of their fields. */
  beside: (id: string) => Beside;
  /** All kinds of the account with their fields. */
  kinds: () => KindTree;
  /** What two pages are and hold together (kinds/join): handed in, for it takes code that no first screen needs. */
  joinBeside: typeof joinBeside;
  otherNames: (id: string) => readonly string[];
  /** In their order. */
  pins: () => readonly PinnedEntry[];
  /** The saved searches, in their order. */
  searches: () => readonly SavedSearch[];
  /** All tags of the account, merged and deleted ones too. */
  tags: () => TagTree;
  /** The titles of pages that were made from a template and are not in the bin. */
  titlesMadeFrom: (templateId: string) => readonly string[];
  /** Pages with a line that is nothing but a link to this. */
  linkingAlone: (id: string) => readonly string[];
  /** Whether a line was left unlinked for good. */
  isUnlinked: (targetId: string, pageId: string, blockId: string) => boolean;
  /** Where a gloss was moved to; null when nobody did. */
  movedGloss: (targetId: string, blockId: string) => { lineId: string | null } | null;
  /** Where a line names something, by the name as it is compared. */
  namedIn: (pageId: string, blockId: string) => readonly { name: string; places: readonly NamedAt[] }[];
  /** The id of a day's page. */
  dayId: (day: string) => string;
  /** The id of the page of a week or a month. */
  periodId: (period: string) => string;
  /** What becomes of a task (tasks/changes): handed in, since it takes code that no first screen needs. */
  changedTask: typeof changedTask;
}

export interface PinnedEntry {
  entryId: string;
  orderKey: string;
}

/** What must have been read before an act is planned, where that is not read as it is asked for. */
export type Need =
  | { childrenOf: string | null }
  | { madeFrom: string }
  | { linkingAlone: string }
  | { pins: true }
  | { searches: true }
  | { kinds: true }
  | { unlinked: { targetId: string; pageId: string; blockId: string } }
  | { movedGloss: { targetId: string; blockId: string } }
  | { namedIn: { pageId: string; blockIds: readonly string[] } };
