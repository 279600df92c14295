import { z } from 'zod';
import { evidenceKind } from '../../frame';
import { ok } from '../../quantity';
import { nobody, stamped, zoneIdSchema } from './stamp';

export const POWERS = ['mains', 'generator', 'none'] as const;
/** When and where a job is done: the last one counts, whole. */
export const slotSchema = z.object({
  kind: z.literal('slot'),
  ...stamped,
  /** Not before this day. */
  startOn: z.iso.date(),
  bay: z.string().trim().max(60).optional(),
  /** It has to go up: only a bay with a lift will do. */
  onLift: z.literal(true).optional(),
  /** Chance that the promised day is kept. */
  chance: z.number().gte(0.5, 'even odds are no promise').lte(0.99),
  /** Done where the unit stands: how far, with what. */
  away: z
    .object({
      travelHours: z.number().gt(0, 'there and back takes some time').lte(10),
      power: z.enum(POWERS),
    })
    .optional(),
  /** What a day without the unit costs its owner. */
  downtimePerDay: z.number().gt(0).lte(1e5).optional(),
  transitAfter: zoneIdSchema.optional(),
});
export type Slot = z.infer<typeof slotSchema>;

export const slotKind = evidenceKind<Slot>({
  name: 'slot',
  schema: slotSchema,
  fits: () => ok({}),
  tells: nobody,
});
