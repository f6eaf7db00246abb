import { memo } from 'react';
import { dayTitle } from '@glossarion/core/journal';
import { BodyView } from '../../editor/BodyView';
import type { DayInfo } from '../../state/types';
import { useLanding } from '../page/useLanding';
import { openTarget } from '../shell/navigation';
import { DayHeading } from './DayHeading';

interface StillDayProps {
  info: DayInfo;
  blockId: string | null;
  onTouch: (day: string) => void;
}

/** An earlier day, shown still until it is touched. */
export const StillDay = memo(function StillDay({ info, blockId, onTouch }: StillDayProps) {
  useLanding(blockId && info.body.content.some((node) => node.attrs?.id === blockId) ? blockId : null, true);
  return (
    <section className="day" data-day={info.day} aria-label={dayTitle(info.day)}>
      <DayHeading day={info.day} isHead={false} pointing={info.pointing} />
      <div
        className="page-body"
        onClick={(event) => {
          const link = (event.target as Element).closest<HTMLElement>('a');
          if (link) {
            if (!link.dataset.target || event.metaKey || event.ctrlKey) return;
            event.preventDefault();
            openTarget(link.dataset.target);
            return;
          }
          onTouch(info.day);
        }}
      >
        <BodyView content={info.body.content} />
      </div>
      <button type="button" className="write-here" onClick={() => onTouch(info.day)}>
        Write in {dayTitle(info.day)}
      </button>
    </section>
  );
});
