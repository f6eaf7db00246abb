import { usePathname } from 'expo-router';
import { useState } from 'react';
import { newId } from '@glossarion/core/document';
import { foldWords } from '@glossarion/core/words';
import { dayTitleWithYear } from '@glossarion/core/journal';
import type { Target } from '@glossarion/core/links';
import { useEntryQuery, useNamesQuery, useNotebooksQuery, useRecentQuery, useTagsQuery } from '../../state/api';
import { perform } from '../../state/deeds';
import { useSearchesQuery } from '../../state/savedSearches';
import { useDayTyped } from '../../state/typedDay';
import { KEY_ACTS } from '../keys/keys';
import { usePageHere } from '../outline/useNotebookHere';
import { ChoiceSheet, type Choice } from '../../kit/ChoiceSheet';
import { addressOf, open, tagAddress } from '../../screen/navigation';
import { placeWords } from '../../screen/words';

/** The screens that are no notebook, page or day. */
const SCREENS = [
  { label: 'Today', address: '/today' },
  { label: 'Desk', address: '/desk' },
  { label: 'Tasks', address: '/tasks' },
  { label: 'Notebooks', address: '/notebooks' },
  { label: 'Find', address: '/find' },
  { label: 'Replace', address: '/replace' },
  { label: 'Review', address: '/review' },
  { label: 'Kinds', address: '/kinds' },
  { label: 'Tags', address: '/tags' },
  { label: 'Bin', address: '/bin' },
  { label: 'In and out', address: '/in-and-out' },
  { label: 'Settings', address: '/settings' },
];

/** Those of which some word begins with each word that was typed. */
function fitting<Labelled extends { label: string }>(all: readonly Labelled[], typed: string): Labelled[] {
  const wanted = foldWords(typed).split(' ').filter(Boolean);
  if (wanted.length === 0) return [];
  return all.filter(({ label }) => {
    const words = foldWords(label).split(' ');
    return wanted.every((each) => words.some((word) => word.startsWith(each)));
  });
}

/** Some letters of a name, a day or an act, Enter: there. A page that is not there yet is made. */
export function GoTo({ onClose }: { onClose: () => void }) {
  const [typed, setTyped] = useState('');
  const name = typed.trim();
  const { currentData: named } = useNamesQuery(name, { skip: name === '' });
  const { data: recent = [] } = useRecentQuery();
  const { data: notebooks = [] } = useNotebooksQuery();
  const { data: saved = [] } = useSearchesQuery();
  const { data: tags = [] } = useTagsQuery();
  const pageId = usePageHere(usePathname());
  const { currentData: here } = useEntryQuery(pageId ?? '', { skip: !pageId });

  const goTo = (target: Target): Choice => ({
    key: target.id,
    words: target.title,
    detail: placeWords(target),
    choose: () => {
      onClose();
      open(addressOf(target));
    },
  });
  const parent = here?.parentId
    ? { id: here.parentId, name: here.trail[here.trail.length - 1]?.name ?? '' }
    : notebooks[0];
  const then = (act: () => unknown) => () => {
    onClose();
    void act();
  };
  const day = useDayTyped(name);
  const days: Choice[] = day
    ? [
        {
          key: `day ${day}`,
          words: dayTitleWithYear(day),
          detail: 'Journal',
          choose: then(() => open(`/day/${day}`)),
        },
      ]
    : [];
  const places: Choice[] = fitting(SCREENS, name).map(({ label, address }) => ({
    key: address,
    words: label,
    detail: 'a screen',
    choose: then(() => open(address)),
  }));
  const acts: Choice[] = fitting(KEY_ACTS, name).map(({ key, label, act }) => ({
    key: `act ${key}`,
    words: label,
    detail: `an act, by the key ${key}`,
    choose: then(() => act({ entryId: pageId ?? undefined })),
  }));
  const searches: Choice[] = fitting(
    saved.map((each) => ({ ...each, label: each.name })),
    name,
  ).map(({ id, label, line }) => ({
    key: id,
    words: label,
    detail: 'a saved search',
    choose: then(() => open(`/find?q=${encodeURIComponent(line)}`)),
  }));
  const tagged: Choice[] = fitting(
    tags.map((each) => ({ ...each, label: each.path.replaceAll('/', ' / ') })),
    name.replace(/^#/u, ''),
  )
    .slice(0, 5)
    .map(({ id, label }) => ({
      key: id,
      words: label,
      detail: 'a tag',
      choose: then(() => open(tagAddress(id))),
    }));
  const found = name === '' ? recent : (named ?? []);
  const choices = [...days, ...found.slice(0, 9).map(goTo), ...searches, ...tagged, ...places, ...acts];
  const isThere = found.some((target) => foldWords(target.title) === foldWords(name));
  if (name !== '' && named && !isThere && parent) {
    choices.push({
      key: 'new',
      words: `New page “${name}”`,
      detail: `in ${parent.name}`,
      isNew: true,
      choose: async () => {
        const id = newId();
        const isDone = await perform([{ do: 'make', id, kind: 'page', parentId: parent.id, name }], null);
        if (!isDone) return 'The page was not made.';
        onClose();
        open(`/p/${id}`);
      },
    });
  }
  return (
    <ChoiceSheet
      title="Go to"
      placeholder="Some letters of a name or of where it stands"
      typed={typed}
      onType={setTyped}
      choices={choices}
      onClose={onClose}
    />
  );
}
