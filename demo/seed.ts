import { changeShopLists, openDatabase, shopLists } from '@/data';
import { fillDemo } from './fill';
import { fillPictures } from './pictures';
import { DEMO_LISTS } from './index';

/** Seeds the demo database named by OSSATURA_DB; what is already there stays as it is. */
const path = process.env.OSSATURA_DB;
if (!path) throw new Error('OSSATURA_DB names no file');
async function seed(path: string): Promise<void> {
  const db = openDatabase(path);
  for (const { tag, wasHere, problem } of fillDemo(db))
    console.log(`${tag}: ${problem ? problem.message : wasHere ? 'already there' : 'seeded'}`);
  for (const problem of await fillPictures(db)) console.log(`a photo: ${problem.message}`);
  // A shop that changed its lists keeps its own.
  if (shopLists(db).revision === 0)
    changeShopLists(db, { basedOn: 0, to: DEMO_LISTS, by: 'RK', at: '2026-11-16T07:30:00Z' });
  db.close();
}
void seed(path);
