import { Said } from '../../kit/Words';
import { Way } from '../../kit/Way';
import { count } from '../../kit/count';
import { openPlace } from '../../screen/navigation';
import { useToday } from '../../screen/useToday';
import { useTrayWaitingQuery } from '../../state/api';

/** How many jottings wait, and the way to the Tray. */
export function Waiting() {
  const { data } = useTrayWaitingQuery(useToday());
  return (
    <Way
      to="/tray"
      look="rail-count way"
      aria-label={data && data.count > 0 ? `Tray, ${count(data.count, 'jotting')}` : 'Tray'}
      onOpen={() => openPlace('/tray')}
    >
      {data && data.count > 0 ? <Said>{data.count}</Said> : <Said>Tray</Said>}
    </Way>
  );
}
