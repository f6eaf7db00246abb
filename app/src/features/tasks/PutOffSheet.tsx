import type { ShownTask } from '@glossarion/core/tasks';
import { Group } from '../../kit/Group';
import { Sheet } from '../../kit/Sheet';
import { count } from '../../kit/count';
import { setTasks } from '../../state/tasks';
import { taskTitle } from './taskTitle';
import { around } from '../../kit/later';

const Days = around(async () => (await import('../../screen/TaskSheet')).Days);

/** Puts tasks off together: to tomorrow, next week, a day in words, or to no day. */
export function PutOffSheet({ tasks, onClose }: { tasks: readonly ShownTask[]; onClose: () => void }) {
  const put = (day: string) => {
    onClose();
    void setTasks(
      tasks.map(({ page, node }) => ({ pageId: page.pageId, node })),
      { set: 'for', day },
    );
  };
  const title = tasks.length === 1 ? `Put off ${taskTitle(tasks[0]!.node)}` : `Put off ${count(tasks.length, 'task')}`;
  return (
    <Sheet title={title} onClose={onClose}>
      <Group>
        <Days
          label="Put off to"
          isLater
          none="No day"
          onDay={(day) => put(day ?? 'none')}
          onWhen={({ day }) => put(day)}
        />
      </Group>
    </Sheet>
  );
}
