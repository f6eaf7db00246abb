import type { NodeJson } from '../document/types';
import type { EntryKind, Ornament, Pigment } from './entry';
import type { SendForm } from '../parts/send';
import type { TemplateUse } from '../templates/template';
import type { Season } from './season';

/**
 * The structural acts. Each is small, names what it touches by id, and has an inverse that is made of acts too: so
 * undo and redo are acts like any other, for whatever was done.
 */
export type Act =
  | {
      do: 'make';
      id: string;
      kind: EntryKind;
      parentId: string | null;
      afterId?: string | null;
      name: string;
      pigment?: Pigment;
      ornament?: Ornament | null;
      description?: string;
      /** The page begins with a live overview of what stands beneath this. */
      overviewOf?: string;
      /** The page begins as this template says. */
      from?: TemplateUse;
    }
  | { do: 'name'; id: string; name: string }
  | {
      do: 'describe';
      id: string;
      pigment?: Pigment;
      ornament?: Ornament | null;
      description?: string;
      /** Whether the page shows the pages beneath it as leaves. */
      showsLeaves?: boolean;
      /** Whether pages can be made from this one. */
      isTemplate?: boolean;
      /** The template of pages made in here; null for none. */
      templateId?: string | null;
    }
  | { do: 'place'; id: string; parentId: string | null; afterId?: string | null }
  /** The inverse of `place`: back to the very spot. */
  | { do: 'putBack'; id: string; parentId: string | null; orderKey: string }
  | { do: 'season'; id: string; season: Season }
  | { do: 'bin'; id: string }
  /** The inverse of `bin`: out of it again where it stood, whatever else is in the bin. */
  | { do: 'unbin'; id: string }
  /** Brought back to where it can be seen: its own place, or the nearest that is left. */
  | { do: 'restore'; id: string }
  /** Copies an entry with everything beneath it; the copy's own id is `copyId`. */
  | { do: 'duplicate'; id: string; copyId: string }
  | { do: 'pin'; id: string; afterId?: string | null }
  | { do: 'unpin'; id: string }
  /** Takes back what was made and is empty; a page with words in it goes to the bin, a holder in use stays. */
  | { do: 'unmake'; id: string }
  /** Puts blocks on a page, one after the other, after another block; null for its head. */
  | { do: 'putBlocks'; id: string; afterId: string | null; nodes: NodeJson[] }
  | { do: 'dropBlocks'; id: string; blockIds: string[] }
  /** Moves blocks one after the other, each as it is at that moment, ids kept. */
  | { do: 'moveBlocks'; id: string; blocks: MovedBlock[] }
  /** Lets links to other ids lead to a block. */
  | { do: 'addFormer'; id: string; blockId: string; formerIds: string[] }
  | { do: 'removeFormer'; id: string; blockId: string; formerIds: string[] }
  /** Makes a page of blocks, with a link in their place (core/parts). */
  | { do: 'lift'; id: string; blockIds: string[]; pageId: string; parentId: string }
  /** Makes a page of each part of a page, with an overview in their place. */
  | { do: 'split'; id: string; parentId: string; seed: string }
  /** Sets a page's blocks back into the page above it. */
  | { do: 'foldBack'; id: string }
  /** Gives lines other content; each is known by its id. Refused when they are not what they were. */
  | { do: 'rewrite'; id: string; nodes: NodeJson[]; was?: NodeJson[] }
  /** Gives a page other names. */
  | { do: 'otherNames'; id: string; names: string[] }
  /** Links a page, or a day, wherever these lines name it. */
  | { do: 'linkNames'; id: string; day?: string; places: { pageId: string; blockId: string }[] }
  /** Leaves a line that names a page unlinked for good, or offers it again. */
  | { do: 'leaveUnlinked'; id: string; pageId: string; blockId: string; isLeft: boolean }
  /** Merges a page into another, whither its links lead from then on. */
  | { do: 'merge'; id: string; intoId: string }
  | { do: 'leadTo'; id: string; toId: string | null }
  /** Brings blocks to another page. */
  | { do: 'send'; id: string; toId: string; blockIds: string[]; at: string; form: SendForm; seed: string };

/** A block on its way from one page to another. */
export interface MovedBlock {
  id: string;
  from: string;
  to: string;
  afterId: string | null;
  depth: number;
}

export type ActKind = Act['do'];

/** The most other names a page may have. */
export const MAX_OTHER_NAMES = 40;

/** The most acts one request may hold. */
export const MAX_ACTS = 500;
