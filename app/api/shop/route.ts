import { z } from 'zod';
import { mutation } from '../_door';
import { bySchema, instantSchema } from '@/core/frame';
import { practiceSchema } from '@/core/reference';
import { changeShopPractice, database } from '@/data';

const change = z.object({
  basedOn: z.number().int().gte(0),
  to: practiceSchema,
  by: bySchema,
  at: instantSchema,
});

/** The shop's next practice: new jobs are judged by it, those there are keep to theirs. */
export const POST = (request: Request) =>
  mutation(request, change, (value) => changeShopPractice(database(), value));
