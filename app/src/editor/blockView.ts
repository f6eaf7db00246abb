import type { Node as DocumentNode } from '@tiptap/pm/model';
import type { EditorView, NodeView } from '@tiptap/pm/view';
import { Block } from '@glossarion/core/document';
import { toggleFold } from './outline';

const ITEMS = new Set(['bulleted', 'numbered', 'todo', 'fold']);

export const isItem = (node: DocumentNode): boolean => node.type.name === 'block' && ITEMS.has(String(node.attrs.kind));

/** A block that has nothing beside its words is one element: a long page is laid out the faster. */
const isBare = (node: DocumentNode): boolean => !isItem(node) && node.attrs.kept !== true;

/** The element a block's words stand in. The title is the page's only heading of the first level. */
function wordsElement(node: DocumentNode): HTMLElement {
  if (node.attrs.kind === 'heading') return document.createElement(`h${Math.max(2, Number(node.attrs.level ?? 2))}`);
  if (node.attrs.kind === 'quote') return document.createElement('blockquote');
  return document.createElement(isItem(node) ? 'div' : 'p');
}

const STATE_WORDS: Record<string, string> = { open: 'open', begun: 'begun', done: 'done', dropped: 'dropped' };

/** How a text block is shown: its mark (bullet, number or box), its words, and a note when it was kept. */
class BlockView implements NodeView {
  dom: HTMLElement;
  contentDOM: HTMLElement;
  private box: HTMLButtonElement | null = null;
  private note: HTMLElement | null = null;
  private fold: HTMLButtonElement | null = null;

  constructor(
    private node: DocumentNode,
    private view: EditorView,
    private getPos: () => number | undefined,
  ) {
    this.contentDOM = wordsElement(node);
    this.dom = isBare(node) ? this.contentDOM : document.createElement('div');
    this.contentDOM.className = 'words';
    this.contentDOM.dir = 'auto';
    this.dom.classList.add('block');
    if (node.attrs.kind === 'todo') {
      this.box = document.createElement('button');
      this.box.className = 'box';
      this.box.type = 'button';
      this.box.tabIndex = -1;
      this.box.contentEditable = 'false';
      this.box.setAttribute('role', 'checkbox');
      this.box.addEventListener('mousedown', (event) => event.preventDefault());
      this.box.addEventListener('click', this.tick);
      this.dom.append(this.box);
    }
    if (node.attrs.kind === 'fold') {
      this.fold = document.createElement('button');
      this.fold.className = 'fold';
      this.fold.type = 'button';
      this.fold.contentEditable = 'false';
      this.fold.addEventListener('mousedown', (event) => event.preventDefault());
      this.fold.addEventListener('click', this.foldOrOpen);
      this.dom.append(this.fold);
    }
    if (!isBare(node)) this.dom.append(this.contentDOM);
    this.show();
  }

  private foldOrOpen = (): void => {
    const position = this.getPos();
    const transaction = position === undefined ? null : toggleFold(this.view.state, position);
    if (transaction) this.view.dispatch(transaction);
  };

  private tick = (): void => {
    const position = this.getPos();
    if (position === undefined) return;
    const state = this.node.attrs.state === 'done' ? 'open' : 'done';
    this.view.dispatch(this.view.state.tr.setNodeAttribute(position, 'state', state));
  };

  private keep = (): void => {
    const position = this.getPos();
    if (position !== undefined) this.view.dispatch(this.view.state.tr.setNodeAttribute(position, 'kept', null));
  };

  private show(): void {
    const { id, kind, depth, state, level, kept, tint, folded } = this.node.attrs as Record<
      string,
      string | number | boolean | null
    >;
    const { dom } = this;
    dom.id = id ? `b-${String(id)}` : '';
    dom.dataset.kind = String(kind);
    dom.dataset.depth = String(depth);
    dom.style.setProperty('--depth', String(depth));
    if (level) dom.dataset.level = String(level);
    if (state) dom.dataset.state = String(state);
    if (tint) dom.dataset.tint = String(tint);
    else delete dom.dataset.tint;
    this.fold?.setAttribute('aria-expanded', String(folded !== true));
    this.fold?.setAttribute('aria-label', folded === true ? 'Open what is folded' : 'Fold what is beneath');
    if (isItem(this.node)) {
      dom.setAttribute('role', 'listitem');
      dom.setAttribute('aria-level', String(Number(depth) + 1));
    }
    this.box?.setAttribute('aria-checked', state === 'begun' ? 'mixed' : String(state === 'done'));
    this.box?.setAttribute('aria-label', `To-do, ${STATE_WORDS[String(state ?? 'open')]}`);
    this.showNote(kept === true);
  }

  private showNote(isKept: boolean): void {
    if (isKept === (this.note !== null)) return;
    if (!isKept) {
      this.note?.remove();
      this.note = null;
      return;
    }
    this.note = document.createElement('div');
    this.note.className = 'kept';
    this.note.contentEditable = 'false';
    this.note.append('Kept: this line was deleted in another window while it was being written in. ');
    const button = document.createElement('button');
    button.type = 'button';
    button.textContent = 'Leave it here';
    button.addEventListener('click', this.keep);
    this.note.append(button);
    this.dom.append(this.note);
  }

  update(node: DocumentNode): boolean {
    const { kind, level } = this.node.attrs;
    if (node.type !== this.node.type || node.attrs.kind !== kind || node.attrs.level !== level) return false;
    if (isBare(node) !== isBare(this.node)) return false;
    const isSame = node.attrs === this.node.attrs;
    this.node = node;
    if (!isSame) this.show();
    return true;
  }

  ignoreMutation(mutation: { type: string; target: Node }): boolean {
    if (mutation.type === 'selection') return false;
    // What a block says of itself is this view's own doing, and none of the text.
    const isOfBlock = mutation.type === 'attributes' && mutation.target === this.dom;
    return isOfBlock || !this.contentDOM.contains(mutation.target);
  }

  stopEvent(event: Event): boolean {
    return event.target instanceof Element && event.target.closest('button') !== null;
  }
}

export const BlockWithView = Block.extend({
  addNodeView() {
    return ({ node, view, getPos }) => new BlockView(node, view, getPos);
  },
});
