import { useCallback, useEffect, useRef, useState } from 'react';
import { addDays, dayTitle, dayTitleWithYear } from '@glossarion/core/journal';
import { useDaysBeforeQuery, useWeekQuery } from '../../state/api';
import { useWindowWidth } from '../../theme/rem';
import { measure } from '../../theme/tokens';
import { SavingSign } from '../../screen/SavingSign';
import { Screen } from '../../screen/Screen';
import { useTitle } from '../../screen/useTitle';
import { OpenDay } from './OpenDay';
import { StillDay } from './StillDay';
import { useToday } from './useToday';
import { WeekStrip } from './WeekStrip';
import { Afterwards, useAtRest } from '../../kit/Afterwards';
import { Box } from '../../kit/Box';

interface DayScreenProps {
  /** The day at the head; null for today, whatever day that becomes. */
  day: string | null;
  blockId?: string | null;
}

const AT_A_TIME = 7;
/** So many days after the open one stand in the strip of seven. */
const DAYS_AFTER = 3;

/** A day for writing, and the days before it as one scroll. */
export function DayScreen({ day, blockId = null }: DayScreenProps) {
  const today = useToday();
  const head = day ?? today;
  /** The head, and below it the heads before it: a day that turns over stays open, with the cursor where it was. */
  const [heads, setHeads] = useState([head]);
  const [touched, setTouched] = useState<string[]>([]);
  const [batches, setBatches] = useState([head]);
  const width = useWindowWidth();
  // The days around the one that is open, and none that are yet to come.
  const after = addDays(head, DAYS_AFTER);
  const strip = after < today ? after : head < today ? today : head;
  const { data: week = [] } = useWeekQuery(strip, { skip: !useAtRest() });
  const isWide = width >= measure.wide;

  useTitle(dayTitle(head));
  useEffect(() => {
    setHeads((before) => (before.includes(head) ? before : [head, ...before]));
  }, [head]);

  const touch = useCallback((each: string) => setTouched((open) => (open.includes(each) ? open : [...open, each])), []);
  const more = useCallback(
    (oldest: string) => setBatches((shown) => (shown.includes(oldest) ? shown : [...shown, oldest])),
    [],
  );

  return (
    <Screen label={dayTitleWithYear(head)} hasText>
      <Box look="journal" dataSet={{ wide: isWide }}>
        <WeekStrip week={week} last={strip} today={today} here={head} />
        <Box look="journal-top">{!isWide && <SavingSign />}</Box>
        {heads.map((each) => (
          <OpenDay key={each} day={each} isHead={each === head} blockId={blockId} />
        ))}
        <Afterwards>
          {batches.map((before) => (
            <Batch key={before} before={before} touched={touched} blockId={blockId} onTouch={touch} onEnd={more} />
          ))}
        </Afterwards>
      </Box>
    </Screen>
  );
}

interface BatchProps {
  before: string;
  touched: readonly string[];
  blockId: string | null;
  onTouch: (day: string) => void;
  onEnd: (oldest: string) => void;
}

/** Some written days before one; when their end comes near the next are asked for. */
function Batch({ before, touched, blockId, onTouch, onEnd }: BatchProps) {
  const { data: days = [] } = useDaysBeforeQuery({ before, limit: AT_A_TIME });
  const end = useRef<HTMLDivElement>(null);
  const oldest = days.length === AT_A_TIME ? days[days.length - 1]!.day : null;

  useEffect(() => {
    if (!end.current || !oldest) return;
    const observer = new IntersectionObserver(([entry]) => entry?.isIntersecting && onEnd(oldest), {
      root: document.getElementById('main'),
      rootMargin: '600px',
    });
    observer.observe(end.current);
    return () => observer.disconnect();
  }, [oldest, onEnd]);

  return (
    <>
      {days.map((info) =>
        touched.includes(info.day) ? (
          <OpenDay key={info.day} day={info.day} hasFocus />
        ) : (
          <StillDay key={info.day} info={info} onTouch={onTouch} blockId={blockId} />
        ),
      )}
      <Box ref={end} />
    </>
  );
}
