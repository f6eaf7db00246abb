import { Extension } from '@tiptap/core';
import type { Node as DocumentNode } from '@tiptap/pm/model';
import { Plugin, Selection } from '@tiptap/pm/state';
import type { EditorView, NodeView } from '@tiptap/pm/view';
import { documentNodes } from '@glossarion/core/document';
import { LINK_STATE_WORDS, type Target } from '@glossarion/core/links';
import { tagAddress } from '../screen/navigation';
import { linkWords, tagWords } from '../screen/words';
import { store, targetOf, wantTargets } from '../state/store';

/** How a link is shown: the present title of its target or its own words, and the target's state in looks and words. */
class LinkView implements NodeView {
  dom: HTMLAnchorElement;
  private shown = '';

  constructor(private node: DocumentNode) {
    this.dom = document.createElement('a');
    this.dom.className = 'link';
    this.dom.draggable = false;
    this.want();
    this.show();
  }

  /** Asks for its target once. */
  private want(): void {
    if (!targetOf(this.target)) wantTargets([this.target]);
  }

  get target(): string {
    return String(this.node.attrs.target);
  }

  show(): void {
    const target = targetOf(this.target);
    const own = this.node.attrs.words as string | null;
    const words = own || linkWords(target);
    const state = target?.state ?? 'written';
    const key = `${words}\n${state}\n${this.target}\n${target?.title}`;
    if (key === this.shown) return;
    this.shown = key;
    this.dom.href = `/to/${this.target}`;
    this.dom.dataset.target = this.target;
    this.dom.dataset.state = state;
    this.dom.textContent = words;
    const said = LINK_STATE_WORDS[state];
    if (said) this.dom.setAttribute('aria-label', `${words}, ${said}`);
    else this.dom.removeAttribute('aria-label');
    this.dom.title = target && own ? target.title : '';
  }

  update(node: DocumentNode): boolean {
    if (node.type !== this.node.type) return false;
    const isOther = node.attrs.target !== this.node.attrs.target;
    this.node = node;
    if (isOther) this.want();
    this.show();
    return true;
  }

  ignoreMutation(): boolean {
    return true;
  }
}

/** A link in a text that is being written, as far as its own words can be changed. */
export interface EditedLink {
  words: string | null;
  setWords: (words: string | null) => void;
  /** Leaves the words, or the title it shows, as plain text. */
  unlink: (title: string) => void;
}

/** Editors that are open, in which links can be changed. */
const openViews = new Set<EditorView>();

/** What shows titles that may change, by editor. */
const shownNames = new WeakMap<EditorView, Set<LinkView | TagView>>();

function shownIn<T extends LinkView | TagView>(view: EditorView, name: T): T & { destroy: () => void } {
  const names = shownNames.get(view) ?? new Set();
  shownNames.set(view, names.add(name));
  return Object.assign(name, { destroy: () => void names.delete(name) });
}

export const PageLinkWithView = documentNodes.pageLink!.extend({
  addNodeView() {
    return ({ node, view }) => shownIn(view, new LinkView(node));
  },
});

/** The link that an element shows in an editor; null for links in what is only shown. */
export function editedLink(element: HTMLElement): EditedLink | null {
  for (const view of openViews) {
    if (!view.editable || !view.dom.contains(element)) continue;
    const position = view.posAtDOM(element, 0) - (element.firstChild ? 1 : 0);
    const at = [position, position + 1, position - 1].find(
      (each) => each >= 0 && view.state.doc.nodeAt(each)?.type.name === 'pageLink',
    );
    const node = at === undefined ? null : view.state.doc.nodeAt(at);
    if (at === undefined || !node) return null;
    const words = node.attrs.words as string | null;
    return {
      words,
      setWords: (next) => {
        view.dispatch(view.state.tr.setNodeAttribute(at, 'words', next));
        view.focus();
      },
      unlink: (title) => {
        view.dispatch(view.state.tr.replaceWith(at, at + 1, view.state.schema.text(words ?? (title || '…'))));
        view.focus();
      },
    };
  }
  return null;
}

/** How a tag is shown: by its present name. */
class TagView implements NodeView {
  dom = document.createElement('a');

  constructor(private node: DocumentNode) {
    this.dom.className = 'tag';
    this.dom.draggable = false;
    this.want();
    this.show();
  }

  /** Asks for its name once: `show` is called whenever anything changes, an answer that did not come among it. */
  private want(): void {
    const { tag, name } = this.node.attrs as { tag: string | null; name: string | null };
    if (tag !== null && name === null && !targetOf(tag)) wantTargets([tag]);
  }

  show(): void {
    const { tag, name } = this.node.attrs as { tag: string | null; name: string | null };
    const target = tag === null ? undefined : targetOf(tag);
    // One that was typed here is stored under its id before its name is known by that: it stays as it was typed.
    if (name === null && !target && this.dom.textContent) return;
    const words = tagWords(target, name);
    if (words !== this.dom.textContent) this.dom.textContent = words;
    this.lead(name === null && target?.state === 'written' ? target : null);
    if (target?.state !== this.dom.dataset.state) this.dom.dataset.state = target?.state ?? '';
  }

  /** Makes it a link to the tag's own page; one that is deleted or not known yet leads nowhere. */
  private lead(target: Target | null): void {
    const pigment = target?.pigment ?? '';
    if (this.dom.dataset.target === target?.id && (this.dom.dataset.pigment ?? '') === pigment) return;
    if (target) {
      this.dom.href = tagAddress(target.pageId);
      this.dom.dataset.target = target.id;
    } else {
      this.dom.removeAttribute('href');
      delete this.dom.dataset.target;
    }
    if (pigment) this.dom.dataset.pigment = pigment;
    else delete this.dom.dataset.pigment;
  }

  update(node: DocumentNode): boolean {
    if (node.type !== this.node.type) return false;
    const isOther = node.attrs.tag !== this.node.attrs.tag && node.attrs.name === this.node.attrs.name;
    this.node = node;
    if (isOther) this.dom.textContent = '';
    this.want();
    this.show();
    return true;
  }

  ignoreMutation(): boolean {
    return true;
  }
}

export const TagWithView = documentNodes.tag!.extend({
  addNodeView() {
    return ({ node, view }) => shownIn(view, new TagView(node));
  },
});

/** What within a line leads somewhere else. */
const LEADING: ReadonlySet<string> = new Set(['pageLink', 'tag']);

/** Opens links by click or Enter, and keeps what they show present. */
export const LinkBehaviour = Extension.create<{ onOpen: (target: string, isBeside: boolean) => void }>({
  name: 'linkBehaviour',
  // Before the keys of lines: a chosen link has Enter.
  priority: 2100,
  addOptions: () => ({ onOpen: () => undefined }),
  addProseMirrorPlugins() {
    const { onOpen } = this.options;
    return [
      new Plugin({
        view: (view) => {
          openViews.add(view);
          const unsubscribe = store.subscribe(() => shownNames.get(view)?.forEach((name) => name.show()));
          let chosen: Element | null = null;
          return {
            update: () => {
              const { selection } = view.state;
              const node = 'node' in selection ? (selection.node as DocumentNode) : null;
              const isLink = node?.type.name === 'pageLink';
              const element = isLink ? (view.nodeDOM(selection.from) as Element | null) : null;
              if (element === chosen) return;
              chosen = element;
              document.dispatchEvent(new CustomEvent('linkchosen', { detail: element }));
            },
            destroy: () => {
              openViews.delete(view);
              unsubscribe();
            },
          };
        },
        props: {
          handleDOMEvents: {
            click: (_view, event) => {
              const link = (event.target as Element).closest('a');
              if (!link || event.button !== 0) return false;
              if (event.metaKey || event.ctrlKey) return false;
              event.preventDefault();
              if (link.dataset.target) onOpen(link.dataset.target, event.shiftKey);
              else if (/^(https?:|mailto:|tel:)/u.test(link.href)) window.open(link.href, '_blank', 'noopener');
              return true;
            },
          },
          // Only Delete and Backspace take a chosen link away: what is typed stands after it.
          handleTextInput: (view, _from, _to, text) => {
            const { selection } = view.state;
            const node = 'node' in selection ? (selection.node as DocumentNode) : null;
            if (!node || !LEADING.has(node.type.name)) return false;
            const { tr } = view.state;
            view.dispatch(
              tr
                .setSelection(Selection.near(tr.doc.resolve(selection.to)))
                .insertText(text)
                .scrollIntoView(),
            );
            return true;
          },
          handleKeyDown: (view, event) => {
            // A link that is selected as a whole, as it is when arrowed onto, opens by Enter.
            const { selection } = view.state;
            const node = 'node' in selection ? (selection.node as DocumentNode) : null;
            if (event.key !== 'Enter' || !node || !LEADING.has(node.type.name)) return false;
            onOpen(String(node.attrs.target ?? node.attrs.tag), event.shiftKey);
            return true;
          },
        },
      }),
    ];
  },
});
