import { addDays, dayTitle, inkOf, weekdayShort } from '@glossarion/core/journal';
import { count } from '../../kit/count';
import { open } from '../../screen/navigation';
import { Box } from '../../kit/Box';
import { Way } from '../../kit/Way';
import { Said } from '../../kit/Words';

interface WeekStripProps {
  week: readonly { day: string; wordCount: number }[];
  /** The last of the seven days. */
  last: string;
  today: string;
  here: string;
}

/** Seven days, the open one among them, each with a stroke as dark as it was written in. */
export function WeekStrip({ week, last, today, here }: WeekStripProps) {
  // How much was written is not known at once: nothing is said of it then.
  const days: readonly { day: string; wordCount: number | null }[] =
    week.length > 0
      ? week
      : Array.from({ length: 7 }, (_each, index) => ({ day: addDays(last, index - 6), wordCount: null }));
  return (
    <Box role="navigation" look="week" aria-label="The days around">
      {days.map(({ day, wordCount }) => (
        <Way
          key={day}
          to={`/day/${day}`}
          look={day === today ? 'today' : undefined}
          aria-current={day === here ? 'date' : undefined}
          aria-label={nameOf(day, wordCount)}
          onOpen={() => open(day === today ? '/today' : `/day/${day}`)}
        >
          {weekdayShort(day)}
          <Said look="week-day">{Number(day.slice(8))}</Said>
          <Said look="week-ink" style={{ opacity: inkOf(wordCount ?? 0) }} />
        </Way>
      ))}
    </Box>
  );
}

const nameOf = (day: string, wordCount: number | null): string => {
  if (wordCount === null) return dayTitle(day);
  return `${dayTitle(day)}, ${wordCount === 0 ? 'nothing written' : count(wordCount, 'word')}`;
};
