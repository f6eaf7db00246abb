import { useEffect, useState } from 'react';
import { LOG_ORDERS, LOG_SPANS, type LogOrder, type LogSpan } from '@glossarion/core/log';
import { Radios } from '../../../kit/Radios';
import { Sheet } from '../../../kit/Sheet';
import { useToday } from '../../../screen/useToday';
import { linkWords } from '../../../screen/words';
import { useAppSelector, wantTargets } from '../../../state/store';
import { weekBegins } from '../../../state/typedDay';
import { LogList } from './LogList';
import { ORDER_WORDS } from './LogSettings';
import { firstDay, SPAN_WORDS } from './since';

/** What was said of a page this month, in order; and all that ever was. */
export function LogSheet({ pageId, onClose }: { pageId: string; onClose: () => void }) {
  const [since, setSince] = useState<LogSpan | null>('month');
  const [order, setOrder] = useState<LogOrder>('oldest');
  const title = useAppSelector((state) => state.targets.known[pageId]);
  useEffect(() => wantTargets([pageId]), [pageId]);
  const begins = firstDay(since, useToday(), weekBegins());
  return (
    <Sheet title={`Log of ${linkWords(title)}`} onClose={onClose}>
      <Radios
        label="Since"
        values={[...LOG_SPANS, null]}
        words={(each) => (each === null ? 'Any time' : SPAN_WORDS[each])}
        chosen={since}
        onChoose={setSince}
      />
      <Radios
        label="Order"
        values={LOG_ORDERS}
        words={(each) => ORDER_WORDS[each]}
        chosen={order}
        onChoose={setOrder}
      />
      <LogList
        pageId={pageId}
        filter={begins === null ? {} : { since: begins }}
        order={order}
        emptyWords={
          since === null
            ? 'What days and other pages say of it comes to stand here by itself.'
            : `Nothing was said of it ${SPAN_WORDS[since].toLowerCase()}.`
        }
      />
    </Sheet>
  );
}
