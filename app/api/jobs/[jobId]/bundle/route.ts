import { download, guarded, notFound } from '../../../_door';
import { printBundle } from '@/core/exchange';
import { bundleOf, database } from '@/data';

export const GET = (request: Request, { params }: { params: Promise<{ jobId: string }> }) =>
  guarded(request, async () => {
    const bundle = bundleOf(database(), (await params).jobId);
    return bundle
      ? download(printBundle(bundle), 'application/json', `${bundle.unit.tag}-${bundle.job.title}.json`)
      : notFound('job');
  });
