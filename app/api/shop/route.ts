import { z } from 'zod';
import { answer, guarded, mutation } from '../_door';
import { bySchema, instantSchema } from '@/core/frame';
import { practiceSchema } from '@/core/reference';
import { changeShopPractice, database, shopPractice, written } from '@/data';

const change = z.object({
  basedOn: z.number().int().gte(0),
  to: practiceSchema,
  by: bySchema,
  at: instantSchema,
});

export const dynamic = 'force-dynamic';

/** The shop's newest practice. */
export const GET = (request: Request) => guarded(request, () => answer(written(shopPractice(database()))));

/** The shop's next practice: new jobs are judged by it, those there are keep to theirs. */
export const POST = (request: Request) =>
  mutation(request, change, (value) => changeShopPractice(database(), value));
