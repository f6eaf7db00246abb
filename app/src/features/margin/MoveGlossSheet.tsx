import { useState } from 'react';
import type { Gloss } from '@glossarion/core/margin';
import { ChoiceSheet, type Choice } from '../../kit/ChoiceSheet';
import { originOf } from './origin';
import type { GlossMoving } from './moving';

interface MoveGlossSheetProps {
  gloss: Gloss;
  moving: GlossMoving;
  onClose: () => void;
}

/** Sets a gloss beside another line of the page, chosen by some of its words. */
export function MoveGlossSheet({ gloss, moving, onClose }: MoveGlossSheetProps) {
  const [typed, setTyped] = useState('');
  const choose = (act: () => void) => () => {
    onClose();
    act();
  };
  const lines = moving.lines();
  const choices: Choice[] = [
    ...(gloss.isMoved
      ? [{ key: 'itself', words: 'Where it fits by itself', detail: '', choose: choose(() => moving.letGo(gloss)) }]
      : []),
    { key: 'title', words: 'The title', detail: 'the whole page', choose: choose(() => moving.move(gloss, null)) },
    ...lines
      .filter(({ words }) => words !== '')
      .map(({ id, words }) => ({
        key: id,
        words,
        detail: id === gloss.lineId ? 'here now' : '',
        choose: choose(() => moving.move(gloss, id)),
      })),
  ];
  const wanted = typed.trim().toLocaleLowerCase();
  return (
    <ChoiceSheet
      title={`Set what ${originOf(gloss).words} says beside…`}
      placeholder="Some words of the line"
      typed={typed}
      onType={setTyped}
      choices={choices.filter(({ words }) => words.toLocaleLowerCase().includes(wanted))}
      emptyWords="No line says that."
      onClose={onClose}
    />
  );
}
