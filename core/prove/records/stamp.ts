import { bySchema, instantSchema, recordIdSchema } from '../../frame';
import { z } from 'zod';

/** What every record of proving says of itself. It is of no member's metal: nothing is worked out anew for it. */
export const stamped = {
  id: recordIdSchema,
  by: bySchema,
  at: instantSchema,
  note: z.string().trim().max(300).default(''),
};
export const nobody = () => [];
/** Two people are two: initials differ whatever their case. */
export const isSomebodyElse = (one: string, other: string): boolean =>
  other.trim() !== '' && one.trim().toLowerCase() !== other.trim().toLowerCase();
