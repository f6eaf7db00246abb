import type { NodeConfig } from '@tiptap/core';
import type { Element, ElementContent, Properties } from 'hast';
import type { PhrasingContent, RootContent, TableCell } from 'mdast';
import type { Attributes } from '../attributes';
import type { MarkJson, NodeJson, TaskState } from '../types';

/**
 * A kind of block is a file of this folder, entered in all.ts: what it says of itself, what of it is words, what it
 * holds, and how it is written and read in each format. What it looks like and how it is made is in the app's table of
 * the same name.
 */
export type Kind = TextKind | SolidKind;

interface KindBase {
  /** As facts, formats and the app's table call it. */
  name: string;
  /** What it says of itself beside its place. */
  attributes?: Attributes;
  markdown: MarkdownForm;
  html: HtmlForm;
}

/**
 * A kind of running text. All of them are one node, `block`, so that turning one into another changes attributes and
 * never collides with what is typed meanwhile.
 */
export interface TextKind extends KindBase {
  isText: true;
  /** What a new one says of itself. */
  begins?: Readonly<Record<string, unknown>>;
  /** What kind of list it is an item of; only items can hold other blocks in Markdown and HTML. */
  list?: 'ordered' | 'unordered';
  /** The elements a browser makes of such a line by itself, with what they say of it. */
  parse?: readonly { tag: string; attrs?: Readonly<Record<string, unknown>> }[];
  /** How far a task of this kind is; only tasks have it. */
  state?: (attrs: Readonly<Record<string, unknown>>) => TaskState;
}

/** A kind of block that is a node of its own. */
export interface SolidKind extends KindBase {
  isText: false;
  /** What the schema has to know of it; an atom unless it has content, and an element of its own unless it says so. */
  node?: Partial<NodeConfig>;
  /** The nodes it is made of, with what they say of themselves. */
  parts?: Readonly<Record<string, { node: Partial<NodeConfig>; attributes: Attributes }>>;
  /** What it is known by when it has no words. */
  knownBy?: string;
  /** The words it has of its own; those of what stands in it unless it says so. */
  words?: (attrs: Readonly<Record<string, unknown>>) => string;
  /** What it leads to, beside the links in its words. */
  links?: (attrs: Readonly<Record<string, unknown>>) => readonly unknown[];
  /** The attachments it shows. */
  files?: (attrs: Readonly<Record<string, unknown>>) => readonly unknown[];
}

/** What is said of a block in braces (formats/attributes.ts), by what formats call it. */
export type SaidAttributes = Readonly<Record<string, string>>;

export interface MarkdownForm {
  /** How it is written among others. Items are written with their list. */
  write?: (node: NodeJson, writing: MarkdownWriting) => RootContent[];
  /** Those of its attributes that this shows, by what they are: they are not said in braces. */
  shows?: (attrs: Readonly<Record<string, unknown>>) => readonly string[];
  /** Whether it has no form in Markdown, so that what it is has to be said in braces. */
  isSaid?: boolean;
  /** What stands before the words of an item: `[x] `. */
  box?: (node: NodeJson) => string;
  /** How the nodes of Markdown's syntax tree that are blocks of this kind are read, by their type. */
  reads?: Readonly<Record<string, (node: never, depth: number, reading: MarkdownReading) => NodeJson[]>>;
  /** Reads what a comment says, with the node after it where it is needed: `<!-- {card} -->`. Null when it is no such. */
  readSaid?: (said: SaidAttributes, next: RootContent | undefined, reading: MarkdownReading) => ReadSaid | null;
  /** A block of this kind that was read, with what a comment before it said. */
  withSaid?: (node: NodeJson, said: SaidAttributes) => NodeJson;
}

export interface ReadSaid {
  attrs: Record<string, unknown>;
  /** Whether the node after the comment belongs to it. */
  takesNext: boolean;
}

/** What writing one block as Markdown needs of where it stands. */
export interface MarkdownWriting {
  /** The block's words with what has to be said after them; a line's end is written so where a line can't end. */
  line: (hardBreak?: string) => PhrasingContent[];
  /** A comment with what has to be said of it, and this; nothing when there is nothing to say. */
  said: (more?: Readonly<Record<string, unknown>>) => RootContent[];
  /** The lines of a table's cell. */
  cell: (cell: NodeJson) => PhrasingContent[];
  /** A link to something by its title. */
  link: (target: string) => PhrasingContent[];
  fileUrl: (file: string, name: string) => string;
  /** Markdown that is written as it stands. */
  raw: (value: string) => PhrasingContent;
  /** Whether what Markdown lacks is said at all. */
  isWhole: boolean;
}

export interface MarkdownReading {
  /** A line of text, with what braces at its end say of it. */
  line: (kind: string, children: readonly PhrasingContent[], attrs: Readonly<Record<string, unknown>>) => NodeJson;
  cell: (cell: TableCell) => NodeJson[];
  /** Text in which nothing is escaped, as it was written. */
  asWritten: (text: string) => string;
  /** Running text, in which what was escaped is itself. */
  running: (text: string) => string;
}

export interface HtmlForm {
  /** A block that is text and no item; a paragraph unless it says so. */
  line?: (node: NodeJson, data: Properties, words: ElementContent[]) => Element;
  /** Whether what kind of item it is has to be said. */
  isSaid?: boolean;
  /** What stands before the words of an item. */
  box?: (node: NodeJson) => Element;
  /** A block that is no text. */
  write?: (node: NodeJson, data: Properties, writing: HtmlWriting) => Element;
  /** How the elements that are blocks of this kind are read, by their name. */
  reads?: Readonly<Record<string, HtmlReader>>;
  /** Reads an element that the product wrote for a block that HTML has none for; null when it is no such. */
  readOwn?: (element: Element) => Record<string, unknown> | null;
}

export interface HtmlWriting {
  lines: (cell: NodeJson) => Element[];
  titleOf: (target: string) => string;
  linkUrl: (target: string) => string;
  fileUrl: (file: string, name: string) => string;
}

/** Where the next block goes. */
export interface HtmlPlace {
  depth: number;
  /** The kind of text that words without an element of their own become. */
  kind: string;
  /** The kind of item that the present list has. */
  list: string | null;
}

/** Collects the blocks of what is read. */
export interface HtmlReading {
  /** Whether the product wrote it: then spaces count as they stand. */
  isOwn: boolean;
  begin: (attrs: Record<string, unknown>, isItem?: boolean) => void;
  end: () => void;
  push: (node: NodeJson) => void;
  add: (nodes: NodeJson[], place: HtmlPlace) => void;
  children: (children: readonly ElementContent[], place: HtmlPlace, marks: MarkJson[]) => void;
  /** The lines of a table's cell. */
  lines: (cell: Element) => NodeJson[];
  /** What an element says of its block in its data. */
  saidOf: (element: Element) => Record<string, unknown>;
  /** Words with the marks that are on. */
  words: (value: string, marks: readonly MarkJson[]) => NodeJson[];
  pictureOf: (src: string, alt: string) => NodeJson | null;
}

export type HtmlReader = (element: Element, reading: HtmlReading, place: HtmlPlace, marks: MarkJson[]) => void;

/** An HTML element. */
export const element = (tagName: string, properties: Properties, children: ElementContent[] = []): Element => ({
  type: 'element',
  tagName,
  properties,
  children,
});

/** Text in HTML. */
export const htmlText = (value: string): ElementContent => ({ type: 'text', value });

/** Nothing where an attribute says nothing. */
export const orNone = (value: unknown): string | undefined =>
  value === null || value === undefined || value === '' ? undefined : String(value);
