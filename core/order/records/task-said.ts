import { z } from 'zod';
import { evidenceKind } from '../../frame';
import { ok } from '../../quantity';
import { nobody, stamped, taskIdSchema } from './stamp';

/** *Again*: what was done is open once more. *Not needed*: it is done without, and the reason says why. */
export const TASK_SAYS = ['started', 'stopped', 'done', 'not needed', 'again'] as const;

/** What somebody at the truck said of a task. */
export const taskSaidSchema = z
  .object({
    kind: z.literal('task'),
    ...stamped,
    taskId: taskIdSchema,
    /** As it was called when it was said. */
    title: z.string().trim().min(1).max(160),
    is: z.enum(TASK_SAYS),
  })
  .refine(({ is, note }) => is !== 'not needed' || note !== '', {
    message: 'say why it is not needed',
    path: ['note'],
  });
export type TaskSaid = z.infer<typeof taskSaidSchema>;

export const taskSaidKind = evidenceKind<TaskSaid>({
  name: 'task',
  schema: taskSaidSchema,
  fits: () => ok({}),
  tells: nobody,
});
