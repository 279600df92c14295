import { closeJob, importBundle, keepPattern, patternById, type Db, type Problem } from '@/data';
import { closedBundles, demoBundles, demoPattern } from './index';
import { seeded, seededId } from './seeded';

/** Fills a yard with the scenario; what is already there stays as it is. Says of each unit what became of it. */
export function fillDemo(
  db: Db,
): { readonly tag: string; readonly wasHere: boolean; readonly problem?: Problem }[] {
  const seededUnits = demoBundles().map((bundle) => ({ bundle, taken: importBundle(db, bundle) }));
  const closed = closedBundles().map(({ bundle, closedAt, by }, k) => {
    const taken = importBundle(db, bundle);
    if (taken.ok && !taken.value.wasHere)
      closeJob(db, bundle.job.id, { id: seededId(seeded(23 + k)), closed: true, by, at: closedAt });
    return { bundle, taken };
  });
  const pattern = demoPattern();
  if (!patternById(db, pattern.id)) keepPattern(db, pattern);
  return [...seededUnits, ...closed].map(({ bundle: { unit }, taken }) =>
    taken.ok
      ? { tag: unit.tag, wasHere: taken.value.wasHere }
      : { tag: unit.tag, wasHere: false, problem: taken.problem },
  );
}
