import { Extension } from '@tiptap/core';
import { Plugin, PluginKey, type EditorState } from '@tiptap/pm/state';

/** What is being typed after two opening brackets, and where. */
export interface LinkQuery {
  typed: string;
  from: number;
  to: number;
}

const OPEN = /\[\[([^[\]]{0,120})$/u;
const key = new PluginKey<{ dismissedAt: number | null }>('linkQuery');

export function linkQueryOf(state: EditorState): LinkQuery | null {
  const { $from, empty } = state.selection;
  if (!empty || !$from.parent.inlineContent || $from.parent.type.spec.code) return null;
  const before = $from.parent.textBetween(0, $from.parentOffset, undefined, '\uFFFC');
  const match = OPEN.exec(before);
  if (!match) return null;
  const from = $from.pos - match[0].length;
  if (key.getState(state)?.dismissedAt === from) return null;
  return { typed: match[1]!, from, to: $from.pos };
}

export interface LinkQueryOptions {
  onChange: (query: LinkQuery | null) => void;
  /** Keys that the open picker takes; true when it took one. */
  onKey: (key: string) => boolean;
}

/** Tells the picker what is typed after two brackets, and gives it the keys it needs while it is open. */
export const LinkQueryWatch = Extension.create<LinkQueryOptions>({
  name: 'linkQueryWatch',
  priority: 2000,
  addOptions: () => ({ onChange: () => undefined, onKey: () => false }),
  addProseMirrorPlugins() {
    const { onChange, onKey } = this.options;
    let shown: LinkQuery | null = null;
    return [
      new Plugin<{ dismissedAt: number | null }>({
        key,
        state: {
          init: () => ({ dismissedAt: null }),
          apply: (transaction, state) => {
            const dismissed = transaction.getMeta(key) as number | undefined;
            if (dismissed !== undefined) return { dismissedAt: dismissed };
            if (state.dismissedAt === null || !transaction.docChanged) return state;
            return { dismissedAt: transaction.mapping.map(state.dismissedAt) };
          },
        },
        view: () => ({
          update: (view) => {
            const query = view.hasFocus() ? linkQueryOf(view.state) : null;
            if (query?.typed === shown?.typed && query?.from === shown?.from && query?.to === shown?.to) return;
            shown = query;
            onChange(query);
          },
          destroy: () => onChange(null),
        }),
        props: {
          handleKeyDown: (view, event) => {
            if (!shown || event.isComposing) return false;
            if (event.key === 'Escape') {
              view.dispatch(view.state.tr.setMeta(key, shown.from));
              return true;
            }
            return onKey(event.key);
          },
        },
      }),
    ];
  },
});
