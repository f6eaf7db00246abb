import { memo, useRef } from 'react';
import { dayTitle } from '@glossarion/core/journal';
import { awaitDay, BodyView } from '../../editor';
import type { DayInfo } from '../../state/types';
import { useLanding } from '../../screen/useLanding';
import { setTask, ticking } from '../../state/tasks';
import { openTarget } from '../../screen/navigation';
import { DayHeading } from './DayHeading';
import { Box } from '../../kit/Box';
import { Tap } from '../../kit/Tap';
import { useDroppedFiles } from '../../kit/useDroppedFiles';

interface StillDayProps {
  info: DayInfo;
  blockId: string | null;
  onTouch: (day: string) => void;
}

/** An earlier day, shown still until it is touched. */
export const StillDay = memo(function StillDay({ info, blockId, onTouch }: StillDayProps) {
  useLanding(blockId && info.body.content.some((node) => node.attrs?.id === blockId) ? blockId : null, true);
  const text = useRef<HTMLElement>(null);
  // It is opened for what is dropped on it; what becomes of that is the text's own to say.
  useDroppedFiles(text, (files) => {
    awaitDay(info.day, files);
    onTouch(info.day);
  });
  return (
    <Box role="region" look="day" aria-label={dayTitle(info.day)} dataSet={{ day: info.day }}>
      <DayHeading day={info.day} isHead={false} pointing={info.pointing} />
      <Box
        look="page-body"
        ref={text}
        onClick={(event) => {
          // A box is ticked where it stands, without the day being opened for writing.
          if ((event.target as Element).closest('.box')) return;
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
        <BodyView content={info.body.content} onTick={(node) => void setTask(info.pageId, node, ticking(node))} />
      </Box>
      <Tap look="write-here" onPress={() => onTouch(info.day)}>
        Write in {dayTitle(info.day)}
      </Tap>
    </Box>
  );
});
