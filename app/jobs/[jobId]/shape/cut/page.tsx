import { database, shopLists } from '@/data';
import { CutBench } from './_parts/cut-bench';

export const metadata = { title: 'To cut' };

export const dynamic = 'force-dynamic';

export default function Cut() {
  const { revision, part } = shopLists(database());
  return <CutBench lists={{ revision, part }} />;
}
