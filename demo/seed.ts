import { importBundle, openDatabase } from '@/data';
import { demoBundles } from './index';

/** Seeds the demo database named by OSSATURA_DB; what is already there stays as it is. */
const path = process.env.OSSATURA_DB;
if (!path) throw new Error('OSSATURA_DB names no file');
const db = openDatabase(path);
for (const bundle of demoBundles()) {
  const outcome = importBundle(db, bundle);
  console.log(outcome.ok ? `${bundle.unit.tag}: ${outcome.value.wasHere ? 'already there' : 'seeded'}` : `${bundle.unit.tag}: ${outcome.problem.message}`);
}
db.close();
