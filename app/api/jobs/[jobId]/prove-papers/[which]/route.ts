import { toDataURL } from 'qrcode';
import { printPassportCode } from '@/core/exchange';
import { stands } from '@/core/job';
import type { Photo } from '@/core/walk';
import { bundleOf, database, jobFile, photoBytes, refused } from '@/data';
import { paperPdf } from '@/ui/print/paper';
import { answer, download, guarded, notFound, systemOf } from '../../../../_door';
import { recordSum } from '../../../../_door/record-sum';
import { askOffice } from '../../../../../_office';
import { closingPaper, passportPaper } from '../../../../../_words/prove-papers';

/** A picture as it is printed, where it is kept here. */
const pictureOf = ({ picture }: Photo): Buffer | undefined => {
  const bytes = picture && photoBytes(database(), picture.hash, 'thumb');
  return bytes && Buffer.from(bytes);
};

/** The owner's closing report, the passport that was issued last; `ready` only works out what both print, so that they come at once when they are asked for. */
export const GET = (request: Request, { params }: { params: Promise<{ jobId: string; which: string }> }) =>
  guarded(request, async () => {
    const { jobId, which } = await params;
    const file = jobFile(database(), jobId);
    if (!file) return notFound('job');
    if (which !== 'closing-report' && which !== 'passport' && which !== 'ready') return notFound('paper');
    const issued = stands(file, 'passport').at(-1);
    if (which === 'passport' && !issued)
      return answer(refused('not-found', 'no passport was issued: Prove, Papers', 'Nothing was changed.'));
    const proof = await askOffice('proof', file);
    if (!proof.ok) return answer(proof);
    const system = systemOf(request);
    const closing = which === 'passport' ? undefined : await askOffice('closing', file);
    if (closing?.ok === false) return answer(closing);
    if (which === 'ready') return new Response(null, { status: 204 });
    const paper =
      closing || !issued
        ? closingPaper(file, proof.value, system, {
            pictureOf,
            ...(closing?.value ?? { advice: null, slices: [] }),
          })
        : await passportPaper(file, proof.value, system, {
            issued,
            isSame: recordSum(bundleOf(database(), jobId)!, issued.at) === issued.sha256,
            code: await toDataURL(printPassportCode({ jobId, upTo: issued.at, sha256: issued.sha256 }), {
              margin: 1,
              errorCorrectionLevel: 'M',
              width: 240,
            }),
          });
    return download(
      new Uint8Array(await paperPdf(paper)),
      'application/pdf',
      `${file.unit.tag}-${which}.pdf`,
    );
  });
