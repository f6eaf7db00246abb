import { usePathname } from 'expo-router';
import { useState } from 'react';
import { newId } from '@glossarion/core/document';
import { foldWords } from '@glossarion/core/find';
import type { Target } from '@glossarion/core/links';
import { useEntryQuery, useNamesQuery, useNotebooksQuery, useRecentQuery } from '../../state/api';
import { perform } from '../../state/deeds';
import { usePageHere } from '../outline/useNotebookHere';
import { ChoiceSheet, type Choice } from '../../kit/ChoiceSheet';
import { addressOf, open } from '../../screen/navigation';
import { placeWords } from '../../screen/words';

/** Some letters of a name, Enter: there. A page that is not there yet is made. */
export function GoTo({ onClose }: { onClose: () => void }) {
  const [typed, setTyped] = useState('');
  const name = typed.trim();
  const { currentData: named } = useNamesQuery(name, { skip: name === '' });
  const { data: recent = [] } = useRecentQuery();
  const { data: notebooks = [] } = useNotebooksQuery();
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
  const found = name === '' ? recent : (named ?? []);
  const choices = found.slice(0, 9).map(goTo);
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
