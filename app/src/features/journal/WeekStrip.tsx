import { addDays, dayTitle, inkOf, weekdayShort } from '@glossarion/core/journal';
import { open } from '../shell/navigation';

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
    <nav className="week" aria-label="This week">
      {days.map(({ day, wordCount }) => (
        <a
          key={day}
          href={`/day/${day}`}
          className={day === today ? 'today' : undefined}
          aria-current={day === here ? 'date' : undefined}
          aria-label={`${dayTitle(day)}, ${wordCount === 0 ? 'nothing written' : `${wordCount} words`}`}
          onClick={(event) => {
            if (event.metaKey || event.ctrlKey) return;
            event.preventDefault();
            open(day === today ? '/today' : `/day/${day}`);
          }}
        >
          {weekdayShort(day)}
          <b>{Number(day.slice(8))}</b>
          <i style={{ opacity: inkOf(wordCount) }} />
        </a>
      ))}
    </nav>
  );
}
