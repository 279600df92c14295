import { mutation } from '../_door';
import { database, keepStartingFrame, startingFrameSchema } from '@/data';

export const POST = (request: Request) =>
  mutation(request, startingFrameSchema, (starting) => keepStartingFrame(database(), starting));
