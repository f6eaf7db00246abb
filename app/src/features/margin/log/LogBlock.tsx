import { useEffect, useId, useState } from 'react';
import type { LogProps } from '../../../editor';
import { Box } from '../../../kit/Box';
import { Tap } from '../../../kit/Tap';
import { Said } from '../../../kit/Words';
import { useToday } from '../../../screen/useToday';
import { linkWords } from '../../../screen/words';
import { useAppSelector, wantTargets } from '../../../state/store';
import { weekBegins } from '../../../state/typedDay';
import { LogList, useLogPiece } from './LogList';
import { LogSettings } from './LogSettings';
import { firstDay, sinceWords } from './since';

/** A log as it stands on a page: what it lists, said in a sentence that changes it, and its entries. */
export function LogBlock({ log, pageId, isNew = false, onChange }: LogProps) {
  const { target, order, fromKind, since } = log;
  const of = target ?? pageId;
  const headId = useId();
  const today = useToday();
  const [isOpen, setOpen] = useState(isNew);
  const title = useAppSelector((state) => (of === null ? undefined : state.targets.known[of]));
  const begins = firstDay(since, today, weekBegins());
  const filter = { ...(begins && { since: begins }), ...(fromKind && { kind: fromKind }) };
  const { piece } = useLogPiece(of, filter, order);
  useEffect(() => wantTargets(of === null ? [] : [of]), [of]);
  if (of === null) return null;
  const kindName = fromKind && (piece?.kinds.find(({ kind }) => kind === fromKind)?.name ?? '…');
  const details = [
    kindName && `from pages of the kind ${kindName}`,
    sinceWords(since, today),
    order === 'newest' ? 'the newest first' : 'the oldest first',
  ].filter(Boolean);
  return (
    <Box role="region" look="log-here" aria-labelledby={headId}>
      <Box look="overview-head">
        <Said id={headId}>
          {of === pageId ? 'Log' : `Log of ${linkWords(title)}`}
          <Said look="log-details">{details.join(', ')}</Said>
        </Said>
        {onChange && (
          <Tap look="overview-change" aria-haspopup="dialog" onPress={() => setOpen(true)}>
            Change
          </Tap>
        )}
      </Box>
      <LogList
        pageId={of}
        filter={filter}
        order={order}
        root="#main"
        emptyWords={
          since === null && fromKind === null
            ? 'What days and other pages say of it comes to stand here by itself.'
            : 'Nothing of that was said of it.'
        }
      />
      {isOpen && onChange && <LogSettings log={log} pageId={of} onChange={onChange} onClose={() => setOpen(false)} />}
    </Box>
  );
}
