import { Extension } from '@tiptap/core';
import { Plugin, PluginKey, TextSelection, type EditorState, type Transaction } from '@tiptap/pm/state';
import { Decoration, DecorationSet } from '@tiptap/pm/view';
import { SearchQuery, type SearchResult } from 'prosemirror-search';

/**
 * What is looked for on the page: every match, and the one that was asked for last. A match may be empty (`^`, `$`); it
 * stands between two letters then.
 */
interface PageSearchState {
  query: SearchQuery;
  matches: readonly SearchResult[];
  /** The index of the match that was asked for; null until one was. */
  at: number | null;
  shown: DecorationSet;
}

/** What a transaction says of the search. */
interface SearchChange {
  query?: SearchQuery;
  at?: number | null;
  /** The first match from this place on is asked for, once the text is changed. */
  from?: number;
}

const key = new PluginKey<PageSearchState>('pageSearch');
const NONE = new SearchQuery({ search: '' });

/** All matches, in order, each within one line; as `String.prototype.matchAll` steps on after an empty one. */
export function matchesOf(state: EditorState, query: SearchQuery): SearchResult[] {
  const matches: SearchResult[] = [];
  if (!query.valid) return matches;
  const end = state.doc.content.size;
  for (let from = 0; from < end;) {
    const match = query.findNext(state, from, end);
    if (!match) break;
    matches.push(match);
    from = match.to > match.from ? match.to : match.to + 1;
  }
  return matches;
}

function show(state: EditorState, matches: readonly SearchResult[], at: number | null): DecorationSet {
  return DecorationSet.create(
    state.doc,
    matches.map(({ from, to }, index) => {
      const look = index === at ? 'search-match active' : 'search-match';
      return from < to ? Decoration.inline(from, to, { class: look }) : Decoration.widget(from, () => spot(look));
    }),
  );
}

function spot(look: string): HTMLElement {
  const element = document.createElement('span');
  element.className = `${look} empty`;
  return element;
}

const firstFrom = (matches: readonly SearchResult[], position: number): number | null => {
  const index = matches.findIndex(({ from }) => from >= position);
  return index >= 0 ? index : matches.length > 0 ? 0 : null;
};

function nextState(before: PageSearchState, transaction: Transaction, state: EditorState): PageSearchState {
  const change = transaction.getMeta(key) as SearchChange | undefined;
  if (!change && !transaction.docChanged) return before;
  const query = change?.query ?? before.query;
  if (!query.valid) return { query, matches: [], at: null, shown: DecorationSet.empty };
  const isSame = !transaction.docChanged && change?.query === undefined;
  const matches = isSame ? before.matches : matchesOf(state, query);
  let at = change?.at === undefined ? null : change.at;
  if (change?.from !== undefined) at = firstFrom(matches, change.from);
  else if (!change && before.at !== null) {
    // The text changed around it.
    const from = transaction.mapping.map(before.matches[before.at]!.from);
    const index = matches.findIndex((match) => match.from === from);
    at = index < 0 ? null : index;
  }
  return { query, matches, at, shown: show(state, matches, at) };
}

/** Looks for something else, or for nothing; the page stays where it is. */
export const lookFor = (state: EditorState, query: SearchQuery | null): Transaction =>
  state.tr.setMeta(key, { query: query ?? NONE, at: null } satisfies SearchChange).setMeta('addToHistory', false);

export const matchCount = (state: EditorState): number => key.getState(state)?.matches.length ?? 0;

/** Asks for the next match (1) or the one before (-1): from the last one that was asked for, else from the cursor. */
export function askForMatch(state: EditorState, by: 1 | -1): Transaction | null {
  const { matches, at } = key.getState(state)!;
  if (matches.length === 0) return null;
  const { from, to } = state.selection;
  let index = at === null ? -1 : (at + by + matches.length) % matches.length;
  if (at === null && by === 1) index = Math.max(0, firstFrom(matches, from)!);
  if (at === null && by === -1) {
    index = matches.findLastIndex((match) => match.to <= to);
    if (index < 0) index = matches.length - 1;
  }
  const match = matches[index]!;
  return state.tr
    .setSelection(TextSelection.create(state.doc, match.from, match.to))
    .setMeta(key, { at: index } satisfies SearchChange)
    .setMeta('addToHistory', false);
}

function replace(transaction: Transaction, state: EditorState, query: SearchQuery, match: SearchResult): void {
  for (const { from, to, insert } of query.getReplacements(state, match).reverse()) {
    transaction.replace(from, to, insert);
  }
}

/** Replaces the match that was asked for, and asks for the one after it; asks for the next when none was. */
export function replaceMatch(state: EditorState): Transaction | null {
  const { matches, at, query } = key.getState(state)!;
  if (at === null) return askForMatch(state, 1);
  const match = matches[at]!;
  const { tr } = state;
  replace(tr, state, query, match);
  const end = tr.mapping.map(match.to);
  // One that is empty and stays so would be found again.
  const isMoved = end > match.from;
  tr.setMeta(key, { from: isMoved ? end : end + 1 } satisfies SearchChange);
  return tr;
}

/** Replaces all matches, as one change. */
export function replaceAllMatches(state: EditorState): Transaction | null {
  const { matches, query } = key.getState(state)!;
  if (matches.length === 0) return null;
  const { tr } = state;
  for (const match of [...matches].reverse()) replace(tr, state, query, match);
  return tr;
}

/** Marks what is looked for on the page. */
export const PageSearch = Extension.create({
  name: 'pageSearch',
  addProseMirrorPlugins: () => [pageSearch()],
});

export const pageSearch = (): Plugin<PageSearchState> =>
  new Plugin<PageSearchState>({
    key,
    state: {
      init: () => ({ query: NONE, matches: [], at: null, shown: DecorationSet.empty }),
      apply: (transaction, before, _old, state) => nextState(before, transaction, state),
    },
    props: { decorations: (state) => key.getState(state)?.shown },
  });
