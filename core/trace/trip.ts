import { z } from 'zod';
import { bySchema, evidenceKind, instantSchema, recordIdSchema } from '../frame';
import { ok } from '../quantity';

/** So far the unit went, km: what a trailer has instead of an odometer, and what counts a temporary repair down. */
export const tripSchema = z.object({
  kind: z.literal('trip'),
  id: recordIdSchema,
  km: z.number().gt(0, 'a trip has some length').lte(1e6),
  by: bySchema,
  at: instantSchema,
  note: z.string().max(300).default(''),
});
export type Trip = z.infer<typeof tripSchema>;

export const tripKind = evidenceKind<Trip>({
  name: 'trip',
  schema: tripSchema,
  fits: () => ok({}),
  tells: () => [],
});
