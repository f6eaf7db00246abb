import { useState } from 'react';
import {
  LISTED,
  LISTED_ORDERS,
  type FoundListAttributes,
  type Listed,
  type ListedOrder,
} from '@glossarion/core/document';
import { ChoiceSheet, type Choice } from '../../../kit/ChoiceSheet';
import { Radios } from '../../../kit/Radios';
import { useSearchesQuery } from '../../../state/savedSearches';

const LISTED_WORDS: Record<Listed, string> = { pages: 'Pages', lines: 'Lines', tasks: 'Open tasks' };
const ORDERS: Record<ListedOrder, string> = {
  best: 'What fits best',
  newest: 'The newest',
  oldest: 'The oldest',
  title: 'By title',
};
const NUMBERS = [5, 10, 25, 50, 100] as const;

interface FoundListSettingsProps {
  list: FoundListAttributes;
  onChange: (changes: Partial<FoundListAttributes>) => void;
  onClose: () => void;
}

/** What is listed: by which search, a saved one or one that is typed, what of it, in which order, and how many. */
export function FoundListSettings({ list, onChange, onClose }: FoundListSettingsProps) {
  const { line, of, order, most } = list;
  const [typed, setTyped] = useState(line);
  const { data: saved = [] } = useSearchesQuery();
  const wanted = typed.trim();
  const take = (changes: Partial<FoundListAttributes>) => () => {
    onChange(changes);
    onClose();
  };
  const fitting = saved.filter(
    (each) => wanted === '' || wanted === line || each.name.toLowerCase().includes(wanted.toLowerCase()),
  );
  const choices: Choice[] = [
    ...(wanted !== ''
      ? [
          {
            key: 'typed',
            words: wanted,
            detail: 'as in Find',
            choose: take({ line: wanted, name: wanted === line ? list.name : '' }),
          },
        ]
      : []),
    ...fitting.map((each) => ({
      key: each.id,
      words: each.name,
      detail: each.line,
      choose: take({ line: each.line, name: each.name }),
    })),
  ];
  return (
    <ChoiceSheet
      title="What is listed"
      placeholder="Words and filters, as in Find"
      typed={typed}
      onType={setTyped}
      choices={choices}
      emptyWords="Type what is looked for, or save a search in Find first."
      onClose={onClose}
    >
      <Radios
        label="What of it"
        values={LISTED}
        words={(each) => LISTED_WORDS[each]}
        chosen={of}
        onChoose={(each) => onChange({ of: each })}
      />
      <Radios
        label="Order"
        values={LISTED_ORDERS}
        words={(each) => ORDERS[each]}
        chosen={order}
        onChoose={(each) => onChange({ order: each })}
      />
      <Radios
        label="How many"
        values={NUMBERS}
        words={(each) => `${each}`}
        chosen={NUMBERS.find((each) => each >= most) ?? 100}
        onChoose={(each) => onChange({ most: each })}
      />
    </ChoiceSheet>
  );
}
