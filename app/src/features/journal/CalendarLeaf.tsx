import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import {
  addDays,
  addMonths,
  inkOf,
  monthName,
  partsOf,
  weekdayName,
  weekOf,
  type CalendarDay,
} from '@glossarion/core/journal';
import { useCalendarQuery } from '../../state/api';
import { weekBegins } from '../../state/typedDay';
import { useAtRest } from '../../kit/Afterwards';
import { takeMovesAhead, type Move } from '../../kit/typedAhead';
import { Box } from '../../kit/Box';
import { Tap } from '../../kit/Tap';
import { Way } from '../../kit/Way';
import { Heading, Said } from '../../kit/Words';
import { addressOfDay, nameOfDay } from './dayWords';

interface CalendarLeafProps {
  /** The day that is open. */
  here: string;
  today: string;
  onOpen: (day: string) => void;
  /** Whether the day that is open takes the focus. */
  hasFocus?: boolean;
}

const WEEKS = 6;

const firstOf = (day: string): string => `${day.slice(0, 8)}01`;

/** By how many days, or months, a key moves in the calendar. */
const STEPS: Readonly<Record<string, { days?: number; months?: number }>> = {
  ArrowLeft: { days: -1 },
  ArrowRight: { days: 1 },
  ArrowUp: { days: -7 },
  ArrowDown: { days: 7 },
  PageUp: { months: -1 },
  PageDown: { months: 1 },
};

/** Where a key leads from a day; null when it leads nowhere. */
function movedBy({ key, shiftKey }: Move, at: string): string | null {
  const step = STEPS[key];
  if (!step) return null;
  if (step.months) return addMonths(at, step.months * (shiftKey ? 12 : 1));
  const isAcross = document.dir === 'rtl' && step.days! ** 2 === 1;
  return addDays(at, isAcross ? -step.days! : step.days!);
}

/** A month of days, one leaf: how much was written on each, what is due, any of them a tap or some arrow keys away. */
export function CalendarLeaf({ here, today, onOpen, hasFocus = false }: CalendarLeafProps) {
  /** The day that the arrows have come to. */
  const [at, setAt] = useState(here);
  const [isMoving, setMoving] = useState(hasFocus);
  useEffect(() => setAt(here), [here]);
  const latest = useRef(onOpen);
  latest.current = onOpen;
  // What was pressed while this was on its way.
  useEffect(() => {
    if (!hasFocus) return;
    let reached = here;
    for (const move of takeMovesAhead('calendar')) {
      if (move.key === 'Enter') return latest.current(reached);
      reached = movedBy(move, reached) ?? reached;
    }
    setAt(reached);
  }, [hasFocus, here]);
  const leaf = useRef<HTMLElement>(null);
  const month = firstOf(at);
  const begins = weekBegins();
  const from = weekOf(month, begins);
  const days = Array.from({ length: WEEKS * 7 }, (_each, index) => addDays(from, index));
  const { data = [] } = useCalendarQuery({ from, to: days.at(-1)! }, { skip: !useAtRest() });
  const known = new Map(data.map((each) => [each.day, each]));
  useEffect(() => {
    if (isMoving) leaf.current?.querySelector<HTMLElement>(`[data-day="${at}"]`)?.focus();
  }, [at, isMoving]);
  const turn = (months: number) => setAt(addMonths(at, months));
  const onKeyDown = (event: KeyboardEvent) => {
    const to = event.altKey || event.ctrlKey || event.metaKey ? null : movedBy(event, at);
    if (to === null) return;
    event.preventDefault();
    event.stopPropagation();
    setMoving(true);
    setAt(to);
  };
  const [year, number] = partsOf(month);
  const name = year === partsOf(today)[0] ? monthName(number) : `${monthName(number)} ${year}`;
  return (
    <Box role="region" look="calendar" aria-label="Calendar" ref={leaf}>
      <Box look="calendar-head">
        <Heading level={2} look="calendar-month" aria-live="polite">
          {name}
        </Heading>
        <Turn label="The year before" sign="«" onPress={() => turn(-12)} />
        <Turn label="The month before" sign="←" onPress={() => turn(-1)} />
        <Turn label="The month after" sign="→" onPress={() => turn(1)} />
        <Turn label="The year after" sign="»" onPress={() => turn(12)} />
      </Box>
      <Box look="calendar-week" aria-hidden>
        {days.slice(0, 7).map((_day, index) => (
          <Said key={index}>{weekdayName((begins + index) % 7).slice(0, 1)}</Said>
        ))}
      </Box>
      <Box look="calendar-days" onKeyDown={onKeyDown} onBlur={() => setMoving(false)}>
        {days.map((day) => (
          <Day
            key={day}
            day={day}
            known={known.get(day)}
            look={[day.slice(0, 7) === month.slice(0, 7) ? '' : 'other', day === today ? 'today' : ''].join(' ')}
            isHere={day === here}
            isReached={day === at}
            today={today}
            onOpen={onOpen}
          />
        ))}
      </Box>
    </Box>
  );
}

const Turn = ({ label, sign, onPress }: { label: string; sign: string; onPress: () => void }) => (
  <Tap look="calendar-turn" aria-label={label} onPress={onPress}>
    {sign}
  </Tap>
);

interface DayProps {
  day: string;
  known: CalendarDay | undefined;
  look: string;
  isHere: boolean;
  /** Whether it is the one day that Tab comes to. */
  isReached: boolean;
  today: string;
  onOpen: (day: string) => void;
}

function Day({ day, known, look, isHere, isReached, today, onOpen }: DayProps) {
  const { wordCount, due } = known ?? { wordCount: 0, due: 0 };
  return (
    <Way
      to={addressOfDay(day, today)}
      look={`calendar-day ${look}`}
      tabIndex={isReached ? 0 : -1}
      dataSet={{ day }}
      aria-current={isHere ? 'date' : undefined}
      aria-label={nameOfDay({ day, wordCount, due })}
      onOpen={() => onOpen(day)}
    >
      {Number(day.slice(8))}
      {due > 0 && <Said look="calendar-due">{due}</Said>}
      <Said look="calendar-ink" style={{ opacity: inkOf(wordCount) }} />
    </Way>
  );
}
