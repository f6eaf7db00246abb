import type { Editor } from '@tiptap/core';
import { block, newId, type NodeJson, type TaskState } from '@glossarion/core/document';
import { foldWords } from '@glossarion/core/find';
import { overviewNode, type OverviewAttributes } from '@glossarion/core/overview';
import type { WritingPlace } from './PageEditor';

/** Something the Insert menu offers. */
export interface InsertItem {
  words: string;
  detail: string;
  /** Other words people use for it. */
  also: string;
  insert: (editor: Editor, place: WritingPlace) => void;
}

interface KindChange {
  kind: string;
  level?: number;
  state?: TaskState;
}

/** Turns the line with the cursor into another kind; its words, children and id stay. */
const turn =
  ({ kind, level, state }: KindChange) =>
  (editor: Editor): void => {
    const { $from } = editor.state.selection;
    const attrs = { ...$from.node(1).attrs, kind, level: level ?? null, state: state ?? null };
    editor.view.dispatch(editor.state.tr.setNodeMarkup($from.before(1), undefined, attrs));
    editor.view.focus();
  };

/** Puts a block in place of the line with the cursor when that is empty, else after it; the cursor goes after it. */
function put(editor: Editor, node: NodeJson): void {
  const { $from } = editor.state.selection;
  const line = $from.node(1);
  const isEmpty = line.content.size === 0;
  const after = block('paragraph', []);
  const position = isEmpty ? $from.before(1) : $from.after(1);
  const isLast = $from.after(1) === editor.state.doc.content.size;
  const content = isLast ? [node, after] : [node];
  const chain = editor.chain().focus();
  if (isEmpty) chain.insertContentAt({ from: position, to: $from.after(1) }, content).run();
  else chain.insertContentAt(position, content).run();
  const size = editor.state.doc.nodeAt(position)?.nodeSize ?? 0;
  editor.commands.setTextSelection(Math.min(position + size + 1, editor.state.doc.content.size));
}

const overview =
  (attributesFor: (place: WritingPlace) => Partial<OverviewAttributes>) =>
  (editor: Editor, place: WritingPlace): void =>
    put(editor, overviewNode(newId(), attributesFor(place)));

const nearest = (place: WritingPlace, kind: 'section' | 'notebook'): string =>
  place.trail.findLast((step) => step.kind === kind)?.id ?? place.trail[0]?.id ?? place.pageId;

/** Overviews that were just put in here and wait for what they are to list. */
export const awaitingChoice = new Set<string>();

export const INSERT_ITEMS: readonly InsertItem[] = [
  {
    words: 'Heading',
    detail: '## at the start of a line',
    also: 'title h2',
    insert: turn({ kind: 'heading', level: 2 }),
  },
  {
    words: 'Small heading',
    detail: '### at the start of a line',
    also: 'subheading title h3',
    insert: turn({ kind: 'heading', level: 3 }),
  },
  {
    words: 'To-do',
    detail: '[] at the start of a line',
    also: 'task tick checkbox',
    insert: turn({ kind: 'todo', state: 'open' }),
  },
  {
    words: 'Bulleted item',
    detail: '- at the start of a line',
    also: 'list point dash',
    insert: turn({ kind: 'bulleted' }),
  },
  {
    words: 'Numbered item',
    detail: '1. at the start of a line',
    also: 'list ordered',
    insert: turn({ kind: 'numbered' }),
  },
  { words: 'Quote', detail: '> at the start of a line', also: 'citation', insert: turn({ kind: 'quote' }) },
  {
    words: 'Note box',
    detail: 'set off from the text',
    also: 'remark aside box warning',
    insert: turn({ kind: 'note' }),
  },
  { words: 'Paragraph', detail: 'plain text', also: 'text line', insert: turn({ kind: 'paragraph' }) },
  {
    words: 'Divider',
    detail: '--- and Enter',
    also: 'rule line separator',
    insert: (editor) => put(editor, { type: 'divider', attrs: { id: newId(), depth: 0 } }),
  },
  {
    words: 'Code',
    detail: 'kept as typed',
    also: 'program listing',
    insert: (editor) => put(editor, { type: 'codeBlock', attrs: { id: newId(), depth: 0, language: null } }),
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
