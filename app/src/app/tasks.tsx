import { later } from '../kit/later';

const TasksScreen = later(async () => (await import('../features/tasks/TasksScreen')).TasksScreen);

export default function Tasks() {
  return <TasksScreen />;
}
