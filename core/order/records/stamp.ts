import { z } from 'zod';
import { bySchema, instantSchema, recordIdSchema } from '../../frame';

/** What every record of the order of work says of itself. It is of no member's metal: nothing is worked out anew for it. */
export const stamped = {
  id: recordIdSchema,
  by: bySchema,
  at: instantSchema,
  note: z.string().trim().max(300).default(''),
};
export const taskIdSchema = z.string().min(1).max(120);
export const zoneIdSchema = z.string().min(1).max(6);
const hour = z.number().gte(0).lte(2000);
export const hoursSchema = z
  .tuple([hour, hour])
  .refine(([least, most]) => least <= most, 'the least comes first');
export const nobody = () => [];
