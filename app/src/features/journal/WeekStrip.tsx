import { addDays, dayTitle, inkOf, weekdayShort } from '@glossarion/core/journal';
import { open } from '../../screen/navigation';
import { Box } from '../../kit/Box';
import { Way } from '../../kit/Way';
import { Said } from '../../kit/Words';

interface WeekStripProps {
  week: readonly { day: string; wordCount: number }[];
  today: string;
  here: string;
}

/** The last seven days, each with a stroke as dark as it was written in. */
export function WeekStrip({ week, today, here }: WeekStripProps) {
  const days =
    week.length > 0
      ? week
      : Array.from({ length: 7 }, (_each, index) => ({ day: addDays(today, index - 6), wordCount: 0 }));
  return (
    <Box role="navigation" look="week" aria-label="This week">
      {days.map(({ day, wordCount }) => (
        <Way
          key={day}
          to={`/day/${day}`}
          look={day === today ? 'today' : undefined}
          aria-current={day === here ? 'date' : undefined}
          aria-label={`${dayTitle(day)}, ${wordCount === 0 ? 'nothing written' : `${wordCount} words`}`}
          onOpen={() => open(day === today ? '/today' : `/day/${day}`)}
        >
          {weekdayShort(day)}
          <Said look="week-day">{Number(day.slice(8))}</Said>
          <Said look="week-ink" style={{ opacity: inkOf(wordCount) }} />
        </Way>
      ))}
    </Box>
  );
}
