import { useLayoutEffect, useRef, useState } from 'react';
import { useDaysAfterQuery } from '../../state/api';
import { Box } from '../../kit/Box';
import { Tap } from '../../kit/Tap';
import { StillOrOpenDay, type DayTouching } from './StillOrOpenDay';

interface LaterDaysProps extends DayTouching {
  /** The day above whose text they stand. */
  after: string;
  today: string;
}

const AT_A_TIME = 7;

/** The written days after an old one, above it: the scroll runs forth as well as back, and stays where it is. */
export function LaterDays({ after, today, ...touching }: LaterDaysProps) {
  const [isShown, setShown] = useState(false);
  const { data = [] } = useDaysAfterQuery({ after, until: today, limit: AT_A_TIME });
  const top = useRef<HTMLElement>(null);
  const height = useRef(0);
  // What comes above what is read leaves it in its place.
  useLayoutEffect(() => {
    const main = document.getElementById('main');
    if (!isShown || !main || !top.current) return;
    main.scrollTop += main.scrollHeight - height.current;
  }, [isShown]);
  const show = () => {
    height.current = document.getElementById('main')?.scrollHeight ?? 0;
    setShown(true);
  };
  if (data.length === 0) return null;
  const last = data[data.length - 1]!.day;
  return (
    <Box ref={top}>
      {isShown ? (
        <>
          {data.length === AT_A_TIME && <LaterDays after={last} today={today} {...touching} />}
          {[...data].reverse().map((info) => (
            <StillOrOpenDay key={info.day} info={info} {...touching} />
          ))}
        </>
      ) : (
        <Tap look="task-deed later-days" onPress={show}>
          Later days
        </Tap>
      )}
    </Box>
  );
}
