import type { Editor } from '@tiptap/core';
import { newId, type NodeJson } from '@glossarion/core/document';
import { foldWords } from '@glossarion/core/find';
import { overviewNode, type OverviewAttributes } from '@glossarion/core/overview';
import { pickFiles } from '../features/attachments/upload';
import { store } from '../state/store';
import { sheetOpened } from '../state/view';
import { attachFiles } from './attach';
import { KINDS } from './kinds';
import { turnIntoCode } from './outline';
import type { WritingPlace } from './PageEditor';
import { putBlocksAt } from './put';
import { tableNode } from './tables';

/** Something the Insert menu offers. */
export interface InsertItem {
  words: string;
  detail: string;
  /** Other words people use for it. */
  also: string;
  insert: (editor: Editor, place: WritingPlace) => void;
}

const placed = () => ({ id: newId(), depth: 0, tint: null });

const put = (editor: Editor, node: NodeJson): void => void putBlocksAt(editor, [node]);

const overview =
  (attributesFor: (place: WritingPlace) => Partial<OverviewAttributes>) =>
  (editor: Editor, place: WritingPlace): void =>
    put(editor, overviewNode(newId(), attributesFor(place)));

const nearest = (place: WritingPlace, kind: 'section' | 'notebook'): string =>
  place.trail.findLast((step) => step.kind === kind)?.id ?? place.trail[0]?.id ?? place.pageId;

const attach =
  (accept: string) =>
  (editor: Editor): void =>
    void pickFiles(accept).then((files) => attachFiles(editor, files));

/** Overviews that were just put in here and wait for what they are to list. */
export const awaitingChoice = new Set<string>();

/** The editor that a sheet was opened from which puts something in. */
let awaitingSheet: { editor: Editor; pageId: string } | null = null;

/** Puts what a sheet made where the cursor was when it was opened. */
export function putFromSheet(node: NodeJson): void {
  if (awaitingSheet && !awaitingSheet.editor.isDestroyed) putBlocksAt(awaitingSheet.editor, [node]);
}

export const INSERT_ITEMS: readonly InsertItem[] = [
  ...KINDS.map(({ turn, ...kind }) => ({
    ...kind,
    insert: (editor: Editor) => {
      const transaction = turn(editor.state);
      if (transaction) editor.view.dispatch(transaction);
      editor.view.focus();
    },
  })),
  {
    words: 'Table',
    detail: 'three columns to begin with',
    also: 'grid spreadsheet rows columns cells',
    insert: (editor) =>
      put(
        editor,
        tableNode([
          ['', '', ''],
          ['', '', ''],
          ['', '', ''],
        ]),
      ),
  },
  {
    words: 'Code',
    detail: '``` at the start of a line',
    also: 'program listing monospace',
    insert: (editor) => {
      const transaction = turnIntoCode(editor.state);
      if (transaction) editor.view.dispatch(transaction);
      editor.view.focus();
    },
  },
  {
    words: 'Divider',
    detail: '--- and Enter',
    also: 'rule line separator',
    insert: (editor) => put(editor, { type: 'divider', attrs: placed() }),
  },
  { words: 'Picture', detail: 'picked, dropped or pasted', also: 'image photo photograph', insert: attach('image/*') },
  { words: 'File', detail: 'a PDF, a sound, anything', also: 'attachment pdf document audio', insert: attach('') },
  {
    words: 'Voice note',
    detail: 'recorded here',
    also: 'sound audio record microphone memo',
    insert: (editor, { pageId }) => {
      awaitingSheet = { editor, pageId };
      store.dispatch(sheetOpened({ for: 'voice' }));
    },
  },
  {
    words: 'Page card',
    detail: 'a page with its picture and first words',
    also: 'preview embed link',
    insert: (editor, { pageId }) => {
      awaitingSheet = { editor, pageId };
      store.dispatch(sheetOpened({ for: 'card' }));
    },
  },
  {
    words: 'Overview of the headings here',
    detail: 'always current',
    also: 'contents table index outline page',
    insert: overview(() => ({ subject: 'headings' })),
  },
  {
    words: 'Overview of the pages beneath',
    detail: 'always current',
    also: 'contents table index subpages',
    insert: overview(({ pageId }) => ({ subject: 'beneath', target: pageId })),
  },
  {
    words: 'Overview of this section',
    detail: 'always current',
    also: 'contents table index',
    insert: overview((place) => ({ subject: 'beneath', target: nearest(place, 'section') })),
  },
  {
    words: 'Overview of this notebook',
    detail: 'always current',
    also: 'contents table index',
    insert: overview((place) => ({ subject: 'beneath', target: nearest(place, 'notebook'), levels: 2 })),
  },
  {
    words: 'Overview of chosen pages',
    detail: 'picked by hand, always current',
    also: 'contents table index list collection passages',
    insert: (editor) => {
      const id = newId();
      awaitingChoice.add(id);
      put(editor, overviewNode(id, { subject: 'chosen' }));
    },
  },
];

/** The items that fit what was typed: every word of it begins a word of the item. */
export function fittingItems(typed: string): InsertItem[] {
  const wanted = foldWords(typed).split(/\s+/u).filter(Boolean);
  const fits = (text: string) => {
    const words = foldWords(text).split(/[^\p{L}\p{N}]+/u);
    return wanted.every((each) => words.some((word) => word.startsWith(each)));
  };
  const named = INSERT_ITEMS.filter((item) => fits(item.words));
  const others = INSERT_ITEMS.filter((item) => !named.includes(item) && fits(`${item.words} ${item.also}`));
  return [...named, ...others];
}
