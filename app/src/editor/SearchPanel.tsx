import type { Editor } from '@tiptap/core';
import {
  findNext,
  findPrev,
  getMatchHighlights,
  replaceAll,
  replaceNext,
  SearchQuery,
  setSearchState,
} from 'prosemirror-search';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useAppDispatch } from '../state/store';
import { searchOpened } from '../state/view';

interface Wish {
  search: string;
  replace: string;
  caseSensitive: boolean;
  wholeWord: boolean;
  regexp: boolean;
}

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

  useEffect(() => field.current?.focus(), []);
  useEffect(() => {
    editor.view.dispatch(setSearchState(editor.state.tr, query));
    const read = () => setCount(query.valid ? getMatchHighlights(editor.state).find().length : 0);
    read();
    setSaid('');
    editor.on('update', read);
    return () => void editor.off('update', read);
  }, [editor, query]);
  useEffect(
    () => () => {
      if (!editor.isDestroyed) editor.view.dispatch(setSearchState(editor.state.tr, new SearchQuery({ search: '' })));
    },
    [editor],
  );

  const run = (command: typeof findNext) => {
    command(editor.state, (transaction) => editor.view.dispatch(transaction.scrollIntoView()));
    const selected = editor.view.dom.querySelector('.ProseMirror-active-search-match');
    selected?.scrollIntoView({ block: 'nearest' });
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
    <div
      className="search-panel"
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
            run(event.shiftKey ? findPrev : findNext);
          }}
        />
        <button type="button" onClick={() => run(findPrev)}>
          Previous
        </button>
        <button type="button" onClick={() => run(findNext)}>
          Next
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
        <button type="button" onClick={() => run(replaceNext)}>
          Replace
        </button>
        <button
          type="button"
          onClick={() => {
            const before = count;
            run(replaceAll);
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
        <span role="status">{said || found}</span>
      </div>
    </div>
  );
}
