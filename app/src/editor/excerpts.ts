import { Extension } from '@tiptap/core';
import { Fragment, Slice } from '@tiptap/pm/model';
import { Plugin } from '@tiptap/pm/state';
import type { EditorView } from '@tiptap/pm/view';
import { newId, pageLink, text, type NodeJson } from '@glossarion/core/document';
import { store } from '../state/store';
import { noticed } from '../state/view';

/**
 * Dragging across: lines or words that are dragged from one page to the one beside it come there as an excerpt, a copy
 * with a link to where it is from. (Sending moves.)
 */
interface OpenPage {
  view: EditorView;
  pageId: string;
  title: () => string;
}

const openPages = new Set<OpenPage>();
/** The page that words are being dragged from. */
let draggedFrom: OpenPage | null = null;

const pageOf = (view: EditorView): OpenPage | undefined => [...openPages].find((each) => each.view === view);

/** Where lines dragged from a page would come to stand in another. */
export interface PlaceAcross {
  view: EditorView;
  /** The position in the text, between two blocks. */
  position: number;
  /** Where that is in the window. */
  top: number;
  left: number;
  width: number;
}

/** The place in another page at a point of the window; null over anything else. */
export function placeAcross(from: EditorView, x: number, y: number): PlaceAcross | null {
  const found = [...openPages].find(({ view, pageId }) => {
    const box = view.dom.getBoundingClientRect();
    const isOther = view !== from && pageId !== pageOf(from)?.pageId && view.editable;
    return isOther && x >= box.left && x <= box.right && y >= box.top && y <= box.bottom;
  });
  if (!found) return null;
  const { view } = found;
  let position = 0;
  let top = view.dom.getBoundingClientRect().top;
  view.state.doc.forEach((node, at) => {
    const element = view.nodeDOM(at);
    const box = element instanceof HTMLElement ? element.getBoundingClientRect() : null;
    if (!box || box.height === 0 || y < box.top + box.height / 2) return;
    position = at + node.nodeSize;
    top = box.bottom;
  });
  const { left, width } = view.dom.getBoundingClientRect();
  return { view, position, top, left, width };
}

/** Sets an excerpt of lines of one page into another. */
export async function dropExcerpt(
  from: EditorView,
  blockIds: readonly string[],
  { view, position }: PlaceAcross,
): Promise<void> {
  const source = pageOf(from);
  if (!source) return;
  const parts = await import('@glossarion/core/acts/parts').catch(() => null);
  if (!parts) {
    store.dispatch(noticed({ words: 'The excerpt could not be taken without a network. Nothing was changed.' }));
    return;
  }
  const { content } = from.state.doc.toJSON() as { content: NodeJson[] };
  const nodes = parts.excerptOf(content, blockIds, newId(), source.title());
  const { schema, tr } = view.state;
  view.dispatch(
    tr.insert(
      Math.min(position, view.state.doc.content.size),
      nodes.map((node) => schema.nodeFromJSON(node)),
    ),
  );
  view.focus();
}

/** Words, and after them where they are from. */
function wordsWithSource(view: EditorView, slice: Slice, blockId: string, title: string): Slice {
  const source = [text(' – '), pageLink(blockId, title)].map((node) => view.state.schema.nodeFromJSON(node));
  const last = slice.content.lastChild;
  if (!last?.inlineContent) return slice;
  const ended = last.copy(last.content.append(Fragment.from(source)));
  return new Slice(slice.content.replaceChild(slice.content.childCount - 1, ended), slice.openStart, slice.openEnd);
}

export const Excerpts = Extension.create<{ pageId: string; title: () => string }>({
  name: 'excerpts',
  // Before what else takes what is dropped.
  priority: 2500,
  addOptions: () => ({ pageId: '', title: () => '' }),
  addProseMirrorPlugins() {
    const { pageId, title } = this.options;
    return [
      new Plugin({
        view: (view) => {
          const page = { view, pageId, title };
          openPages.add(page);
          return { destroy: () => void openPages.delete(page) };
        },
        props: {
          handleDOMEvents: {
            dragstart: (view) => {
              draggedFrom = pageOf(view) ?? null;
              return false;
            },
            dragend: () => {
              draggedFrom = null;
              return false;
            },
          },
          handleDrop: (view, event, slice) => {
            const source = draggedFrom;
            draggedFrom = null;
            if (!source || source.view === view || source.pageId === pageId || slice.size === 0) return false;
            const at = view.posAtCoords({ left: event.clientX, top: event.clientY });
            if (!at) return false;
            const { $from } = source.view.state.selection;
            const blockId = String(source.view.state.doc.child($from.index(0)).attrs.id);
            const { tr } = view.state;
            view.dispatch(tr.replaceRange(at.pos, at.pos, wordsWithSource(view, slice, blockId, source.title())));
            view.focus();
            return true;
          },
        },
      }),
    ];
  },
});
