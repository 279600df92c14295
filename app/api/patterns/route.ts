import { mutation } from '../_door';
import { patternSchema } from '@/core/patterns';
import { database, keepPattern } from '@/data';

/** A repair kept as the shop's own pattern. */
export const POST = (request: Request) =>
  mutation(request, patternSchema, (pattern) => keepPattern(database(), pattern));
