import { createHash } from 'node:crypto';
import { zipSync } from 'fflate';
import { download, guarded, notFound } from '../../../_door';
import { database, jobFile } from '@/data';
import { GET as bundle } from '../bundle/route';
import { GET as ownersReport } from '../owners-report/route';
import { GET as photos } from '../photos/route';
import { GET as readings } from '../readings/route';
import { GET as workOrder } from '../work-order/route';

type Context = { params: Promise<{ jobId: string }> };

/** What goes into the pack, by the name it has there: each as it is taken away by itself. */
const PARTS = [
  ['work-order.pdf', workOrder],
  ['for-the-owner.pdf', ownersReport],
  ['readings.csv', readings],
  ['photos.zip', photos],
  ['whole-job.json', bundle],
] as const;

/** Everything a maker or insurer is shown for a claim, in one zip, with the SHA-256 of each part. A part that cannot be made refuses the pack. */
export const GET = (request: Request, context: Context) =>
  guarded(request, async () => {
    const file = jobFile(database(), (await context.params).jobId);
    if (!file) return notFound('job');
    const pack: Record<string, Uint8Array> = {};
    for (const [name, make] of PARTS) {
      const part = await make(request, context);
      if (!part.ok) return part;
      pack[name] = new Uint8Array(await part.arrayBuffer());
    }
    const sums = Object.entries(pack).map(
      ([name, bytes]) => `${createHash('sha256').update(bytes).digest('hex')}  ${name}`,
    );
    pack['SHA256SUMS'] = new TextEncoder().encode(`${sums.join('\n')}\n`);
    const zip = zipSync(pack, { level: 6 }) as Uint8Array<ArrayBuffer>;
    return download(zip, 'application/zip', `${file.unit.tag}-evidence.zip`);
  });
