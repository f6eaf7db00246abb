import type { TaskCounts } from '@glossarion/core/tasks';
import { useAtRest } from '../../kit/Afterwards';
import { Way } from '../../kit/Way';
import { Line, Said } from '../../kit/Words';
import { open } from '../../screen/navigation';
import { usePageTasksQuery } from '../../state/api';

const WORDS: Record<keyof TaskCounts, (count: number) => string> = {
  here: (count) => `${count} open here`,
  beneath: (count) => `${count} beneath`,
  linking: (count) => `${count} elsewhere`,
};

/** How many open tasks stand on a page, beneath it, and elsewhere with a link to it; each leads to them. */
export function PageTasks({ pageId }: { pageId: string }) {
  const { data } = usePageTasksQuery(pageId, { skip: !useAtRest() });
  const shown = (Object.keys(WORDS) as (keyof TaskCounts)[]).filter((where) => (data?.[where] ?? 0) > 0);
  if (!data || shown.length === 0) return null;
  return (
    <Line look="page-tasks">
      {'Tasks: '}
      {shown.map((where, index) => (
        <Said key={where}>
          {index > 0 && ', '}
          <Way to={`/tasks?of=${pageId}&where=${where}`} onOpen={() => open(`/tasks?of=${pageId}&where=${where}`)}>
            {WORDS[where](data[where])}
          </Way>
        </Said>
      ))}
    </Line>
  );
}
