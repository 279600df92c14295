import { download, guarded, notFound } from '../../../_door';
import { ofKind } from '@/core/frame';
import { printBundle, printBundleZip } from '@/core/exchange';
import { bundleOf, database, photoBytes } from '@/data';

/** The whole job in one file: as JSON, or with `pictures=1` as a zip that brings its pictures too. */
export const GET = (request: Request, { params }: { params: Promise<{ jobId: string }> }) =>
  guarded(request, async () => {
    const db = database();
    const bundle = bundleOf(db, (await params).jobId);
    if (!bundle) return notFound('job');
    const text = printBundle(bundle);
    const name = `${bundle.unit.tag}-${bundle.job.title}`;
    if (new URL(request.url).searchParams.get('pictures') !== '1')
      return download(text, 'application/json', `${name}.json`);
    const pictures = ofKind(bundle.evidence, 'photo').flatMap(({ picture }) => {
      const bytes = picture && photoBytes(db, picture.hash, 'whole');
      return bytes ? [[picture.hash, new Uint8Array(bytes)] as const] : [];
    });
    const zip = printBundleZip({ text, pictures: new Map(pictures) });
    return download(zip as Uint8Array<ArrayBuffer>, 'application/zip', `${name}.zip`);
  });
