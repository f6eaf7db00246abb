import { View } from 'react-native';
import type { EntryInfo } from '@glossarion/core/outline';
import { useEntryQuery, usePinsQuery } from '../../state/api';
import { useAppDispatch } from '../../state/store';
import { chose, renaming, sheetOpened } from '../../state/view';
import { colour } from '../../theme/tokens';
import { Action } from '../../kit/Action';
import { open } from '../../screen/navigation';
import { Sheet } from '../../kit/Sheet';
import { Words } from '../../kit/Words';
import { makeNext, setTemplate } from '../templates/templateActs';
import { perform } from '../../state/deeds';
import {
  askWhereTo,
  chosenOf,
  copyLink,
  duplicate,
  makeOverviewPage,
  makePage,
  makePageAt,
  pinAll,
  remove,
  restore,
  setSeason,
  unpin,
} from './entryActs';
import { holdsWords } from './holds';

interface Offer {
  label: string;
  do: () => unknown;
  tone?: string;
}

/** What can be done with a notebook, a section or a page, wherever it is met. */
export function EntrySheet({ entryId, onClose }: { entryId: string; onClose: () => void }) {
  const { data: entry } = useEntryQuery(entryId);
  if (!entry) return null;
  return (
    <Sheet title={entry.title} onClose={onClose}>
      <EntryDeeds entry={entry} onClose={onClose} />
    </Sheet>
  );
}

/** The deeds in groups: what is made, where it stands, when it is for, and the end. */
export function EntryDeeds({ entry, onClose }: { entry: EntryInfo; onClose: () => void }) {
  const { data: pins = [] } = usePinsQuery();
  const dispatch = useAppDispatch();
  const isPinned = pins.some((pin) => pin.id === entry.id);
  const chosen = { ...chosenOf(entry), title: entry.title };
  const [self, isPage] = [[chosen], entry.kind === 'page'];
  const showSheet = (sheet: Parameters<typeof sheetOpened>[0]) => dispatch(sheetOpened(sheet));

  if (entry.isDeleted) {
    return (
      <Group
        deeds={[
          { label: 'Bring back from the bin', do: () => restore(chosen) },
          { label: 'Open the bin', do: () => open('/bin') },
        ]}
        onClose={onClose}
      />
    );
  }
  const make: Offer[] = [
    ...(isPage
      ? [
          { label: 'New page beside', do: () => makePageAt('beside', entry.id) },
          { label: 'New page beneath', do: () => makePageAt('beneath', entry.id) },
          { label: 'New page at the end', do: () => makePageAt('end', entry.id) },
        ]
      : [
          { label: 'New page here', do: () => makePage({ parentId: entry.id }) },
          {
            label: entry.kind === 'notebook' ? 'New section' : 'New section within',
            do: () => showSheet({ for: 'make', kind: 'section', parentId: entry.id }),
          },
        ]),
    ...(isPage && entry.day === null ? [{ label: 'Next in the series', do: () => makeNext(entry) }] : []),
    { label: 'Make an overview page', do: () => makeOverviewPage(entry) },
    { label: 'Duplicate with everything beneath', do: () => duplicate(chosen) },
    ...(isPage
      ? [
          {
            label: entry.isTemplate ? 'No template any more' : 'Make this a template',
            do: () => setTemplate(entry, !entry.isTemplate),
          },
        ]
      : []),
    { label: 'Template of new pages in here', do: () => showSheet({ for: 'templateOf', entryId: entry.id }) },
  ];
  const place: Offer[] = [
    ...(entry.kind === 'notebook' ? [] : [{ label: 'Move to…', do: () => askWhereTo(self) }]),
    isPinned
      ? { label: 'Take from the pins', do: () => unpin(chosen) }
      : { label: 'Pin to the Desk', do: () => pinAll(self) },
    { label: 'Copy link', do: () => copyLink(entry) },
    { label: 'Choose this and others', do: () => dispatch(chose(self)) },
    ...(isPage && (entry.pagesBeneath > 0 || entry.showsLeaves)
      ? [
          {
            label: entry.showsLeaves ? 'Put the leaves away' : 'Show the pages beneath as leaves',
            do: () => perform([{ do: 'describe', id: entry.id, showsLeaves: !entry.showsLeaves }], null),
          },
        ]
      : []),
    ...(isPage ? [] : [{ label: `Name and look`, do: () => showSheet({ for: 'describe', entryId: entry.id }) }]),
    { label: 'Rename', do: () => startRenaming(entry, showSheet, dispatch) },
  ];
  const seasons: Offer[] = [
    ...(entry.ownSeason ? [{ label: 'Bring back to the daily view', do: () => setSeason(self, 'now') }] : []),
    ...(entry.ownSeason === 'later' ? [] : [{ label: 'Set for later', do: () => setSeason(self, 'later') }]),
    ...(entry.ownSeason === 'aside' ? [] : [{ label: 'Lay aside', do: () => setSeason(self, 'aside') }]),
  ];
  const end: Offer[] = [
    { label: `Delete ${entry.kind}`, tone: colour.vermilion, do: () => removeAndLeave(entry, chosen) },
  ];
  return (
    <>
      {entry.description !== '' && <Words style={{ paddingBottom: 4 }}>{entry.description}</Words>}
      <Words tone={colour.soft}>{holdsWords(entry)}</Words>
      {[make, place, seasons, end].map((deeds, index) => (
        <Group key={index} deeds={deeds} onClose={onClose} />
      ))}
    </>
  );
}

function Group({ deeds, onClose }: { deeds: readonly Offer[]; onClose: () => void }) {
  return (
    <View style={{ paddingVertical: 6, borderTopWidth: 1, borderTopColor: colour.rule, marginTop: 6 }}>
      {deeds.map((deed) => (
        <Action
          key={deed.label}
          isLine
          label={deed.label}
          tone={deed.tone}
          onPress={() => {
            onClose();
            void deed.do();
          }}
        />
      ))}
    </View>
  );
}

/** In the contents where it is shown there, else in a sheet. */
function startRenaming(
  entry: EntryInfo,
  showSheet: (sheet: Parameters<typeof sheetOpened>[0]) => void,
  dispatch: ReturnType<typeof useAppDispatch>,
): void {
  if (document.getElementById(`entry-${entry.id}`)) dispatch(renaming(entry.id));
  else if (entry.kind === 'page') open(`/p/${entry.id}?at=title`);
  else showSheet({ for: 'describe', entryId: entry.id });
}

async function removeAndLeave(entry: EntryInfo, chosen: ReturnType<typeof chosenOf>): Promise<void> {
  const isShown = window.location.pathname.includes(entry.id);
  const isDone = await remove([chosen]);
  if (!isDone || !isShown) return;
  const holder = entry.trail[entry.trail.length - 1];
  open(holder ? (holder.kind === 'page' ? `/p/${holder.id}` : `/n/${holder.id}`) : '/notebooks');
}
