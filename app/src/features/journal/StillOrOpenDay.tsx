import type { DayInfo } from '../../state/types';
import { OpenDay } from './OpenDay';
import { StillDay } from './StillDay';

/** Which days of the scroll are open for writing. */
export interface DayTouching {
  touched: readonly string[];
  blockId: string | null;
  onTouch: (day: string) => void;
}

interface StillOrOpenDayProps extends DayTouching {
  info: DayInfo;
}

/** A day of the scroll: still until it is touched. */
export const StillOrOpenDay = ({ info, touched, blockId, onTouch }: StillOrOpenDayProps) =>
  touched.includes(info.day) ? (
    <OpenDay day={info.day} hasFocus />
  ) : (
    <StillDay info={info} onTouch={onTouch} blockId={blockId} />
  );
