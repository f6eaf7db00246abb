import { useState } from 'react';
import { dayTitleWithYear } from '@glossarion/core/journal';
import { Action } from '../../kit/Action';
import { Field } from '../../kit/Field';
import { around } from '../../kit/later';
import { Sheet } from '../../kit/Sheet';
import { open } from '../../screen/navigation';
import { useDayTyped } from '../../state/typedDay';
import { CalendarLeaf } from './CalendarLeaf';
import { addressOfDay } from './dayWords';
import { useToday } from '../../screen/useToday';

const Periods = around(async () => (await import('./Periods')).Periods);

/** The calendar of days, over whatever screen is shown: a leaf a month, and a day in words. */
export function CalendarSheet({ onClose }: { onClose: () => void }) {
  const today = useToday();
  const [typed, setTyped] = useState('');
  const day = useDayTyped(typed);
  const here = /^\/day\/(\d{4}-\d\d-\d\d)/u.exec(window.location.pathname)?.[1] ?? today;
  const go = (to: string) => {
    onClose();
    open(addressOfDay(to, today));
  };
  return (
    <Sheet title="Days" onClose={onClose}>
      <CalendarLeaf here={here} today={today} onOpen={go} hasFocus />
      <Field
        label="A day in words"
        isLabelHidden
        hasTrouble={false}
        placeholder="last Friday, 3 March, 2026-11-03"
        value={typed}
        onChangeText={setTyped}
        onSubmitEditing={() => day && go(day)}
        submitBehavior="submit"
        autoCapitalize="none"
        autoCorrect={false}
      />
      {day && <Action label={`Open ${dayTitleWithYear(day)}`} onPress={() => go(day)} />}
      <Periods day={here} onOpen={onClose} />
    </Sheet>
  );
}
