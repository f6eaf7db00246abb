import { useRef, useState, type ReactNode } from 'react';
import type { BodyJson } from '@glossarion/core/document';
import { dayTitle } from '@glossarion/core/journal';
import { usePageDocument } from '../../documents/session';
import { PageEditor } from '../../editor';
import { lineActs } from '../parts/lineActs';
import { useDayQuery } from '../../state/api';
import { MarginCounts } from '../margin/MarginCounts';
import { MarginSheet } from '../margin/MarginSheet';
import { useMargin } from '../margin/useMargin';
import { useMarginSheet } from '../margin/useMarginSheet';
import { useAtRest } from '../../kit/Afterwards';
import { KeptCopies } from '../../screen/KeptCopies';
import { useLanding } from '../../screen/useLanding';
import { Loading } from '../../kit/Loading';
import { openTarget } from '../../screen/navigation';
import { useDayId } from './useDayId';
import { DayHeading } from './DayHeading';
import { Box } from '../../kit/Box';

interface OpenDayProps {
  day: string;
  isHead?: boolean;
  hasFocus?: boolean;
  blockId?: string | null;
  /** What stands between its name and its text. */
  above?: ReactNode;
}

/** A day that can be written in. It need not be made: it is there, and is stored with its first line. */
export function OpenDay({ day, isHead = false, hasFocus = false, blockId = null, above = null }: OpenDayProps) {
  const pageId = useDayId(day);
  const page = usePageDocument(pageId, day);
  const { data: info } = useDayQuery(day, { skip: !useAtRest() });
  const [body, setBody] = useState<BodyJson | null>(null);
  const { drawn, toggle, showLine } = useMarginSheet(pageId);
  const text = useRef<HTMLDivElement>(null);
  const margin = useMargin(pageId, body);
  useLanding(blockId, body !== null);

  return (
    <Box role="region" look="day" aria-label={dayTitle(day)} dataSet={{ day }}>
      <DayHeading day={day} isHead={isHead} pointing={info?.pointing ?? 0} />
      {above}
      <KeptCopies pageId={pageId} />
      {page?.isReady ? (
        <Box ref={text} look="page-body">
          <PageEditor
            page={page}
            place={{ pageId, parentId: null, trail: [], title: dayTitle(day) }}
            label={`Text of ${dayTitle(day)}`}
            placeholder=""
            onOpen={openTarget}
            lines={lineActs}
            onBody={setBody}
            text={text}
            focus={hasFocus ? 'start' : null}
            spokenOf={margin.spokenOf}
          />
          <MarginCounts margin={margin} text={text} onOpen={showLine} />
        </Box>
      ) : (
        <Loading />
      )}
      {(isHead || drawn.isOpen) && (
        <MarginSheet margin={margin} title={dayTitle(day)} day={day} drawn={drawn} onToggle={toggle} />
      )}
    </Box>
  );
}
