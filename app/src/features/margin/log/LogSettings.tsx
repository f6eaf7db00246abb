import { useState } from 'react';
import { isDay, dayInText } from '@glossarion/core/journal';
import { LOG_ORDERS, LOG_SPANS, type LogAttributes, type LogOrder } from '@glossarion/core/log';
import type { Target } from '@glossarion/core/links';
import { ChoiceSheet, type Choice } from '../../../kit/ChoiceSheet';
import { Radios } from '../../../kit/Radios';
import { Words } from '../../../kit/Words';
import { useToday } from '../../../screen/useToday';
import { linkWords, placeWords } from '../../../screen/words';
import { useNamesQuery } from '../../../state/api';
import { useAppDispatch, useAppSelector } from '../../../state/store';
import { targetsKnown } from '../../../state/targets';
import { useDayTyped } from '../../../state/typedDay';
import { colour } from '../../../theme/tokens';
import { useLogPiece } from './LogList';
import { SPAN_WORDS } from './since';

export const ORDER_WORDS: Record<LogOrder, string> = { newest: 'The newest first', oldest: 'The oldest first' };

interface LogSettingsProps {
  log: LogAttributes;
  /** Whose log it is. */
  pageId: string;
  onChange: (changes: Partial<LogAttributes>) => void;
  onClose: () => void;
}

/** What a log lists: of what, from which kind of page, from when on, and in which order. */
export function LogSettings({ log: { order, fromKind, since }, pageId, onChange, onClose }: LogSettingsProps) {
  const dispatch = useAppDispatch();
  const today = useToday();
  const title = useAppSelector((state) => state.targets.known[pageId]);
  const [typed, setTyped] = useState('');
  const name = typed.trim();
  const day = useDayTyped(name);
  const { currentData: named = [] } = useNamesQuery(name, { skip: name === '' });
  const { piece } = useLogPiece(pageId, {}, order);
  const kinds = piece?.kinds ?? [];

  const take = (each: Target) => {
    dispatch(targetsKnown([each]));
    setTyped('');
    onChange({ target: each.id });
  };
  const sinceDay =
    day && day <= today
      ? [
          {
            key: day,
            words: `Since ${dayInText(day, today)}`,
            detail: 'a day',
            choose: () => {
              setTyped('');
              onChange({ since: day });
            },
          },
        ]
      : [];
  const choices: Choice[] = [
    ...sinceDay,
    ...named
      .filter(({ id }) => id !== pageId)
      .map((each) => ({
        key: each.id,
        words: `Of ${each.title}`,
        detail: placeWords(each),
        choose: () => take(each),
      })),
  ];
  const spans = [null, ...LOG_SPANS, ...(since !== null && isDay(since) ? [since] : [])];
  return (
    <ChoiceSheet
      title="Log"
      placeholder="Of another page, by name, or since a day"
      typed={typed}
      onType={setTyped}
      choices={choices}
      emptyWords={name === '' ? undefined : 'Nothing is called so.'}
      onClose={onClose}
    >
      <Words tone={colour.soft} style={{ marginTop: 10 }}>
        What days and other pages say of {linkWords(title)}.
      </Words>
      <Radios
        label="Since"
        values={spans}
        words={(each) =>
          each === null
            ? 'Any time'
            : (SPAN_WORDS[each as keyof typeof SPAN_WORDS] ?? `Since ${dayInText(each, today)}`)
        }
        chosen={since}
        onChoose={(each) => onChange({ since: each })}
      />
      <Radios
        label="Order"
        values={LOG_ORDERS}
        words={(each) => ORDER_WORDS[each]}
        chosen={order}
        onChoose={(each) => onChange({ order: each })}
      />
      {kinds.length > 0 && (
        <Radios
          label="From"
          values={[null, ...kinds.map(({ kind }) => kind)]}
          words={(each) =>
            each === null ? 'All pages' : `Kind: ${kinds.find(({ kind }) => kind === each)?.name ?? '…'}`
          }
          chosen={fromKind}
          onChoose={(each) => onChange({ fromKind: each })}
        />
      )}
    </ChoiceSheet>
  );
}
