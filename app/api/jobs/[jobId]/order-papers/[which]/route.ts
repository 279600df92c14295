import { toDataURL } from 'qrcode';
import type { JobFile, JobOrder } from '@/core/job';
import type { UnitSystem } from '@/core/quantity';
import { database, jobFile } from '@/data';
import { paperPdf, type Paper } from '@/ui/print/paper';
import { answer, download, guarded, notFound, systemOf } from '../../../../_door';
import { askOffice } from '../../../../../_office';
import { changePaper, handoverPaper, planPaper, tagsPaper } from '../../../../../_words/order-papers';

type Asked = {
  readonly file: JobFile;
  readonly order: JobOrder;
  readonly system: UnitSystem;
  readonly origin: string;
};
const PAPERS: Readonly<Record<string, (asked: Asked) => Paper | Promise<Paper>>> = {
  plan: ({ file, order, system }) => planPaper(file, order, system),
  tags: ({ file, order, origin }) =>
    tagsPaper(
      file,
      order,
      (part) => `${origin}/jobs/${file.job.id}/order?part=off&thing=${encodeURIComponent(part)}`,
      (text) => toDataURL(text, { margin: 1, errorCorrectionLevel: 'M', width: 240 }),
    ),
  'change-note': ({ file }) => changePaper(file),
  handover: ({ file, order, system }) => handoverPaper(file, order, system),
};

/** Where this server was asked: what a code on a tag leads back to. */
const originOf = (request: Request): string => {
  const host = request.headers.get('host');
  const { protocol, host: own } = new URL(request.url);
  return `${request.headers.get('x-forwarded-proto') ?? protocol.replace(':', '')}://${host ?? own}`;
};

/** Papers of the order of work. */
export const GET = (request: Request, { params }: { params: Promise<{ jobId: string; which: string }> }) =>
  guarded(request, async () => {
    const { jobId, which } = await params;
    const file = jobFile(database(), jobId);
    if (!file) return notFound('job');
    const make = Object.hasOwn(PAPERS, which) ? PAPERS[which] : undefined;
    if (!make) return notFound('paper');
    const order = await askOffice('order', file);
    if (!order.ok) return answer(order);
    const paper = await make({
      file,
      order: order.value,
      system: systemOf(request),
      origin: originOf(request),
    });
    return download(
      new Uint8Array(await paperPdf(paper)),
      'application/pdf',
      `${file.unit.tag}-${which}.pdf`,
    );
  });
