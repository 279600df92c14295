import { TaskLane } from './_parts/task-lane';

export const metadata = { title: 'Next task' };

export default function NextTask() {
  return <TaskLane />;
}
