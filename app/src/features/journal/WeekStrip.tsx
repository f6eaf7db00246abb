import { addDays, dayTitle, inkOf, weekdayShort, type CalendarDay } from '@glossarion/core/journal';
import { open } from '../../screen/navigation';
import { Box } from '../../kit/Box';
import { Way } from '../../kit/Way';
import { Said } from '../../kit/Words';
import { addressOfDay, nameOfDay } from './dayWords';

interface WeekStripProps {
  /** What is known of these days; nothing at first. */
  week: readonly CalendarDay[];
  /** The first of the seven days. */
  first: string;
  today: string;
  here: string;
}

/** The week of the day that is open, each day with a stroke as dark as it was written in. */
export function WeekStrip({ week, first, today, here }: WeekStripProps) {
  const known = new Map(week.map((each) => [each.day, each]));
  const days = Array.from({ length: 7 }, (_each, index) => addDays(first, index));
  return (
    <Box role="navigation" look="week" aria-label="The days around">
      {days.map((day) => (
        <Way
          key={day}
          to={addressOfDay(day, today)}
          look={day === today ? 'today' : undefined}
          aria-current={day === here ? 'date' : undefined}
          aria-label={known.has(day) ? nameOfDay(known.get(day)!) : dayTitle(day)}
          onOpen={() => open(addressOfDay(day, today))}
        >
          {weekdayShort(day)}
          <Said look="week-day">{Number(day.slice(8))}</Said>
          <Said look="week-ink" style={{ opacity: inkOf(known.get(day)?.wordCount ?? 0) }} />
        </Way>
      ))}
    </Box>
  );
}
