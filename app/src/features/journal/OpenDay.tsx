import { useEffect, useRef, useState } from 'react';
import type { BodyJson } from '@glossarion/core/document';
import { dayTitle } from '@glossarion/core/journal';
import { usePageDocument } from '../../documents/session';
import { PageEditor } from '../../editor/PageEditor';
import { useDayQuery } from '../../state/api';
import { MarginCounts } from '../margin/MarginCounts';
import { MarginSheet } from '../margin/MarginSheet';
import { useMargin } from '../margin/useMargin';
import { KeptCopies } from '../page/KeptCopies';
import { useLanding } from '../page/useLanding';
import { Loading } from '../shell/Loading';
import { openTarget } from '../shell/navigation';
import { useDayId } from './useDayId';
import { DayHeading } from './DayHeading';

interface OpenDayProps {
  day: string;
  isHead?: boolean;
  hasFocus?: boolean;
  blockId?: string | null;
}

/** A day that can be written in. It need not be made: it is there, and is stored with its first line. */
export function OpenDay({ day, isHead = false, hasFocus = false, blockId = null }: OpenDayProps) {
  const pageId = useDayId(day);
  const page = usePageDocument(pageId, day);
  const { data: info } = useDayQuery(day);
  const [body, setBody] = useState<BodyJson | null>(null);
  const [sheet, setSheet] = useState<{ isOpen: boolean; lineId: string | null }>({ isOpen: false, lineId: null });
  const text = useRef<HTMLDivElement>(null);
  const margin = useMargin(pageId, body);
  const { groups } = margin;
  useLanding(blockId, body !== null);

  useEffect(() => {
    // A margin sheet is the head day's alone: it lies over the foot of the screen.
    if (!isHead) setSheet({ isOpen: false, lineId: null });
  }, [isHead]);

  return (
    <section className="day" data-day={day} aria-label={dayTitle(day)}>
      <DayHeading day={day} isHead={isHead} pointing={info?.pointing ?? 0} />
      <KeptCopies pageId={pageId} />
      {page?.isReady ? (
        <div ref={text} className="page-body">
          <PageEditor
            page={page}
            place={{ pageId, parentId: null, trail: [], title: dayTitle(day) }}
            label={`Text of ${dayTitle(day)}`}
            placeholder=""
            onOpen={openTarget}
            onBody={setBody}
            text={text}
            focus={hasFocus ? 'start' : null}
          />
          <MarginCounts groups={groups} text={text} onOpen={(lineId) => setSheet({ isOpen: true, lineId })} />
        </div>
      ) : (
        <Loading />
      )}
      {isHead && (
        <MarginSheet
          margin={margin}
          title={dayTitle(day)}
          day={day}
          isOpen={sheet.isOpen}
          lineId={sheet.lineId}
          onToggle={(isOpen) => setSheet({ isOpen, lineId: null })}
        />
      )}
    </section>
  );
}
