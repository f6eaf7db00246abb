import { Extension } from '@tiptap/core';
import { Plugin, PluginKey, type EditorState } from '@tiptap/pm/state';
import { holdKey, type ListAnswer } from './heldKeys';

/** What is being typed after a mark that opens a picker, and where. */
export interface TypedQuery {
  typed: string;
  from: number;
  to: number;
}

export interface TypedQueryOptions {
  onChange: (query: TypedQuery | null) => void;
  /** Keys that the open picker takes. */
  onKey: (key: string) => ListAnswer;
}

/**
 * Watches for a mark and what is typed after it, up to the cursor; tells the picker, and gives it the keys it needs
 * while it is open. Esc closes it for this mark.
 *
 * @param takesMarkAway whether Esc takes the mark and what was typed after it away, since it stood for nothing else
 * @param pattern matches up to the cursor; its first group is the mark with what follows, its second what follows
 */
export function typedQueryWatch(name: string, pattern: RegExp, takesMarkAway = false) {
  const key = new PluginKey<{ dismissedAt: number | null }>(name);

  const queryOf = (state: EditorState): TypedQuery | null => {
    const { $from, empty } = state.selection;
    if (!empty || !$from.parent.inlineContent || $from.parent.type.spec.code) return null;
    const before = $from.parent.textBetween(0, $from.parentOffset, undefined, '\uFFFC');
    const match = pattern.exec(before);
    if (!match) return null;
    const from = $from.pos - match[1]!.length;
    if (key.getState(state)?.dismissedAt === from) return null;
    return { typed: match[2]!, from, to: $from.pos };
  };

  return Extension.create<TypedQueryOptions>({
    name,
    priority: 2000,
    addOptions: () => ({ onChange: () => undefined, onKey: () => false }),
    addProseMirrorPlugins() {
      const { onChange, onKey } = this.options;
      const { editor } = this;
      let shown: TypedQuery | null = null;
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
              const query = view.hasFocus() ? queryOf(view.state) : null;
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
                const { tr } = view.state;
                view.dispatch(takesMarkAway ? tr.delete(shown.from, shown.to) : tr.setMeta(key, shown.from));
                return true;
              }
              const answer = onKey(event.key);
              return answer === 'later' ? holdKey(editor, event) : answer;
            },
          },
        }),
      ];
    },
  });
}

/** Two opening brackets and the beginning of a name. */
export const LinkQueryWatch = typedQueryWatch('linkQuery', /(\[\[([^[\]]{0,160}))$/u);

/** What begins a tag, after a space or at the beginning of a line; alone it begins a heading there. */
export const TagQueryWatch = typedQueryWatch(
  'tagQuery',
  /(?:[\s(]|^(?=#[\p{L}\p{N}]))(#((?:[\p{L}\p{N}][\p{L}\p{M}\p{N}_/-]{0,60})?))$/u,
);

/** A slash at the beginning of a line or after a space, and some letters of what is to be inserted. */
export const InsertQueryWatch = typedQueryWatch(
  'insertQuery',
  /(?:^|\s)(\/([\p{L}\d-]{0,24}(?: [\p{L}\d-]{1,24})?))$/u,
  true,
);
