import { stands } from '@/core/job';
import { database, jobFile } from '@/data';
import { paperPdf } from '@/ui/print/paper';
import { answer, download, guarded, notFound, systemOf } from '../../../../_door';
import { askOffice } from '../../../../../_office';
import { permitPaper } from '../../../../../_words/order-papers';

/** One hot-work permit, as it was given. */
export const GET = (request: Request, { params }: { params: Promise<{ jobId: string; permitId: string }> }) =>
  guarded(request, async () => {
    const { jobId, permitId } = await params;
    const file = jobFile(database(), jobId);
    if (!file) return notFound('job');
    const permit = stands(file, 'permit').find(({ id, is }) => id === permitId && is === 'given');
    if (!permit) return notFound('permit');
    const order = await askOffice('order', file);
    if (!order.ok) return answer(order);
    const paper = permitPaper(file, order.value, permit, systemOf(request));
    return download(
      new Uint8Array(await paperPdf(paper)),
      'application/pdf',
      `${file.unit.tag}-hot-work-${permit.zoneId}.pdf`,
    );
  });
