import type { Content, Fields } from '../document/fields';
import type { Target } from '../links/target';
import type { Field } from './field';
import type { Kind } from './kind';
import type { LikelyPages } from './likely';

/** All kinds of an account with their fields, and how many pages are of each. */
export interface KnownKinds {
  kinds: Kind[];
  fields: Field[];
  /** By the ids of kinds: pages that are of it itself. */
  counts: Record<string, number>;
  /** What kinds name: templates, places, homes. */
  targets: Target[];
}

/** A page of a kind, with all it holds of fields. */
export interface PageOfKind {
  id: string;
  kinds: readonly string[];
  fields: Fields;
}

/** Some of the pages of a kind. */
export interface PagesOfKind {
  count: number;
  pages: PageOfKind[];
  /** These pages, and what their fields lead to. */
  targets: Target[];
}

/** What pages hold of one field. */
export interface HeldOfField {
  held: { pageId: string; content: Content }[];
  targets: Target[];
}

/** What looks like a page of a kind, by the kind, with what these pages are called. */
export interface Likely {
  likely: LikelyPages[];
  targets: Target[];
}
