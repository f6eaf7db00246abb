import type { Beside, Fields } from '../document/fields/content';
import type { NodeJson } from '../document/types';
import type { SavedSearch } from '../find/query/savedSearch';
import type { Field } from '../kinds/field';
import type { Kind } from '../kinds/kind';
import type { Tag } from '../tags/tree';
import type { ActEntry } from './outline';

/** What an entry that is made says of itself; the rest follows from it, or is that of something new. */
export type MadeEntry = Pick<ActEntry, 'id' | 'kind' | 'parentId' | 'orderKey' | 'name' | 'begunAt'> &
  Partial<ActEntry>;

/** What may be set of an entry. */
export type EntryValues = Partial<
  Pick<
    ActEntry,
    | 'parentId'
    | 'orderKey'
    | 'pigment'
    | 'ornament'
    | 'description'
    | 'deletedAt'
    | 'season'
    | 'showsLeaves'
    | 'isTemplate'
    | 'templateId'
    | 'mergedInto'
    | 'jotting'
    | 'comesBack'
  >
>;

/** One change of what is stored, as acts plan it. */
export type Change =
  /** Makes an entry; a page has blocks. What the person wrote themselves counts among the words of the day. */
  | { change: 'add'; entry: MadeEntry; content: readonly NodeJson[] | null; beside?: Beside; isTyped?: true }
  | { change: 'set'; id: string; values: EntryValues }
  | { change: 'name'; id: string; name: string }
  /** Takes out an entry without a trace. */
  | { change: 'remove'; id: string }
  /** Gives a page other blocks. */
  | { change: 'content'; id: string; content: readonly NodeJson[] }
  /** Gives a line of a page other attributes. */
  | { change: 'attributes'; id: string; blockId: string; values: Readonly<Record<string, unknown>> }
  /** Gives a page other kinds, or writes fields of it: those that are named. */
  | { change: 'beside'; id: string; kinds?: readonly string[]; fields?: Fields }
  | { change: 'kind'; kind: Kind }
  | { change: 'field'; field: Field }
  | { change: 'tag'; tag: Tag }
  | { change: 'otherNames'; id: string; names: readonly string[] }
  | { change: 'pin'; id: string; orderKey: string }
  | { change: 'unpin'; id: string }
  /** Saves a search, or lets go of it. */
  | { change: 'search'; id: string; saved: Omit<SavedSearch, 'id'> | null }
  /** Without a place, it stands where it would by itself. */
  | { change: 'moveGloss'; targetId: string; blockId: string; place: { lineId: string | null } | null }
  | { change: 'unlinked'; targetId: string; pageId: string; blockId: string; isLeft: boolean };

export type ChangeKind = Change['change'];
