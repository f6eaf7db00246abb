import { useLocalSearchParams, router } from 'expo-router';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { TextInput } from 'react-native';
import type { Remark } from '@glossarion/core/find';
import { leavesOf, partsOf, readQueryLine, writeQueryLine, type Asked } from '@glossarion/core/find/query';
import { isUnreached, problemSentence, useRecentQuery } from '../../state/api';
import { useSearchesQuery } from '../../state/savedSearches';
import { useAppDispatch } from '../../state/store';
import { sheetOpened } from '../../state/view';
import { grown, useWindowWidth } from '../../theme/rem';
import { open } from '../../screen/navigation';
import { Screen } from '../../screen/Screen';
import { useTitle } from '../../screen/useTitle';
import { Field } from '../../kit/Field';
import { Heading, Line, Said } from '../../kit/Words';
import { Empty } from '../../kit/Empty';
import { Box } from '../../kit/Box';
import { Tap } from '../../kit/Tap';
import { Way } from '../../kit/Way';
import { Completions, useOffers } from './Completions';
import { FindSentence } from './FindSentence';
import { FoundPreview } from './FoundPreview';
import { useFoundCountsQuery, useFoundQuery } from './queries';
import { RecentSearches } from './RecentSearches';
import { rememberSearch } from './recentSearches';
import { Results } from './Results';
import { rememberPlace, rowsOf, type ResultRow } from './rows';
import { SavedSearches, SaveSearch } from './SavedSearches';
import { useFoundHere } from './useFoundHere';

/** How many pages are shown at first, and how many more each time. */
const AT_A_TIME = 24;
/** From this width on there is room for a preview beside what was found. */
const WIDE = 1_000;
/** The most that are shown. */
const MOST = 192;

/** Titles and text everywhere, as they are typed. */
export function FindScreen() {
  useTitle('Find');
  const { q } = useLocalSearchParams<{ q?: string }>();
  const [typed, setTyped] = useState(q ?? '');
  // Null until an arrow is pressed: the first that was found is what Enter opens.
  const [chosen, setChosen] = useState<number | null>(null);
  const [limit, setLimit] = useState(AT_A_TIME);
  const field = useRef<TextInput>(null);
  const dispatch = useAppDispatch();
  const isWide = useWindowWidth() >= WIDE;
  const asked = useMemo(() => readQueryLine(typed), [typed]);
  const isEmpty = asked === null;
  const { data, currentData, isFetching, isError, error } = useFoundQuery({ typed, limit }, { skip: isEmpty });
  const { data: counts } = useFoundCountsQuery(isEmpty ? '' : typed, { skip: !isEmpty && isFetching });
  const { data: recent = [] } = useRecentQuery();
  const { data: saved = [] } = useSearchesQuery();
  const isAway = useIsAway(currentData !== undefined, isError && isUnreached(error));
  const { here, isMissing } = useFoundHere(asked, limit, isAway);
  const found = isAway ? here : data;
  const rows = useMemo(() => rowsOf(isEmpty ? recent : (found?.findings ?? [])), [isEmpty, recent, found]);

  useEffect(() => {
    field.current?.focus();
  }, []);
  useEffect(() => {
    setLimit(AT_A_TIME);
    const timer = setTimeout(() => router.setParams({ q: typed || undefined } as never), 300);
    return () => clearTimeout(timer);
  }, [typed]);

  // The arrows go through what the filter can be that is being typed, then through what was found.
  const { field: filter, offers } = useOffers(typed, asked);
  useEffect(() => setChosen(null), [typed, offers.length]);
  const active = Math.min(chosen === null ? 0 : chosen - offers.length, rows.length - 1);
  const offer = chosen === null ? undefined : offers[chosen];
  const row = offer ? undefined : rows[active];
  const previewed = row ?? rows[0];
  const step = (by: 1 | -1) => {
    const from = chosen ?? (offers.length > 0 ? -1 : 0);
    setChosen(Math.max(0, Math.min(from + by, offers.length + rows.length - 1)));
  };
  const openRow = (each: ResultRow) => {
    rememberSearch(typed);
    if (isAway) rememberPlace(each);
    open(each.address);
  };
  const total =
    counts && !isEmpty && !isFetching && !isAway ? `${counts.total.toLocaleString()}${counts.isMore ? '+' : ''}` : null;
  const remarks = (!isAway && data?.remarks) || NO_REMARKS;
  const ask = (next: Asked | null) => setTyped(writeQueryLine(next));

  return (
    <Screen label="Find">
      <Box look={isWide ? 'find wide' : 'find'}>
        <Box look="find-list">
          <Heading level={1} look="said">
            Find
          </Heading>
          <Field
            ref={field}
            label="Find"
            role="combobox"
            aria-expanded={rows.length > 0 || offers.length > 0}
            aria-controls={offers.length > 0 ? 'find-completions findings' : 'findings'}
            aria-activedescendant={offer ? `find-completion-${chosen}` : row ? `finding-${active}` : undefined}
            isLabelHidden
            hasTrouble={false}
            placeholder="Words in any title or text"
            value={typed}
            onChangeText={setTyped}
            autoCorrect={false}
            autoCapitalize="none"
            inputStyle={{ fontSize: grown(22) }}
            onKeyPress={(event) => {
              const { key } = event.nativeEvent;
              if (key === 'ArrowDown') step(1);
              else if (key === 'ArrowUp') step(-1);
              else if (key === 'Enter' && offer) setTyped(offer.line);
              else if (key === 'Enter' && row) openRow(row);
              else return;
              event.preventDefault();
            }}
          />
          <Completions
            field={filter}
            offers={offers}
            active={offer ? chosen! : -1}
            onChoose={setChosen}
            onTake={({ line }) => {
              setTyped(line);
              field.current?.focus();
            }}
          />
          <FindSentence asked={asked} remarks={remarks} counts={counts} total={total} onAsk={ask} />
          {asked && (
            <Box look="find-further">
              <SaveSearch all={saved} line={typed.trim()} />
              <Way look="find-save" to={replaceAddress(asked, typed)} onOpen={() => open(replaceAddress(asked, typed))}>
                Replace…
              </Way>
              <Tap
                look="find-save"
                aria-haspopup="dialog"
                onPress={() => dispatch(sheetOpened({ for: 'takeOutFound', line: typed.trim() }))}
              >
                Take out…
              </Tap>
            </Box>
          )}
          {!isEmpty && found && <Taken typed={typed} also={found.also} remarks={remarks} />}
          {!isEmpty && here && <SearchedHere asked={asked} pages={here.pages} />}
          <Line look="said" role="status">
            {isEmpty || (isError && !found)
              ? ''
              : !found || (isFetching && !isAway)
                ? 'Looking'
                : `${total ?? found.findings.length} found`}
          </Line>
          {isEmpty && <SavedSearches all={saved} onFind={(line) => setTyped(`${line} `)} />}
          {isEmpty && <RecentSearches onFind={(line) => setTyped(`${line} `)} />}
          {isEmpty && rows.length > 0 && (
            <Line look="find-head" role="heading" aria-level={2}>
              changed lately
            </Line>
          )}
          <Results
            label={isEmpty ? 'Changed lately' : 'Found'}
            rows={rows}
            active={offer ? -1 : active}
            onChoose={(index) => setChosen(offers.length + index)}
            onOpen={openRow}
          />
          {!isEmpty && found?.isMore && limit < MOST && (
            <Tap look="find-more" onPress={() => setLimit(limit + AT_A_TIME)}>
              Show more
            </Tap>
          )}
          {!isEmpty && isError && (!isAway || isMissing) && (
            <Empty>
              {isMissing
                ? 'The notes could not be searched: there is no way to the server just now.'
                : problemSentence(error)}
            </Empty>
          )}
          {!isEmpty && found?.findings.length === 0 && (isAway || (!isFetching && !isError)) && (
            <Empty>Nothing holds all of these words. Fewer words, or the beginning of one, may find it.</Empty>
          )}
        </Box>
        {isWide && previewed && <FoundPreview key={previewed.id} row={previewed} />}
      </Box>
    </Screen>
  );
}

const NO_REMARKS: readonly Remark[] = [];

/** Whether the server was out of reach when it was asked last; true until it answers again. */
function useIsAway(isAnswered: boolean, isUnreachable: boolean): boolean {
  const [isAway, setAway] = useState(false);
  useEffect(() => {
    if (isUnreachable) setAway(true);
    else if (isAnswered) setAway(false);
  }, [isAnswered, isUnreachable]);
  return isAway;
}

/** What was searched while the server can't be reached. */
function SearchedHere({ asked, pages }: { asked: Asked; pages: number }) {
  const hasFilters = leavesOf(asked).some(({ is }) => is === 'filter');
  const what = pages === 1 ? 'the one page' : `the ${pages.toLocaleString()} pages`;
  return (
    <Line look="find-here" role="status">
      The server can’t be reached: this is from {what} that this browser keeps.
      {hasFilters ? ' Filters wait for the server.' : ''}
    </Line>
  );
}

/** Where what is looked for is replaced: its words, on the pages that the whole line finds where it says more than words. */
function replaceAddress(asked: Asked, typed: string): string {
  const parts = partsOf(asked);
  const words = parts.flatMap((part) => (part.is === 'word' || part.is === 'phrase' ? part.text : []));
  const where = parts.length > words.length ? `&where=${encodeURIComponent(typed.trim())}` : '';
  return `/replace?find=${encodeURIComponent(words.join(' '))}${where}`;
}

interface TakenProps {
  typed: string;
  also: readonly string[];
  remarks: readonly Remark[];
}

/** What was taken for what was typed, and what of the line was not understood. */
function Taken({ typed, also, remarks }: TakenProps) {
  if (also.length === 0 && remarks.length === 0) return null;
  return (
    <Box look="find-taken">
      {also.length > 0 && (
        <Line>
          also: <Said dir="auto">{also.join(', ')}</Said>
        </Line>
      )}
      {remarks.map(({ from, to, words }) => (
        <Line key={from}>
          <Said look="find-remarked" dir="auto">
            {typed.slice(from, to)}
          </Said>{' '}
          {words}
        </Line>
      ))}
    </Box>
  );
}
