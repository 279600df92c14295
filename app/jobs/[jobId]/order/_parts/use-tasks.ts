'use client';

import type { Task, TaskSaid } from '@/core/order';
import { taskWords } from '../../../../_words/order';
import { useRecords, useStamp } from '../../../_desk';

/** Says something of a task, under the name it has now. */
export function useTasks(): (task: Task, is: TaskSaid['is'], note?: string) => void {
  const { keep } = useRecords();
  const stamp = useStamp();
  return (task, is, note = '') =>
    keep({ kind: 'task', ...stamp(), note, taskId: task.id, title: taskWords(task).slice(0, 160), is });
}
