import { dayTitle, dayTitleWithYear } from '@glossarion/core/journal';
import { open } from '../../screen/navigation';
import { useToday } from '../../screen/useToday';
import { Box } from '../../kit/Box';
import { Way } from '../../kit/Way';
import { Paragraph } from '../../kit/Words';

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
    <Box look="day-heading">
      <Heading className={isHead ? 'title' : 'day-title'}>
        {isHead ? (
          words
        ) : (
          <Way to={`/day/${day}`} onOpen={() => open(`/day/${day}`)}>
            {words}
          </Way>
        )}
      </Heading>
      {pointing > 0 && (
        <Paragraph look="day-meta">{pointing === 1 ? '1 note points here' : `${pointing} notes point here`}</Paragraph>
      )}
    </Box>
  );
}
