import type { Editor } from '@tiptap/core';
import type { EditorState, Transaction } from '@tiptap/pm/state';
import { SearchQuery } from 'prosemirror-search';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useAppDispatch } from '../state/store';
import { searchOpened } from '../state/view';
import { chooseNone } from './chosen';
import { Dock } from './Dock';
import { askForMatch, lookFor, matchCount, replaceAllMatches, replaceMatch } from './pageSearch';

interface Wish {
  search: string;
  replace: string;
  caseSensitive: boolean;
  wholeWord: boolean;
  regexp: boolean;
}

/** How much of the window’s head may be covered, in pixels. */
const HEAD = 60;

const CHOICES = [
  { name: 'caseSensitive', label: 'Case' },
  { name: 'wholeWord', label: 'Whole words' },
  { name: 'regexp', label: 'Regular expression' },
] as const;

/** Finds and replaces on the page. */
export function SearchPanel({ editor }: { editor: Editor }) {
  const dispatch = useAppDispatch();
  const [wish, setWish] = useState<Wish>({
    search: '',
    replace: '',
    caseSensitive: false,
    wholeWord: false,
    regexp: false,
  });
  const [count, setCount] = useState(0);
  const [said, setSaid] = useState('');
  const field = useRef<HTMLInputElement>(null);
  const query = useMemo(() => new SearchQuery(wish), [wish]);

  useEffect(() => {
    // Lines that are chosen would keep their bar, and the keys.
    editor.view.dispatch(chooseNone(editor.state));
    field.current?.focus();
  }, [editor]);
  useEffect(() => {
    editor.view.dispatch(lookFor(editor.state, query));
    const read = () => setCount(matchCount(editor.state));
    read();
    setSaid('');
    editor.on('update', read);
    return () => void editor.off('update', read);
  }, [editor, query]);
  useEffect(
    () => () => {
      if (!editor.isDestroyed) editor.view.dispatch(lookFor(editor.state, null));
    },
    [editor],
  );

  const panel = useRef<HTMLDivElement>(null);
  useEffect(() => {
    // What stands at the end of the page can be drawn up to where it is seen.
    const { style } = document.documentElement;
    style.setProperty('--finding', `${panel.current?.offsetHeight ?? 0}px`);
    return () => void style.removeProperty('--finding');
  }, []);

  /** Only what was asked for moves the page: into what is seen above this panel. */
  const run = (edit: (state: EditorState) => Transaction | null) => {
    const transaction = edit(editor.state);
    if (transaction) editor.view.dispatch(transaction);
    const match = editor.view.dom.querySelector('.search-match.active');
    if (!match || !panel.current) return;
    const { top, bottom } = match.getBoundingClientRect();
    const isSeen = top > HEAD && bottom < panel.current.getBoundingClientRect().top;
    if (!isSeen) match.scrollIntoView({ block: 'center' });
  };
  const close = () => void dispatch(searchOpened(false));
  const isOdd = wish.search !== '' && !query.valid;
  const found = isOdd
    ? 'That is no regular expression.'
    : wish.search === ''
      ? ''
      : count === 0
        ? 'Not on this page.'
        : `${count} found`;

  return (
    <Dock label="Finding">
      <div
        ref={panel}
        className="search-panel"
        data-at-foot=""
        role="search"
        aria-label="Find and replace on this page"
        onKeyDown={(event) => {
          if (event.key !== 'Escape') return;
          event.stopPropagation();
          close();
          editor.view.focus();
        }}
      >
        <div className="search-line">
          <input
            ref={field}
            aria-label="Find on this page"
            placeholder="Find on this page"
            value={wish.search}
            onChange={(event) => setWish({ ...wish, search: event.target.value })}
            onKeyDown={(event) => {
              if (event.key !== 'Enter') return;
              event.preventDefault();
              run((state) => askForMatch(state, event.shiftKey ? -1 : 1));
            }}
          />
          <span role="status">{said || found}</span>
          <button type="button" aria-label="Previous" onClick={() => run((state) => askForMatch(state, -1))}>
            ↑
          </button>
          <button type="button" aria-label="Next" onClick={() => run((state) => askForMatch(state, 1))}>
            ↓
          </button>
          <button type="button" onClick={close}>
            Close
          </button>
        </div>
        <div className="search-line">
          <input
            aria-label="Replace with"
            placeholder="Replace with"
            value={wish.replace}
            onChange={(event) => setWish({ ...wish, replace: event.target.value })}
          />
          <button type="button" onClick={() => run(replaceMatch)}>
            Replace
          </button>
          <button
            type="button"
            onClick={() => {
              const before = count;
              const transaction = replaceAllMatches(editor.state);
              if (transaction) editor.view.dispatch(transaction);
              setSaid(before === 1 ? '1 was replaced.' : `${before} were replaced.`);
            }}
          >
            Replace all
          </button>
        </div>
        <div className="search-line">
          {CHOICES.map(({ name, label }) => (
            <label key={name}>
              <input
                type="checkbox"
                checked={wish[name]}
                onChange={(event) => setWish({ ...wish, [name]: event.target.checked })}
              />
              {label}
            </label>
          ))}
        </div>
      </div>
    </Dock>
  );
}
