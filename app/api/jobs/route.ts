import { z } from 'zod';
import { mutation } from '../_door';
import { frameSchema, jobSheetSchema, unitSchema } from '@/core/frame';
import { addUnit, database, openJob, type Written } from '@/data';

const opening = z.object({
  unit: unitSchema,
  job: jobSheetSchema,
  frame: frameSchema,
});

/** Opens a job; a unit that is not yet in the yard is added with it. */
export const POST = (request: Request) =>
  mutation(request, opening, ({ unit, job, frame }): Written<unknown> => {
    const db = database();
    return db
      .transaction((): Written<unknown> => {
        const added = addUnit(db, unit);
        return added.ok ? openJob(db, { ...job, unitId: added.value.id }, { frame }) : added;
      })
      .immediate();
  });
