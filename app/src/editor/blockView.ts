import type { Node as DocumentNode } from '@tiptap/pm/model';
import type { EditorView, NodeView, ViewMutationRecord } from '@tiptap/pm/view';
import { documentNodes, isItem as isItemNode } from '@glossarion/core/document';
import { elementIdOf } from '../screen/blockPlace';
import { atEnd, textLook, type LineMark } from './kinds';

/** Whether a block is an item of a list. */
export const isItem = ({ type, attrs }: DocumentNode): boolean => isItemNode({ type: type.name, attrs });

/** A block that has nothing beside its words is one element: a long page is laid out the faster. */
const isBare = (node: DocumentNode): boolean =>
  !isItem(node) && !textLook(node.attrs.kind).mark && node.attrs.kept !== true;

/** The element a block's words stand in. */
const wordsElement = (node: DocumentNode): HTMLElement =>
  document.createElement(textLook(node.attrs.kind).element?.(node.attrs) ?? (isItem(node) ? 'div' : 'p'));

/** How a text block is shown: its mark (bullet, number or box), its words, and a note when it was kept. */
class BlockView implements NodeView {
  dom: HTMLElement;
  contentDOM: HTMLElement;
  private mark: LineMark | null = null;
  private note: HTMLElement | null = null;

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
    this.mark =
      textLook(node.attrs.kind).mark?.({
        attrs: () => this.node.attrs,
        change: (edit) => {
          const position = this.getPos();
          const transaction = position === undefined ? null : edit(this.view.state, position);
          if (transaction) this.view.dispatch(transaction);
        },
      }) ?? null;
    if (this.mark) this.dom.append(this.mark.dom);
    if (!isBare(node)) this.dom.append(this.contentDOM);
    this.show();
  }

  private keep = (): void => {
    const position = this.getPos();
    if (position !== undefined) this.view.dispatch(this.view.state.tr.setNodeAttribute(position, 'kept', null));
  };

  private show(): void {
    const { id, kind, depth, state, level, kept, tint } = this.node.attrs as Record<
      string,
      string | number | boolean | null
    >;
    const { dom } = this;
    dom.id = id ? elementIdOf(String(id)) : '';
    dom.dataset.kind = String(kind);
    dom.dataset.depth = String(depth);
    dom.style.setProperty('--depth', String(depth));
    const end = atEnd(kind, this.node.attrs);
    if (end === null) dom.style.removeProperty('--at-end');
    else dom.style.setProperty('--at-end', end);
    if (level) dom.dataset.level = String(level);
    if (state) dom.dataset.state = String(state);
    if (tint) dom.dataset.tint = String(tint);
    else delete dom.dataset.tint;
    if (isItem(this.node)) {
      dom.setAttribute('role', 'listitem');
      dom.setAttribute('aria-level', String(Number(depth) + 1));
    }
    this.mark?.show(this.node.attrs);
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

  /**
   * A cursor that another window's change left between two lines makes Chromium type beside a line's words.
   * Moved in among them, they are taken for typed there.
   */
  private takeIn({ addedNodes }: MutationRecord): void {
    for (const added of addedNodes) {
      if (!(added instanceof Text) || added.parentNode !== this.dom) continue;
      const isBefore = added.compareDocumentPosition(this.contentDOM) & Node.DOCUMENT_POSITION_FOLLOWING;
      if (isBefore) this.contentDOM.prepend(added);
      else this.contentDOM.append(added);
    }
  }

  ignoreMutation(mutation: ViewMutationRecord): boolean {
    if (mutation.type === 'selection') return false;
    if (mutation.type === 'childList' && this.dom !== this.contentDOM) this.takeIn(mutation);
    // What a block says of itself is this view's own doing, and none of the text.
    const isOfBlock = mutation.type === 'attributes' && mutation.target === this.dom;
    return isOfBlock || !this.contentDOM.contains(mutation.target);
  }

  stopEvent(event: Event): boolean {
    return event.target instanceof Element && event.target.closest('button') !== null;
  }
}

export const BlockWithView = documentNodes.block!.extend({
  addNodeView() {
    return ({ node, view, getPos }) => new BlockView(node, view, getPos);
  },
});
