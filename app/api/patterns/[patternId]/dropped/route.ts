import { mutation } from '../../../_door';
import { patternDroppedSchema } from '@/core/patterns';
import { database, dropPattern } from '@/data';

const said = patternDroppedSchema.omit({ patternId: true });

/** A pattern dropped from the list; where it was laid stays on record. */
export const POST = async (request: Request, { params }: { params: Promise<{ patternId: string }> }) => {
  const { patternId } = await params;
  return mutation(request, said, (dropped) => dropPattern(database(), { ...dropped, patternId }));
};
