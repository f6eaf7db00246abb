import { Said } from '../../kit/Words';
import { useToday } from '../../screen/useToday';
import { useTasksDueQuery } from '../../state/api';

/** How many tasks are overdue or for today; nothing for none. */
export function TasksDue() {
  const { data } = useTasksDueQuery(useToday());
  if (!data || data.count === 0) return null;
  return (
    <Said look="rail-count" aria-label={`${data.count} for today`}>
      {data.count}
    </Said>
  );
}
