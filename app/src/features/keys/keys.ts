import type { EntryInfo } from '@glossarion/core/outline';
import { api } from '../../state/api';
import { ask, FRESH, store } from '../../state/store';
import { marginToggled, noticed, searchOpened, sheetOpened, textOnlyToggled, type ChosenEntry } from '../../state/view';
import { doAgain, takeBack } from '../../state/deeds';
import { toggleContents } from '../../screen/contentsView';
import { chosenOf, copyLink, makeOverviewPage, makePageAt, pinAll, setSeason, unpin } from '../outline/entryActs';
import { chosenLines } from '../../editor';
import { keepBeside } from '../beside/besideActs';
import { copyBlockLink } from '../parts/links';
import { liftLines, meetFromLine, sendLines } from '../parts/partActs';
import { copyAddress } from '../../screen/copy';
import { goOver, type Place } from '../../screen/goOver';
import { goBack, goForward, open } from '../../screen/navigation';
import { addressOfStep } from '../trail/Trail';

/** What a key acts on: the entry that has the focus in the contents, else the one that is shown. */
export interface KeyPlace {
  entryId: string | undefined;
}

/** All that are chosen, when the key is meant for one of them. */
function chosenAlong(entryId: string): readonly string[] {
  const chosen = store.getState().view.chosen ?? [];
  return chosen.some(({ id }) => id === entryId) ? chosen.map(({ id }) => id) : [entryId];
}

export interface KeyAct {
  key: string;
  label: string;
  act: (place: KeyPlace) => unknown;
}

const { dispatch } = store;
const CHOOSE_LINES = 'Choose lines first: Esc steps out of the text to its line.';
const needsEntry = () => void dispatch(noticed({ words: 'Open a page, a section or a notebook first.' }));

const entryOf = (id: string) => ask(api.endpoints.entry.initiate(id, FRESH));

const withEntry = (act: (entry: EntryInfo) => unknown) => async (place: KeyPlace) => {
  if (!place.entryId) return needsEntry();
  await act(await entryOf(place.entryId));
};

/** For the entry, or for all that are chosen along with it. */
const withEntries = (act: (entries: ChosenEntry[], infos: EntryInfo[]) => unknown) => async (place: KeyPlace) => {
  if (!place.entryId) return needsEntry();
  const infos = await Promise.all(chosenAlong(place.entryId).map(entryOf));
  await act(infos.map(chosenHere), infos);
};
const chosenHere = (entry: EntryInfo): ChosenEntry => ({ ...chosenOf(entry), title: entry.title });

async function togglePins(entries: ChosenEntry[]): Promise<unknown> {
  const pins = await ask(api.endpoints.pins.initiate());
  const free = entries.filter(({ id }) => !pins.some((pin) => pin.id === id));
  return free.length === 0 ? unpin(entries) : pinAll(free);
}

const moveEntries = withEntries((entries) => dispatch(sheetOpened({ for: 'move', entries })));

const shown = (selector: string) => (): HTMLElement | null => document.querySelector<HTMLElement>(selector);

/** Beside the text, or on a phone the sheet that is drawn up. */
const MARGIN: Place = {
  find: shown('.margin[role=complementary], .margin-sheet.open'),
  show: () => (shown('.margin-sheet')() ? shown('.margin-sheet .margin-grab')()?.click() : dispatch(marginToggled())),
  hide: () =>
    shown('.margin-sheet.open')() ? shown('.margin-sheet .margin-grab')()?.click() : dispatch(marginToggled()),
};

const CONTENTS: Place = {
  find: shown('[role=navigation][aria-label=Contents] [role=tree], main [role=tree]'),
  show: toggleContents,
  hide: toggleContents,
};

/** Beside a day where there is room, else a sheet. */
const CALENDAR: Place = {
  find: shown('.day-side .calendar'),
  show: () => undefined,
  hide: () => undefined,
};

const goToCalendar = () => (CALENDAR.find() ? goOver(CALENDAR) : dispatch(sheetOpened({ for: 'calendar' })));

/** The letters that act out of text, and in the strip. */
export const KEY_ACTS: readonly KeyAct[] = [
  { key: 't', label: 'Today', act: () => open('/today') },
  { key: 'e', label: 'Calendar of days, and back', act: goToCalendar },
  { key: 'k', label: 'Tasks', act: () => open('/tasks') },
  { key: 'd', label: 'Desk', act: () => open('/desk') },
  { key: 'b', label: 'Notebooks', act: () => open('/notebooks') },
  { key: 'f', label: 'Find', act: () => open('/find') },
  { key: 'g', label: 'Go to', act: () => dispatch(sheetOpened({ for: 'go' })) },
  { key: 'j', label: 'Jot', act: () => dispatch(sheetOpened({ for: 'jot' })) },
  { key: 'n', label: 'New page beside', act: ({ entryId }) => makePageAt('beside', entryId) },
  { key: 'u', label: 'New page beneath', act: ({ entryId }) => makePageAt('beneath', entryId) },
  { key: 'm', label: 'Margin, and back', act: () => goOver(MARGIN) },
  { key: 'c', label: 'Contents, and back', act: ({ entryId }) => (entryId ? goOver(CONTENTS) : needsEntry()) },
  { key: 'o', label: 'Text only', act: () => dispatch(textOnlyToggled()) },
  {
    key: 'l',
    label: 'Copy link',
    act: ({ entryId }) => {
      const lines = chosenLines();
      if (lines) return copyBlockLink(lines.ids[0]!);
      return entryId
        ? withEntry(copyLink)({ entryId })
        : copyAddress(window.location.href, document.title, 'this place');
    },
  },
  {
    key: 's',
    label: 'Send elsewhere',
    act: (place) => {
      const lines = chosenLines();
      return lines ? sendLines(lines) : moveEntries(place);
    },
  },
  {
    key: 'x',
    label: 'Lift the chosen lines to a page',
    act: () => {
      const lines = chosenLines();
      return lines ? liftLines(lines) : dispatch(noticed({ words: CHOOSE_LINES }));
    },
  },
  {
    key: 'q',
    label: 'A meeting or call from this line',
    act: () => {
      const lines = chosenLines();
      return lines ? meetFromLine(lines) : dispatch(noticed({ words: CHOOSE_LINES }));
    },
  },
  { key: 'w', label: 'Write beside: keep this page beside the next', act: ({ entryId }) => keepBeside(entryId) },
  { key: 'r', label: 'Find and replace on this page', act: () => dispatch(searchOpened(true)) },
  { key: 'p', label: 'Pin', act: withEntries(togglePins) },
  {
    key: 'a',
    label: 'Lay aside, bring back',
    act: withEntries((entries, infos) =>
      setSeason(entries, infos.every(({ ownSeason }) => ownSeason !== null) ? 'now' : 'aside'),
    ),
  },
  {
    key: 'v',
    label: 'Overview page',
    act: withEntry((entry) => {
      const section = entry.trail[entry.trail.length - 1];
      return makeOverviewPage(entry.kind === 'page' && section ? { id: section.id, title: section.name } : entry);
    }),
  },
  {
    key: 'i',
    label: 'What this stands in',
    act: withEntry((entry) => {
      const up = entry.trail[entry.trail.length - 1];
      open(up ? addressOfStep(up) : '/notebooks');
    }),
  },
  { key: 'h', label: 'Places visited', act: () => dispatch(sheetOpened({ for: 'visited' })) },
  { key: ',', label: 'Back', act: goBack },
  { key: '.', label: 'Forward', act: goForward },
  { key: 'z', label: 'Take back', act: takeBack },
  { key: 'y', label: 'Do again', act: doAgain },
  { key: '?', label: 'All keys', act: () => dispatch(sheetOpened({ for: 'keys' })) },
];

/** Opens the notebook at a place of the pile, counted from 0. */
export function openPiled(place: number): void {
  const { data } = api.endpoints.notebooks.select()(store.getState());
  const notebook = data?.filter((each) => each.season === null)[place];
  if (notebook) open(`/n/${notebook.id}`);
}

export const actOf = (key: string): KeyAct['act'] | undefined =>
  /^[1-9]$/u.test(key) ? () => openPiled(Number(key) - 1) : KEY_ACTS.find((each) => each.key === key)?.act;
