import type { Fields } from './fields/content';

export const TASK_STATES = ['open', 'begun', 'done', 'dropped'] as const;
export type TaskState = (typeof TASK_STATES)[number];

/** How much a task matters. */
export const PRIORITIES = ['high', 'middle', 'low'] as const;
export type Priority = (typeof PRIORITIES)[number];

/** What a word may be highlighted with, and a block be washed with. */
export const HIGHLIGHTS = ['ochre', 'verdigris', 'lapis', 'vermilion', 'plum'] as const;
export type HighlightPigment = (typeof HIGHLIGHTS)[number];

/** The deepest a block may be indented. */
export const MAX_DEPTH = 24;
/** The most characters one block may hold. */
export const MAX_BLOCK_TEXT = 200_000;
/** The most blocks one page may hold. */
export const MAX_BLOCKS = 20_000;
export const MAX_TITLE = 20_000;
/** The most characters of text one page may hold. */
export const MAX_PAGE_TEXT = 6_000_000;
/** The most bytes of one update of a page: a page's text and what Yjs needs beside it. */
export const MAX_UPDATE = 32 * 1024 * 1024;
/** An update is sent in pieces of so many bytes, so that others are not held up by it. */
export const UPDATE_PIECE = 512 * 1024;

export interface MarkJson {
  type: string;
  attrs?: Record<string, unknown>;
}

/** A node of a body as JSON, in ProseMirror's form. */
export interface NodeJson {
  type: string;
  attrs?: Record<string, unknown>;
  content?: NodeJson[];
  text?: string;
  marks?: MarkJson[];
}

/** A whole body: `{ type: 'doc', content: [block, …] }`, and what stands beside it where there is something. */
export interface BodyJson extends NodeJson {
  type: 'doc';
  content: NodeJson[];
  /** The ids of the kinds that the page is of. */
  kinds?: readonly string[];
  /** What it holds of fields, by their ids. */
  fields?: Fields;
}
