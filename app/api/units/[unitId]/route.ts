import { z } from 'zod';
import { mutation } from '../../_door';
import { unitSchema } from '@/core/frame';
import { correctUnit, database, refused } from '@/data';

const correction = z.object({ was: unitSchema, unit: unitSchema });

/** Corrects a unit's facts; its jobs, notices and evidence stay as they are. */
export const POST = async (request: Request, { params }: { params: Promise<{ unitId: string }> }) => {
  const { unitId } = await params;
  return mutation(request, correction, ({ was, unit }) =>
    unit.id === unitId && was.id === unitId
      ? correctUnit(database(), was, unit)
      : refused('invalid', 'the correction names another unit', 'Nothing was changed.', 'unit.id'),
  );
};
