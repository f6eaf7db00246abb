import { Extension } from '@tiptap/core';
import { Plugin } from '@tiptap/pm/state';
import type { EditorView } from '@tiptap/pm/view';
import type { Target } from '@glossarion/core/links';
import { api } from '../state/api';
import { ask, store } from '../state/store';
import { targetsKnown } from '../state/targets';

/** A name set in two brackets and closed. */
const CLOSED = /\[\[([^[\]\n]{1,160})\]\]/gu;

const folded = (name: string): string => name.normalize('NFC').trim().toLocaleLowerCase();

/** The one page that bears a name; null when none does, or several do. */
async function pageNamed(name: string): Promise<Target | null> {
  const named = await ask(api.endpoints.names.initiate(name.trim())).catch(() => []);
  const bearing = named.filter((each) => each.kind === 'page' && folded(each.title) === folded(name));
  return bearing.length === 1 ? bearing[0]! : null;
}

/** Turns closed brackets of a text into links, where exactly one page bears the name and the words still stand. */
async function linkClosed(view: EditorView, names: ReadonlySet<string>): Promise<void> {
  for (const name of names) {
    const page = await pageNamed(name);
    if (!page || view.isDestroyed) continue;
    const words = `[[${name}]]`;
    const places: number[] = [];
    view.state.doc.descendants((node, position) => {
      if (!node.isTextblock || node.type.spec.code) return;
      const text = node.textBetween(0, node.content.size, undefined, '\uFFFC');
      for (let at = text.indexOf(words); at >= 0; at = text.indexOf(words, at + words.length)) {
        places.push(position + 1 + at);
      }
    });
    if (places.length === 0) continue;
    store.dispatch(targetsKnown([page]));
    const transaction = view.state.tr;
    for (const at of places.reverse()) {
      transaction.replaceWith(at, at + words.length, view.state.schema.nodes.pageLink!.create({ target: page.id }));
    }
    view.dispatch(transaction);
  }
}

const namesIn = (text: string): Set<string> => new Set([...text.matchAll(CLOSED)].map((match) => match[1]!));

/** `[[Name]]` typed to its end or pasted becomes a link when exactly one page bears the name. */
export const ClosedBrackets = Extension.create({
  name: 'closedBrackets',
  addProseMirrorPlugins: () => [
    new Plugin({
      props: {
        handleTextInput: (view, from, _to, text) => {
          if (text !== ']') return false;
          const { $from } = view.state.selection;
          const before = $from.parent.textBetween(0, $from.parentOffset, undefined, '\uFFFC');
          const name = from === $from.pos ? /\[\[([^[\]\n]{1,160})\]$/u.exec(before)?.[1] : undefined;
          // The bracket is typed first: what becomes of it is known a moment later.
          if (name && !$from.parent.type.spec.code) setTimeout(() => void linkClosed(view, new Set([name])));
          return false;
        },
        handlePaste: (view, event) => {
          const names = namesIn(event.clipboardData?.getData('text/plain') ?? '');
          if (names.size > 0) setTimeout(() => void linkClosed(view, names));
          return false;
        },
      },
    }),
  ],
});
