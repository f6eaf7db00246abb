import { Extension } from '@tiptap/core';
import { Plugin, PluginKey, TextSelection, type EditorState, type Transaction } from '@tiptap/pm/state';
import { Decoration, DecorationSet } from '@tiptap/pm/view';
import { SearchQuery, type SearchResult } from 'prosemirror-search';

/** Something on the page that fits: as it was typed, or as a word that stands for what was. */
export interface PageMatch extends SearchResult {
  isOther?: boolean;
}

/** What stands for the words that are looked for, and is shown among them (pageWords.ts). */
export type OtherMatches = (state: EditorState) => readonly PageMatch[];

/**
 * What is looked for on the page: every match, and the one that was asked for last. A match may be empty (`^`, `$`); it
 * stands between two letters then.
 */
interface PageSearchState {
  query: SearchQuery;
  others: OtherMatches | null;
  matches: readonly PageMatch[];
  /** The index of the match that was asked for; null until one was. */
  at: number | null;
  shown: DecorationSet;
}

/** What a transaction says of the search. */
interface SearchChange {
  query?: SearchQuery;
  others?: OtherMatches | null;
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

/** All that fits, in order; what stands for a word and was typed so is there once. */
function allMatches(state: EditorState, query: SearchQuery, others: OtherMatches | null): PageMatch[] {
  const typed = matchesOf(state, query);
  let at = 0;
  const beside = (others?.(state) ?? []).filter((other) => {
    while (at < typed.length && typed[at]!.to <= other.from) at += 1;
    return at >= typed.length || typed[at]!.from >= other.to;
  });
  return beside.length === 0 ? typed : [...typed, ...beside].sort((one, other) => one.from - other.from);
}

function show(state: EditorState, matches: readonly PageMatch[], at: number | null): DecorationSet {
  return DecorationSet.create(
    state.doc,
    matches.map(({ from, to, isOther }, index) => {
      const look = `search-match${isOther ? ' other' : ''}${index === at ? ' active' : ''}`;
      return from < to ? Decoration.inline(from, to, { class: look }) : Decoration.widget(from, () => spot(look));
    }),
  );
}

function spot(look: string): HTMLElement {
  const element = document.createElement('span');
  element.className = `${look} empty`;
  return element;
}

const firstFrom = (matches: readonly PageMatch[], position: number): number | null => {
  const index = matches.findIndex(({ from }) => from >= position);
  return index >= 0 ? index : matches.length > 0 ? 0 : null;
};

/** Whether the same is looked for, whatever it is replaced with. */
const isSameSearch = (one: SearchQuery, other: SearchQuery): boolean =>
  one.search === other.search &&
  one.caseSensitive === other.caseSensitive &&
  one.wholeWord === other.wholeWord &&
  one.regexp === other.regexp;

function nextState(before: PageSearchState, transaction: Transaction, state: EditorState): PageSearchState {
  const change = transaction.getMeta(key) as SearchChange | undefined;
  if (!change && !transaction.docChanged) return before;
  const query = change?.query ?? before.query;
  const others = change?.others === undefined ? before.others : change.others;
  if (!query.valid) return { query, others, matches: [], at: null, shown: DecorationSet.empty };
  const isSame = !transaction.docChanged && change?.query === undefined;
  const matches = isSame ? before.matches : allMatches(state, query, others);
  let at = change?.at === undefined ? null : change.at;
  if (change?.from !== undefined) at = firstFrom(matches, change.from);
  else if (change?.at === undefined && before.at !== null && isSameSearch(query, before.query)) {
    // The text changed around it, more words were taken for what was typed, or something else is put in its place.
    const from = transaction.mapping.map(before.matches[before.at]!.from);
    const index = matches.findIndex((match) => match.from === from);
    at = index < 0 ? null : index;
  }
  return { query, others, matches, at, shown: show(state, matches, at) };
}

/** Looks for something else, or for nothing; the page stays where it is. */
export const lookFor = (
  state: EditorState,
  query: SearchQuery | null,
  others: OtherMatches | null = null,
): Transaction => {
  const change: SearchChange = { query: query ?? NONE, others };
  return state.tr.setMeta(key, change).setMeta('addToHistory', false);
};

/** All that fits, in the order of the page. */
export const pageMatches = (state: EditorState): readonly PageMatch[] => key.getState(state)?.matches ?? [];

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

function replace(transaction: Transaction, state: EditorState, query: SearchQuery, match: PageMatch): void {
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

/** Replaces all that is as it was typed, as one change; what stands for it is replaced where it is asked for alone. */
export function replaceAllMatches(state: EditorState): Transaction | null {
  const { matches, query } = key.getState(state)!;
  const typed = matches.filter(({ isOther }) => !isOther);
  if (typed.length === 0) return null;
  const { tr } = state;
  for (const match of typed.reverse()) replace(tr, state, query, match);
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
      init: () => ({ query: NONE, others: null, matches: [], at: null, shown: DecorationSet.empty }),
      apply: (transaction, before, _old, state) => nextState(before, transaction, state),
    },
    props: { decorations: (state) => key.getState(state)?.shown },
  });
