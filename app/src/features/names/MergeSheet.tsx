import { useState } from 'react';
import { settleDocuments } from '../../documents/session';
import { useEntryQuery, useNamesQuery } from '../../state/api';
import { useAppDispatch } from '../../state/store';
import { noticed } from '../../state/view';
import { colour } from '../../theme/tokens';
import { perform } from '../../state/deeds';
import { ChoiceSheet, type Choice } from '../../kit/ChoiceSheet';
import { open } from '../../screen/navigation';
import { Words } from '../../kit/Words';
import { placeWords } from '../../screen/words';
import { AwaitedSheet } from '../../screen/AwaitedSheet';

/** How long what was typed may take to arrive before the pages are merged, in milliseconds. */
const SETTLE = 5_000;

/** Merges a page into another one, chosen by some letters of its name. */
export function MergeSheet({ entryId, onClose }: { entryId: string; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const asked = useEntryQuery(entryId);
  const { data: entry } = asked;
  const [typed, setTyped] = useState<string | null>(null);
  // Nearly the same titles are what is merged most often.
  const name = (typed ?? entry?.name ?? '').trim();
  const { currentData: named = [] } = useNamesQuery(name, { skip: name === '' });
  if (!entry) return <AwaitedSheet asked={asked} onClose={onClose} />;
  const choices = named
    .filter((target) => target.kind === 'page' && target.id !== entryId)
    .slice(0, 8)
    .map((target): Choice => ({
      key: target.id,
      words: target.title,
      detail: placeWords(target),
      choose: async () => {
        onClose();
        if (!(await settleDocuments(SETTLE))) {
          dispatch(noticed({ words: 'This needs the server, which can’t be reached. Both pages are as they were.' }));
          return;
        }
        const words = `“${entry.title}” was merged into “${target.title}”.`;
        if (await perform([{ do: 'merge', id: entryId, intoId: target.id }], words)) open(`/p/${target.id}`);
      },
    }));
  return (
    <ChoiceSheet
      title={`Merge “${entry.title}” into…`}
      placeholder="Some letters of the other page"
      typed={typed ?? ''}
      onType={setTyped}
      choices={choices}
      emptyWords="No other page has such a name."
      onClose={onClose}
    >
      <Words tone={colour.soft}>
        Its lines come to the other page’s end, links to it lead there, and its title stays as another name.
      </Words>
    </ChoiceSheet>
  );
}
