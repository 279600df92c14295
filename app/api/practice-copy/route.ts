import { answer, guarded } from '../_door';
import { closeJob, database, importBundle, jobIds, refused, written } from '@/data';
import { closedBundles, demoBundles } from '@/demo';

/** Fills an empty yard with the invented units, to practise on. A yard with a job in it is left alone. */
export const POST = (request: Request) =>
  guarded(request, () => {
    const db = database();
    if (jobIds(db).length > 0)
      return answer(refused('conflict', 'there are jobs in this yard already', 'Nothing was added.'));
    for (const bundle of demoBundles()) {
      const taken = importBundle(db, bundle);
      if (!taken.ok) return answer(taken);
    }
    for (const { bundle, closedAt, by } of closedBundles()) {
      const taken = importBundle(db, bundle);
      if (!taken.ok) return answer(taken);
      closeJob(db, bundle.job.id, { id: crypto.randomUUID(), closed: true, by, at: closedAt });
    }
    return answer(written(null));
  });
