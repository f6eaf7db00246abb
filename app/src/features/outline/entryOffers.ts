import type { EntryInfo } from '@glossarion/core/outline';
import type { OfferGroup } from '../../kit/Offers';
import { open } from '../../screen/navigation';
import { perform } from '../../state/deeds';
import { store } from '../../state/store';
import { chose, renaming, sheetOpened, type ChosenEntry, type OpenSheet } from '../../state/view';
import { colour } from '../../theme/tokens';
import { makeNext, setTemplate } from '../templates/templateActs';
import {
  askWhereTo,
  chosenOf,
  copyLink,
  duplicate,
  duplicateAll,
  makeOverviewPage,
  makePage,
  makePageAt,
  pinAll,
  remove,
  restore,
  setSeason,
  unpin,
} from './entryActs';
import { makeOnce } from './making';

/** What can be done with a notebook, a section or a page, wherever it is met; the most used first. */

const show = (sheet: OpenSheet) => store.dispatch(sheetOpened(sheet));
const when = <Each>(isSo: boolean, ...each: Each[]): Each[] => (isSo ? each : []);

/** What can be done with its pin waits for `isPinned`: an offer must not turn into its opposite under the finger. */
export function entryOffers(entry: EntryInfo, isPinned: boolean | undefined): OfferGroup[] {
  const { id, kind } = entry;
  const chosen = { ...chosenOf(entry), title: entry.title };
  const self = [chosen];
  if (entry.isDeleted) {
    return [
      {
        offers: [
          { label: 'Bring back from the bin', do: () => restore(chosen) },
          { label: 'Open the bin', do: () => open('/bin') },
        ],
      },
    ];
  }
  const isPage = kind === 'page';
  // What stands in the journal stays there; what stands in no notebook holds no pages.
  const isDay = entry.standsIn === 'journal';
  const isLoose = entry.standsIn !== null;
  return [
    {
      offers: [
        ...when(isPage && !isLoose, { label: 'New page beneath', do: () => makePageAt('beneath', id) }),
        ...when(isPage && !isLoose, { label: 'New page beside', do: () => makePageAt('beside', id) }),
        ...when(!isPage, { label: 'New page here', do: () => makePage({ parentId: id }) }),
        ...when(!isPage, {
          label: kind === 'notebook' ? 'New section' : 'New section within',
          do: () => show({ for: 'make', kind: 'section', parentId: id }),
        }),
        ...when(kind !== 'notebook' && !isDay, { label: 'Move to…', do: () => askWhereTo(self) }),
        { label: 'Copy link', do: () => copyLink(entry) },
        ...when(!isDay, { label: 'Rename', do: () => startRenaming(entry) }),
        isPinned
          ? { label: 'Take from the pins', do: () => unpin(self) }
          : { label: 'Pin to the Desk', do: () => pinAll(self), isWaiting: isPinned === undefined },
      ],
    },
    {
      label: 'More pages',
      offers: [
        ...when(isPage && !isLoose, { label: 'New page at the end', do: () => makePageAt('end', id) }),
        ...when(isPage && !isLoose, { label: 'Next in the series', do: () => makeOnce(() => makeNext(entry)) }),
        { label: 'Make an overview page', do: () => makeOverviewPage(entry) },
        ...when(!isLoose, { label: 'Duplicate with everything beneath', do: () => duplicate(chosen) }),
        { label: 'Take out as files…', do: () => show({ for: 'takeOut', entryId: id }) },
      ],
    },
    {
      label: 'How it is',
      offers: [
        ...when(!isPage, { label: 'Name and look', do: () => show({ for: 'describe', entryId: id }) }),
        ...when(isPage && (entry.pagesBeneath > 0 || entry.showsLeaves === 1), {
          label: entry.showsLeaves ? 'Put the leaves away' : 'Show the pages beneath as leaves',
          do: () => perform([{ do: 'describe', id, showsLeaves: !entry.showsLeaves }], null),
        }),
        ...when(isPage, {
          label: entry.isTemplate ? 'No template any more' : 'Make this a template',
          do: () => setTemplate(entry, !entry.isTemplate),
        }),
        { label: 'Template of new pages in here', do: () => show({ for: 'templateOf', entryId: id }) },
        ...when(!isLoose, { label: 'Choose this and others', do: () => store.dispatch(chose(self)) }),
      ],
    },
    {
      label: 'When it is for',
      offers: [
        ...when(entry.ownSeason !== null, {
          label: 'Bring back to the daily view',
          do: () => setSeason(self, 'now'),
        }),
        ...when(!isLoose && entry.ownSeason !== 'later', {
          label: 'Set for later',
          do: () => setSeason(self, 'later'),
        }),
        ...when(!isLoose && entry.ownSeason !== 'aside', { label: 'Lay aside', do: () => setSeason(self, 'aside') }),
      ],
    },
    {
      offers: when(!isDay, {
        label: `Delete ${kind}`,
        tone: colour.vermilion,
        do: () => removeAndLeave(entry, chosen),
      }),
    },
  ];
}

/** What can be done with several that were chosen, at once. */
export function chosenOffers(chosen: readonly ChosenEntry[]): OfferGroup[] {
  const all = [...chosen];
  const leave = () => store.dispatch(chose(null));
  return [
    {
      offers: [
        { label: 'Move to…', do: () => askWhereTo(all) },
        { label: 'Pin to the Desk', do: () => pinAll(all).then(leave) },
        { label: 'Duplicate with everything beneath', do: () => duplicateAll(all).then(leave) },
      ],
    },
    {
      label: 'When they are for',
      offers: [
        { label: 'Bring back to the daily view', do: () => setSeason(all, 'now').then(leave) },
        { label: 'Set for later', do: () => setSeason(all, 'later').then(leave) },
        { label: 'Lay aside', do: () => setSeason(all, 'aside').then(leave) },
      ],
    },
    { offers: [{ label: 'Delete them', tone: colour.vermilion, do: () => remove(all).then(leave) }] },
  ];
}

/** In the contents where it is shown there, else in a sheet. */
function startRenaming(entry: EntryInfo): void {
  if (document.getElementById(`entry-${entry.id}`)) store.dispatch(renaming(entry.id));
  else if (entry.kind === 'page') open(`/p/${entry.id}?at=title`);
  else show({ for: 'describe', entryId: entry.id });
}

async function removeAndLeave(entry: EntryInfo, chosen: ChosenEntry): Promise<void> {
  const isShown = window.location.pathname.includes(entry.id);
  const isDone = await remove([chosen]);
  if (!isDone || !isShown) return;
  const holder = entry.trail[entry.trail.length - 1];
  open(holder ? (holder.kind === 'page' ? `/p/${holder.id}` : `/n/${holder.id}`) : '/notebooks');
}
