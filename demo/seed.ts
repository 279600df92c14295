import { changeShopLists, closeJob, importBundle, openDatabase, shopLists } from '@/data';
import { closedBundles, DEMO_LISTS, demoBundles } from './index';
import { seeded, seededId } from './seeded';

/** Seeds the demo database named by OSSATURA_DB; what is already there stays as it is. */
const path = process.env.OSSATURA_DB;
if (!path) throw new Error('OSSATURA_DB names no file');
const db = openDatabase(path);
for (const bundle of demoBundles()) {
  const outcome = importBundle(db, bundle);
  console.log(
    outcome.ok
      ? `${bundle.unit.tag}: ${outcome.value.wasHere ? 'already there' : 'seeded'}`
      : `${bundle.unit.tag}: ${outcome.problem.message}`,
  );
}
for (const { bundle, closedAt, by } of closedBundles()) {
  const outcome = importBundle(db, bundle);
  if (outcome.ok && !outcome.value.wasHere)
    closeJob(db, bundle.job.id, { id: seededId(seeded(23)), closed: true, by, at: closedAt });
}
// A shop that changed its lists keeps its own.
if (shopLists(db).revision === 0)
  changeShopLists(db, { basedOn: 0, to: DEMO_LISTS, by: 'RK', at: '2026-11-16T07:30:00Z' });
db.close();
