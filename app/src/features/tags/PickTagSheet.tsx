import { useState } from 'react';
import { tagFit } from '@glossarion/core/tags';
import { ChoiceSheet, type Choice } from '../../kit/ChoiceSheet';
import { count } from '../../kit/count';
import type { NamedTag } from '../../state/tagQueries';

/** The most tags that are offered at once. */
const OFFERED = 12;

interface PickTagSheetProps {
  title: string;
  placeholder: string;
  tags: readonly NamedTag[];
  linesOf: (id: string) => number;
  /** What is offered before all others. */
  first?: readonly Choice[];
  onPick: (tag: NamedTag) => Promise<boolean>;
  onClose: () => void;
}

/** One of the tags, by some letters of its path: those that begin so first, then those that are worn most. */
export function PickTagSheet({ title, placeholder, tags, linesOf, first = [], onPick, onClose }: PickTagSheetProps) {
  const [typed, setTyped] = useState('');
  const fitting = tags
    .filter((tag) => tagFit(tag, typed) > 0)
    .sort((one, other) => tagFit(other, typed) - tagFit(one, typed) || linesOf(other.id) - linesOf(one.id))
    .slice(0, OFFERED);
  const choices: Choice[] = [
    ...(typed.trim() === '' ? first : []),
    ...fitting.map((tag) => ({
      key: tag.id,
      words: tag.path,
      detail: count(linesOf(tag.id), 'line'),
      choose: async () => {
        if (await onPick(tag)) onClose();
      },
    })),
  ];
  return (
    <ChoiceSheet
      title={title}
      placeholder={placeholder}
      typed={typed}
      onType={setTyped}
      choices={choices}
      emptyWords="No tag is called so."
      onClose={onClose}
    />
  );
}
