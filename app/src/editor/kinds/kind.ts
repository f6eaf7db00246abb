import type { Editor, Node as SchemaNode } from '@tiptap/core';
import type { Node as DocumentNode } from '@tiptap/pm/model';
import type { EditorState, Transaction } from '@tiptap/pm/state';
import type { ReactNode } from 'react';
import type { NodeJson } from '@glossarion/core/document';
import type { WritingPlace } from '../writingPlace';

/**
 * How a kind of block of core's table is shown, made and typed: a file of this folder each, entered in all.ts.
 */
export interface KindView {
  /** The kind, as core's table calls it. */
  name: string;
  /** What the Insert menu offers of it. */
  offers: readonly Offer[];
  /** How running text of this kind looks. */
  text?: TextLook;
  /** The schema's node with a view of its own; one without it looks as core writes it (withPlace). */
  withView?: (node: SchemaNode, pageId: string) => SchemaNode;
  /** How it stands still, where no editor is; as core writes it in HTML unless it says so. */
  Still?: (still: StillProps) => ReactNode;
}

/** Something the Insert menu offers. */
export interface Offer {
  words: string;
  /** How it is typed, or what it is. */
  detail: string;
  /** Other words people use for it. */
  also: string;
  /** Turns the lines with the cursor into it; offered in the menu of a line too. */
  turn?: (state: EditorState) => Transaction | null;
  /** Puts it in, where nothing can be turned into it. */
  insert?: (editor: Editor, place: WritingPlace) => void;
}

/** A button beside the words of a line, such as the box of a to-do. */
export interface LineMark {
  dom: HTMLElement;
  /** Brings it in line with what the block says of itself. */
  show: (attrs: DocumentNode['attrs']) => void;
}

/** What a mark does with its block. */
export interface MarkedLine {
  attrs: () => DocumentNode['attrs'];
  change: (edit: (state: EditorState, position: number) => Transaction | null) => void;
}

export interface TextLook {
  /** The element its words stand in, where that is not a plain one. */
  element?: (attrs: Readonly<Record<string, unknown>>) => string;
  /** What stands beside its words in the editor. */
  mark?: (line: MarkedLine) => LineMark;
  /** The same where no editor is. */
  StillMark?: (still: StillProps) => ReactNode;
  /** What is shown at the end of its words, which is none of them: empty for nothing. */
  atEnd?: (attrs: Readonly<Record<string, unknown>>) => string;
  /** Whether the line that Enter begins after it is of this kind too. */
  goesOn?: boolean;
  /** What is typed at the start of a line to turn it, a space at its end. */
  typed?: readonly { find: RegExp; attrs?: (match: RegExpMatchArray) => Record<string, unknown> }[];
}

export interface StillProps {
  node: NodeJson;
  /** The blocks it stands among. */
  content: readonly NodeJson[];
  /** Ticks it off or opens it again, where that can be done. */
  onTick?: (node: NodeJson) => void;
}
