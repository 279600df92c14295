import { z } from 'zod';
import { bySchema, instantSchema, recordIdSchema } from '../frame';

/** A job closed, or opened again. Closed jobs teach the list of what to look at. */
export const closingSchema = z.object({
  id: recordIdSchema,
  closed: z.boolean(),
  by: bySchema,
  at: instantSchema,
});
export type Closing = z.infer<typeof closingSchema>;
