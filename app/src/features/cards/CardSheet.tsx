import { useState } from 'react';
import { solidBlock } from '@glossarion/core/document';
import { putFromSheet } from '../../editor';
import { useNamesQuery, useRecentQuery } from '../../state/api';
import { useAppDispatch } from '../../state/store';
import { targetsKnown } from '../../state/targets';
import { ChoiceSheet, type Choice } from '../../kit/ChoiceSheet';
import { trailWords } from '../../screen/words';

/** Chooses the page that a card shows. */
export function CardSheet({ onClose }: { onClose: () => void }) {
  const dispatch = useAppDispatch();
  const [typed, setTyped] = useState('');
  const name = typed.trim();
  const { currentData: named = [] } = useNamesQuery(name, { skip: name === '' });
  const { data: recent = [] } = useRecentQuery();
  const choices = (name === '' ? recent : named)
    .filter((target) => target.kind === 'page')
    .slice(0, 9)
    .map((target): Choice => ({
      key: target.id,
      words: target.title,
      detail: trailWords(target.trail),
      choose: () => {
        dispatch(targetsKnown([target]));
        onClose();
        putFromSheet(solidBlock('card', { target: target.id }));
      },
    }));
  return (
    <ChoiceSheet
      title="A card of which page?"
      placeholder="Some letters of a page"
      typed={typed}
      onType={setTyped}
      choices={choices}
      emptyWords="No page has this name."
      onClose={onClose}
    />
  );
}
