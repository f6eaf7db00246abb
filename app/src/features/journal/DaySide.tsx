import { open } from '../../screen/navigation';
import { Box } from '../../kit/Box';
import { around } from '../../kit/later';
import { BroughtForward } from '../tasks/BroughtForward';
import { AroundDay } from './AroundDay';
import { CalendarLeaf } from './CalendarLeaf';
import { addressOfDay } from './dayWords';

const Periods = around(async () => (await import('./Periods')).Periods);

/** Beside the text of a day: its calendar, which goes along with the scroll, what came to it, and what else happened on it. */
export function DaySide({ day, reached, today }: { day: string; reached: string | null; today: string }) {
  return (
    <Box role="complementary" look="day-side" aria-label="Around this day">
      <CalendarLeaf here={reached ?? day} today={today} onOpen={(other) => open(addressOfDay(other, today))} />
      <Periods day={reached ?? day} />
      <BroughtForward day={day} today={today} />
      <AroundDay day={day} today={today} />
    </Box>
  );
}
