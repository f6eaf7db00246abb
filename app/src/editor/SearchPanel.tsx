import type { Editor } from '@tiptap/core';
import type { EditorState, Transaction } from '@tiptap/pm/state';
import { SearchQuery } from 'prosemirror-search';
import { useEffect, useMemo, useRef, useState } from 'react';
import { wordsIn } from '@glossarion/core/words';
import { useSoughtWordsQuery } from '../state/soughtWords';
import { useAppDispatch } from '../state/store';
import { searchOpened } from '../state/view';
import { chooseNone } from './chosen';
import { Dock } from './Dock';
import { askForMatch, lookFor, pageMatches, replaceAllMatches, replaceMatch } from './pageSearch';
import { matchesOfWords, typedAlone } from './pageWords';

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

/** How many words that were taken for what was typed are said. */
const SAID = 4;

/** What is found on a page: how often as it was typed, and the words that were taken for it. */
interface Count {
  typed: number;
  others: readonly string[];
}

function countIn(state: EditorState): Count {
  const matches = pageMatches(state);
  const others = matches.filter(({ isOther }) => isOther);
  const written = others.map(({ from, to }) => state.doc.textBetween(from, to, ' ').toLowerCase());
  return { typed: matches.length - others.length, others: written };
}

function saidOf({ typed, others }: Count): string {
  const count = typed + others.length;
  return count === 0 ? 'Not on this page.' : `${count} found`;
}

/** The words that were taken for what was typed; nothing when none were. */
function alsoOf({ others }: Count): string {
  const also = [...new Set(others)].filter((each) => each !== '').slice(0, SAID);
  return also.length > 0 ? `also: ${also.join(', ')}` : '';
}

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
  const [count, setCount] = useState<Count>({ typed: 0, others: [] });
  const [said, setSaid] = useState('');
  const field = useRef<HTMLInputElement>(null);
  const query = useMemo(() => new SearchQuery(wish), [wish]);
  // Who says how exactly it is to be compared means these letters alone.
  const isByWords = wordsIn(wish.search).length > 0 && !CHOICES.some(({ name }) => wish[name]);
  const { currentData: sought } = useSoughtWordsQuery(wish.search, { skip: !isByWords });
  const others = useMemo(() => {
    const words = sought ?? typedAlone(wish.search);
    return isByWords ? (state: EditorState) => matchesOfWords(state, words) : null;
  }, [isByWords, sought, wish.search]);

  useEffect(() => {
    // Lines that are chosen would keep their bar, and the keys.
    editor.view.dispatch(chooseNone(editor.state));
    field.current?.focus();
  }, [editor]);
  useEffect(() => {
    editor.view.dispatch(lookFor(editor.state, query, others));
    const read = () => setCount(countIn(editor.state));
    read();
    editor.on('update', read);
    return () => void editor.off('update', read);
  }, [editor, query, others]);
  useEffect(() => setSaid(''), [query]);
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
  const also = isOdd || wish.search === '' ? '' : alsoOf(count);
  const found = isOdd ? 'That is no regular expression.' : wish.search === '' ? '' : saidOf(count);

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
        {also && (
          <div className="search-also" aria-live="polite" dir="auto">
            {also}
          </div>
        )}
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
              const before = count.typed;
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
