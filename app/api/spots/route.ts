import { answer, guarded, mutation } from '../_door';
import { changeSpots, database, shopSpots, spotChangeSchema } from '@/data';

/** What this shop looks at, and what it dropped from the list. */
export const GET = (request: Request) =>
  guarded(request, () => answer({ ok: true, value: shopSpots(database()) }));

export const POST = (request: Request) =>
  mutation(request, spotChangeSchema, (change) => changeSpots(database(), change));
