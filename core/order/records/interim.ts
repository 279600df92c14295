import { z } from 'zod';
import { evidenceKind } from '../../frame';
import { ok } from '../../quantity';
import { MOVE_ANSWERS } from '../../trace';
import { nobody, stamped } from './stamp';

/** What an owner was told of a unit that waits for its turn: whether it may be used, how, and when it is looked at again. The last one counts, whole. */
export const interimSchema = z
  .object({
    kind: z.literal('interim'),
    ...stamped,
    answer: z.enum(MOVE_ANSWERS),
    /** In words: loads, speed, roads, what to watch. */
    advice: z.string().trim().max(400).default(''),
    everyDays: z.number().int().gte(1, 'a look comes after a day at least').lte(365).optional(),
    everyKm: z.number().gt(0, 'a distance is more than nothing').lte(20_000).optional(),
  })
  .superRefine(({ answer, advice, everyDays, everyKm }, context) => {
    const wrong = (path: string, message: string) =>
      context.addIssue({ code: 'custom', path: [path], message });
    if (answer === 'do not move') return;
    const isUsed = answer !== 'to the shop only';
    if (isUsed && everyDays === undefined && everyKm === undefined)
      wrong('everyDays', 'what goes on being used is looked at again: say after how many days, or how far');
    if (answer !== 'no reason recorded against it' && advice === '')
      wrong('advice', 'say how it may be used');
  });
export type Interim = z.infer<typeof interimSchema>;

export const interimKind = evidenceKind<Interim>({
  name: 'interim',
  schema: interimSchema,
  fits: () => ok({}),
  tells: nobody,
});
