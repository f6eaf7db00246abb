import { dayTitle, dayTitleWithYear } from '@glossarion/core/journal';
import { open } from '../shell/navigation';
import { useToday } from './useToday';

interface DayHeadingProps {
  day: string;
  isHead: boolean;
  pointing: number;
}

/** The name of a day, and how many notes point at it. */
export function DayHeading({ day, isHead, pointing }: DayHeadingProps) {
  const today = useToday();
  const isThisYear = day.slice(0, 4) === today.slice(0, 4);
  const words = isThisYear ? dayTitle(day) : dayTitleWithYear(day);
  const Heading = isHead ? 'h1' : 'h2';
  return (
    <header className="day-heading">
      <Heading className={isHead ? 'title' : 'day-title'}>
        {isHead ? (
          words
        ) : (
          <a
            href={`/day/${day}`}
            onClick={(event) => {
              if (event.metaKey || event.ctrlKey) return;
              event.preventDefault();
              open(`/day/${day}`);
            }}
          >
            {words}
          </a>
        )}
      </Heading>
      {pointing > 0 && (
        <p className="day-meta">{pointing === 1 ? '1 note points here' : `${pointing} notes point here`}</p>
      )}
    </header>
  );
}
