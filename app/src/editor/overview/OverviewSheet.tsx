import { useState } from 'react';
import { View } from 'react-native';
import { CONTENTS_ORDERS, type ContentsOrder } from '@glossarion/core/outline';
import {
  OVERVIEW_LEVELS,
  OVERVIEW_SUBJECTS,
  type OverviewAttributes,
  type OverviewSubject,
} from '@glossarion/core/overview';
import type { Target } from '@glossarion/core/links';
import { ownAddress } from '../addresses';
import { useNamesQuery } from '../../state/api';
import { targetOf } from '../../state/store';
import { targetsKnown } from '../../state/targets';
import { useAppDispatch } from '../../state/store';
import { colour } from '../../theme/tokens';
import { Action } from '../../kit/Action';
import { ChoiceSheet } from '../../kit/ChoiceSheet';
import { Radios } from '../../kit/Radios';
import { Words } from '../../kit/Words';
import { linkWords, placeWords } from '../../screen/words';

const SUBJECTS: Record<OverviewSubject, string> = {
  headings: 'Headings here',
  beneath: 'What is beneath',
  chosen: 'Chosen places',
};
const ORDERS: Record<ContentsOrder, string> = { place: 'By place', name: 'By name', date: 'By date' };
const levelsWords = (levels: number): string =>
  levels === 0 ? 'All levels' : levels === 1 ? '1 level' : `${levels} levels`;

interface OverviewSheetProps {
  overview: OverviewAttributes;
  onChange: (changes: Partial<OverviewAttributes>) => void;
  onClose: () => void;
}

/** What an overview lists: its subject, how deep, in which order, and what was chosen by hand. */
export function OverviewSheet({ overview, onChange, onClose }: OverviewSheetProps) {
  const dispatch = useAppDispatch();
  const { subject, target, levels, order, chosen } = overview;
  const [typed, setTyped] = useState('');
  const name = typed.trim();
  const pasted = ownAddress(name);
  const { currentData: named = [] } = useNamesQuery(name, { skip: name === '' || pasted !== null });

  const take = (each: Pick<Target, 'id'>) => {
    setTyped('');
    if (subject === 'beneath') onChange({ target: each.id });
    else onChange({ subject: 'chosen', chosen: [...chosen.filter((id) => id !== each.id), each.id] });
  };
  const fitting = named.filter((each) => (subject === 'beneath' ? each.standsIn === null : !chosen.includes(each.id)));
  const choices =
    subject === 'headings'
      ? []
      : pasted
        ? [{ key: pasted, words: 'What this address leads to', detail: name, choose: () => take({ id: pasted }) }]
        : fitting.map((each) => ({
            key: each.id,
            words: each.title,
            detail: placeWords(each),
            choose: () => {
              dispatch(targetsKnown([each]));
              take(each);
            },
          }));

  return (
    <ChoiceSheet
      title="Overview"
      placeholder={subject === 'chosen' ? 'Add a page by name, or a line by its link' : 'List another place, by name'}
      typed={typed}
      onType={setTyped}
      choices={choices}
      onClose={onClose}
    >
      <Radios
        label="Of what"
        values={OVERVIEW_SUBJECTS}
        words={(each) => SUBJECTS[each]}
        chosen={subject}
        onChoose={(each) => onChange({ subject: each })}
      />
      {subject === 'beneath' && target && (
        <Words tone={colour.soft}>Of {targetOf(target)?.title ?? 'a place that is still looked up'}.</Words>
      )}
      {subject !== 'chosen' && (
        <Radios
          label="How deep"
          values={OVERVIEW_LEVELS}
          words={levelsWords}
          chosen={levels}
          onChoose={(each) => onChange({ levels: each })}
        />
      )}
      {subject !== 'headings' && (
        <Radios
          label="Order"
          values={CONTENTS_ORDERS}
          words={(each) => ORDERS[each]}
          chosen={order}
          onChoose={(each) => onChange({ order: each })}
        />
      )}
      {subject === 'chosen' &&
        chosen.map((id) => (
          <View key={id} style={{ flexDirection: 'row', alignItems: 'center' }}>
            <Words size={17} style={{ flex: 1 }}>
              {linkWords(targetOf(id))}
            </Words>
            <Action
              label="Take out"
              aria-label={`Take out ${linkWords(targetOf(id))}`}
              tone={colour.soft}
              onPress={() => onChange({ chosen: chosen.filter((each) => each !== id) })}
            />
          </View>
        ))}
    </ChoiceSheet>
  );
}
