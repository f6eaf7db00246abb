import type { EditorState, Transaction } from '@tiptap/pm/state';
import { turn, type KindChange } from './outline';

/** A kind of text block as it is offered: in the Insert menu, in the menu of a line, in the toolbar. */
export interface KindOffer {
  words: string;
  /** How it is typed. */
  detail: string;
  /** Other words people use for it. */
  also: string;
  turn: (state: EditorState) => Transaction | null;
}

const offer = (words: string, detail: string, also: string, change: KindChange): KindOffer => ({
  words,
  detail,
  also,
  turn: (state) => turn(state, change),
});

export const KINDS: readonly KindOffer[] = [
  offer('Paragraph', 'plain text', 'text line body', { kind: 'paragraph' }),
  offer('Heading', '## at the start of a line', 'title h2', { kind: 'heading', level: 2 }),
  offer('Great heading', '# at the start of a line', 'title h1 large', { kind: 'heading', level: 1 }),
  offer('Small heading', '### at the start of a line', 'subheading title h3', { kind: 'heading', level: 3 }),
  offer('Least heading', '#### at the start of a line', 'subheading title h4', { kind: 'heading', level: 4 }),
  offer('To-do', '[] at the start of a line', 'task tick checkbox', { kind: 'todo' }),
  offer('Bulleted item', '- at the start of a line', 'list point dash', { kind: 'bulleted' }),
  offer('Numbered item', '1. at the start of a line', 'list ordered', { kind: 'numbered' }),
  offer('Quote', '> at the start of a line', 'citation', { kind: 'quote' }),
  offer('Note box', '! at the start of a line', 'remark aside box warning callout', { kind: 'note' }),
  offer('Foldable', '>> at the start of a line', 'toggle collapse details accordion', { kind: 'fold' }),
];
