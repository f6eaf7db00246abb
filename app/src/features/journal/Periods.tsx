import { monthPeriod, weekPeriod, type PeriodPage } from '@glossarion/core/journal';
import { useAtRest } from '../../kit/Afterwards';
import { Box } from '../../kit/Box';
import { Tap } from '../../kit/Tap';
import { Way } from '../../kit/Way';
import { Line, Said } from '../../kit/Words';
import { open } from '../../screen/navigation';
import { usePeriodsQuery } from '../../state/api';
import { perform } from '../../state/deeds';
import { weekBegins } from '../../state/typedDay';

/** A line to write about the week of a day, and one about its month: what is written there already, or the way to begin. */
export function Periods({ day, onOpen }: { day: string; onOpen?: () => void }) {
  const periods = [weekPeriod(day, weekBegins()), monthPeriod(day)];
  const { data = [] } = usePeriodsQuery(periods.join(), { skip: !useAtRest() });
  if (data.length === 0) return null;
  return (
    <Box role="region" look="periods" aria-label="Week and month">
      {data.map((page) => (
        <Line key={page.period} look="around-line">
          <Tap look="period" onPress={() => (onOpen?.(), void openPeriod(page))}>
            <Said look="around-label">{page.title}</Said>{' '}
            <Said look={page.firstWords ? undefined : 'around-count'} dir="auto">
              {page.firstWords || 'Write about it'}
            </Said>
          </Tap>
          <Way
            look="period-review"
            to={`/review/${page.period}`}
            onOpen={() => (onOpen?.(), open(`/review/${page.period}`))}
          >
            Look back
          </Way>
        </Line>
      ))}
    </Box>
  );
}

/** Opens the page of a week or a month, which is made by that. */
export async function openPeriod({ pageId, period, wordCount, firstWords }: PeriodPage): Promise<void> {
  const isMade = wordCount > 0 || firstWords !== '';
  if (isMade || (await perform([{ do: 'beginPeriod', id: pageId, period }], null))) open(`/p/${pageId}`);
}
