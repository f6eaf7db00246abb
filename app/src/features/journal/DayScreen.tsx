import { useCallback, useEffect, useRef, useState } from 'react';
import { addDays, dayTitle, dayTitleWithYear, weekOf } from '@glossarion/core/journal';
import { useCalendarQuery, useDaysBeforeQuery } from '../../state/api';
import { useAppDispatch, useAppSelector } from '../../state/store';
import { weekBegins } from '../../state/typedDay';
import { sheetOpened } from '../../state/view';
import { useWindowWidth } from '../../theme/rem';
import { measure } from '../../theme/tokens';
import { SavingSign } from '../../screen/SavingSign';
import { Screen } from '../../screen/Screen';
import { useTitle } from '../../screen/useTitle';
import { BroughtForward } from '../tasks/BroughtForward';
import { AroundDay } from './AroundDay';
import { DaySide } from './DaySide';
import { OpenDay } from './OpenDay';
import { LaterDays } from './LaterDays';
import { StillOrOpenDay, type DayTouching } from './StillOrOpenDay';
import { useReachedDay } from './useReachedDay';
import { useToday } from '../../screen/useToday';
import { WeekStrip } from './WeekStrip';
import { Afterwards, useAtRest } from '../../kit/Afterwards';
import { Box } from '../../kit/Box';
import { around } from '../../kit/later';
import { Tap } from '../../kit/Tap';

const Periods = around(async () => (await import('./Periods')).Periods);

interface DayScreenProps {
  /** The day at the head; null for today, whatever day that becomes. */
  day: string | null;
  blockId?: string | null;
}

const AT_A_TIME = 7;

/** A day for writing, and the days before it as one scroll; beside it what came to it, where there is room. */
export function DayScreen({ day, blockId = null }: DayScreenProps) {
  const today = useToday();
  const head = day ?? today;
  /** The head, and below it the heads before it: a day that turns over stays open, with the cursor where it was. */
  const [heads, setHeads] = useState([head]);
  const [touched, setTouched] = useState<string[]>([]);
  const [batches, setBatches] = useState([head]);
  const dispatch = useAppDispatch();
  const width = useWindowWidth();
  const isTextOnly = useAppSelector((state) => state.view.isTextOnly);
  const first = weekOf(head, weekBegins());
  const { data: week = [] } = useCalendarQuery({ from: first, to: addDays(first, 6) }, { skip: !useAtRest() });
  const isWide = width >= measure.wide;
  const hasSide = !isTextOnly && width - measure.rail - measure.daySide >= measure.column;

  const reached = useReachedDay(head);

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
      <Box look="journal-spread">
        <Box look="journal" dataSet={{ wide: isWide }}>
          {!hasSide && reached && <ReachedDay day={reached} today={today} />}
          {!hasSide && (
            <>
              <WeekStrip week={week} first={first} today={today} here={head} />
              <Box look="journal-top">
                <Tap look="task-deed" aria-haspopup="dialog" onPress={() => dispatch(sheetOpened({ for: 'calendar' }))}>
                  All days
                </Tap>
                {!isWide && <SavingSign />}
              </Box>
            </>
          )}
          {head < today && (
            <Afterwards>
              <LaterDays key={head} after={head} today={today} touched={touched} blockId={blockId} onTouch={touch} />
            </Afterwards>
          )}
          {heads.map((each) => (
            <OpenDay
              key={each}
              day={each}
              isHead={each === head}
              blockId={blockId}
              above={each === head && !hasSide ? <BroughtForward day={head} today={today} shownFirst={3} /> : null}
            />
          ))}
          {!hasSide && (
            <Afterwards>
              <AroundDay day={head} today={today} />
              <Periods day={head} />
            </Afterwards>
          )}
          <Afterwards>
            {batches.map((before) => (
              <Batch key={before} before={before} touched={touched} blockId={blockId} onTouch={touch} onEnd={more} />
            ))}
          </Afterwards>
        </Box>
        {hasSide && <DaySide day={head} reached={reached} today={today} />}
      </Box>
    </Screen>
  );
}

/** The day that the scroll has come to, at the head of the window; a tap opens its calendar. */
function ReachedDay({ day, today }: { day: string; today: string }) {
  const dispatch = useAppDispatch();
  return (
    <Box look="reached-day">
      <Tap aria-label={`At ${dayTitle(day)}. All days`} onPress={() => dispatch(sheetOpened({ for: 'calendar' }))}>
        {day.slice(0, 4) === today.slice(0, 4) ? dayTitle(day) : dayTitleWithYear(day)}
      </Tap>
    </Box>
  );
}

interface BatchProps extends DayTouching {
  before: string;
  onEnd: (oldest: string) => void;
}

/** Some written days before one; when their end comes near the next are asked for. */
function Batch({ before, onEnd, ...touching }: BatchProps) {
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
      {days.map((info) => (
        <StillOrOpenDay key={info.day} info={info} {...touching} />
      ))}
      <Box ref={end} />
    </>
  );
}
