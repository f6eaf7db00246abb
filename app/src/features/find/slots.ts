import type { FoundCount, FoundCounts, Remark } from '@glossarion/core/find';
import { chosenFilters, withFilter, withoutFilter, type Asked, type ChosenFilter } from '@glossarion/core/find/query';

/** A place in the sentence that says what is found: a filter that can be chosen there, by taps. */
export interface Slot {
  key: string;
  title: string;
  placeholder: string;
  /** What is said while nothing is chosen. */
  open: string;
  /** What is said of a filter that belongs here; null of others. */
  said: (filter: ChosenFilter) => string | null;
  /** The filter that a typed or listed value makes here. */
  filter: (value: string) => ChosenFilter;
  /** What there is to choose from, with how many each would find. */
  values: (counts: FoundCounts | undefined) => readonly { value: string; words: string; count?: number }[];
  /** Whether names of places and pages are offered as they are typed. */
  hasNames: boolean;
  /** Whether what is typed can be taken as it is. */
  takesTyped: boolean;
}

const counted = (counts: readonly FoundCount[] = []) => counts.map((each) => ({ ...each, words: each.value }));

const DAYS = ['today', 'yesterday', 'this week', 'last week', 'this month', 'last month', 'this year', 'last year'];

const OTHERS: readonly (ChosenFilter & { words: string })[] = [
  { field: 'has', value: 'tasks', words: 'with open tasks' },
  { field: 'has', value: 'files', words: 'with files' },
  { field: 'season', value: 'now', words: 'for now' },
  { field: 'season', value: 'later', words: 'for later' },
  { field: 'season', value: 'aside', words: 'laid aside' },
  { field: 'changed', value: 'today', words: 'changed today' },
  { field: 'changed', value: 'since last week', words: 'changed since last week' },
  { field: 'changed', value: 'since last month', words: 'changed since last month' },
];

const only =
  (field: string, words: (value: string) => string): Slot['said'] =>
  (filter) =>
    filter.field === field ? words(filter.value) : null;

/** The sentence, in its order; the last is whatever else can be asked for. */
export const SLOTS: readonly Slot[] = [
  {
    key: 'place',
    title: 'Where',
    placeholder: 'A notebook, section or page',
    open: 'anywhere',
    said: only('in', (value) => `in ${value}`),
    filter: (value) => ({ field: 'in', value }),
    values: (counts) => [...counted(counts?.places), { value: 'Bin', words: 'Bin' }],
    hasNames: true,
    takesTyped: false,
  },
  {
    key: 'kind',
    title: 'Kind',
    placeholder: 'Some letters of a kind',
    open: 'of any kind',
    said: only('kind', (value) => `of the kind ${value}`),
    filter: (value) => ({ field: 'kind', value }),
    values: (counts) => counted(counts?.kinds),
    hasNames: false,
    takesTyped: false,
  },
  {
    key: 'tag',
    title: 'Tag',
    placeholder: 'Some letters of a tag',
    open: 'with any tag',
    said: only('tag', (value) => `with the tag ${value}`),
    filter: (value) => ({ field: 'tag', value }),
    values: (counts) => counted(counts?.tags),
    hasNames: false,
    takesTyped: false,
  },
  {
    key: 'written',
    title: 'Written',
    placeholder: 'Days in words: last spring, since Monday',
    open: 'written at any time',
    said: only('written', (value) => `written ${value}`),
    filter: (value) => ({ field: 'written', value }),
    values: () => DAYS.map((value) => ({ value, words: value })),
    hasNames: false,
    takesTyped: true,
  },
];

/** What can be asked for besides, each in words. */
export const MORE: Slot = {
  key: 'more',
  title: 'What else',
  placeholder: 'Some letters, or the name of a page it links to',
  open: 'more',
  said: ({ field, value }) => {
    const known = OTHERS.find((other) => other.field === field && other.value === value);
    if (known) return known.words;
    if (field === 'links') return `linking to ${value}`;
    return value === '' ? `${field} given` : `${field} ${value}`;
  },
  filter: (value) => OTHERS.find(({ words }) => words === value) ?? { field: 'links', value },
  values: () => OTHERS.map(({ words }) => ({ value: words, words })),
  hasNames: true,
  takesTyped: false,
};

/** Where a filter of the line stands in the sentence. */
export const slotOf = (filter: ChosenFilter): Slot => SLOTS.find(({ said }) => said(filter) !== null) ?? MORE;

/** Filters by their place in the sentence. */
export const chosenIn = (filters: readonly ChosenFilter[], slot: Slot): ChosenFilter[] =>
  filters.filter((filter) => slotOf(filter) === slot);

/** The filters that a query has, but for the one that is being typed and those that mean nothing. */
export const meantFilters = (asked: Asked | null, remarks: readonly Remark[]): ChosenFilter[] =>
  chosenFilters(asked).filter(
    ({ from, isBeginning }) => !isBeginning && !remarks.some((remark) => remark.from === from),
  );

/** The query with another filter in the place of one, or with neither. */
export function exchanged(asked: Asked | null, before: ChosenFilter | null, next: ChosenFilter | null): Asked | null {
  const left = before ? withoutFilter(asked, before) : asked;
  if (!next) return left;
  const { field, value } = next;
  return withFilter(left, { field, value });
}
